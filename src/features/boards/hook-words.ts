import type { HookOutcome } from "@/contracts";

const times = (n: number): string => (n === 1 ? "once" : `${n} times`);

/** How the last call of a board's hook went, in words. */
export function hookWords(outcome: HookOutcome | null): string {
  if (outcome === null) return "not called yet";
  const { how, tries } = outcome;
  switch (how) {
    case "answered":
      return "the page took the last post";
    case "refused":
      return `called ${times(tries)}: the page answers with an error; tried again`;
    case "silent":
      return `called ${times(tries)}: the page does not answer; tried again`;
    case "given-up":
      return `given up after ${tries} calls`;
  }
}
