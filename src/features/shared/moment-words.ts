import type { MomentFault } from "@/core/time";

/** What is wrong with a typed date and hour, in words. */
export function momentFaultWords({ fault, words }: { readonly fault: MomentFault; readonly words?: string }): string {
  const capital = (word = ""): string => word.charAt(0).toUpperCase() + word.slice(1);
  switch (fault) {
    case "no-date":
      return "No date can be read there. Write it as in: 26 Nov 2026 18:00.";
    case "no-hour":
      return "The hour is missing. Write it as in: 26 Nov 2026 18:00.";
    case "no-such-date":
      return "That day does not exist.";
    case "other-weekday":
      return `That day is a ${capital(words)}.`;
    case "not-understood":
      return `“${words ?? ""}” is not understood.`;
  }
}
