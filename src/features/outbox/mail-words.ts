/** What became of a mail, in a word. */
export function mailStateWords(state: string, note: string | null): string {
  const refused = /^refused: (\d{3})$/.exec(note ?? "");
  if (refused) return `came back (${refused[1]})`;
  if (note) return note;
  return ({ sent: "sent", sending: "on its way", failed: "not delivered" } as Record<string, string>)[state] ?? state;
}
