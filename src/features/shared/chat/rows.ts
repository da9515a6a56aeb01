import type { ChatLineView, OwnLine } from "@/contracts";
import type { Log } from "../room-link/feeds";

/** A line as a list shows it. */
export interface ShownLine extends ChatLineView {
  readonly id: string;
  /** waits to be let through: its author alone sees it */
  readonly isHeld: boolean;
}

/** The lines of one feed. */
export const linesOf = (log: Log | undefined): readonly ShownLine[] =>
  (log?.rows ?? []).map(({ id, row }) => ({ ...(row as ChatLineView), id, isHeld: false }));

/** A person's own lines among those of the house: held ones and words with the desk, by time. */
export function withOwn(
  lines: readonly ShownLine[],
  own: readonly OwnLine[],
  me: { readonly ticketId: string; readonly name: string },
): readonly ShownLine[] {
  const known = new Set(lines.map((line) => line.id));
  const mine = own
    .filter((line) => !known.has(line.id))
    .map((line): ShownLine => ({
      id: line.id,
      authorId: line.isMine ? me.ticketId : "desk",
      name: line.isMine ? me.name : "",
      role: line.isMine ? "attendee" : "producer",
      text: line.text,
      at: line.at,
      to: line.state === "note" ? "note" : "all",
      withId: line.state === "note" ? me.ticketId : null,
      withName: null,
      isQuestion: false,
      isHeld: line.state === "held",
    }));
  // the house's own order stays; what is only mine goes where its time puts it
  return [...lines, ...mine].sort((a, b) => a.at - b.at);
}

const address = /\bhttps?:\/\/[^\s<>"'`]+[^\s<>"'`.,;:!?)\]}]/gu;

/** A line cut into words and addresses: those of stage people open, those of the audience stay words. */
export function pieces(
  text: string,
  mayLink: boolean,
): readonly { readonly text: string; readonly href: string | null }[] {
  if (!mayLink) return [{ text, href: null }];
  const out: { text: string; href: string | null }[] = [];
  let from = 0;
  for (const match of text.matchAll(address)) {
    if (match.index > from) out.push({ text: text.slice(from, match.index), href: null });
    out.push({ text: match[0], href: match[0] });
    from = match.index + match[0].length;
  }
  if (from < text.length) out.push({ text: text.slice(from), href: null });
  return out;
}

/** From how many lines on there may be earlier ones that a screen was not given on joining. */
const windowRows = 60;

/** How to read what came before, where there may be something. */
export const earlierOf = (
  { logs, readEarlier }: { readonly logs: ReadonlyMap<string, Log>; readEarlier(topic: string): Promise<void> },
  topic: string,
): (() => Promise<void>) | undefined => {
  const log = logs.get(topic);
  return log && !log.isWhole && log.rows.length >= windowRows ? () => readEarlier(topic) : undefined;
};
