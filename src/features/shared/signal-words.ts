import type { SignalKind } from "@/core/room";

/** The signals as the team's pages call them. */
export const signalWords: Readonly<Record<SignalKind, string>> = {
  applause: "Applause",
  laughter: "Laughter",
  yes: "Yes",
  no: "No",
  "cannot-hear": "Cannot hear",
  "too-fast": "Too fast",
};

/** Trouble that many in the audience have, in a sentence. */
export function troubleWords(kind: string, count: number, house: number): string {
  const what = kind === "cannot-hear" ? "cannot hear" : "find it too fast";
  return `${count} of ${house} in the audience ${what}.`;
}
