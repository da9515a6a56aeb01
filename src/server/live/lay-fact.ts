import type { FactOutcome } from "../room";
import type { LiveRoom } from "./live-room";

/** What a fact of this process came to, into its room: shown with the next tick. */
export function layFact(room: LiveRoom, ticketId: string, { concerns = [], figure, lines }: FactOutcome): void {
  for (const id of [ticketId, ...concerns]) room.changedPeople.add(id);
  if (figure) room.addFigure(figure);
  if (lines) for (const row of lines.rows) room.logs.get(lines.topic)?.take(row);
}
