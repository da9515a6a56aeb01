/** Trouble that many in the audience have, in a sentence. */
export function troubleWords(kind: string, count: number, house: number): string {
  const what = kind === "cannot-hear" ? "cannot hear" : "find it too fast";
  return `${count} of ${house} in the audience ${what}.`;
}
