import type { Context } from "../ground/context";
import { appendRows } from "../ground/room/commands";

/** Lowers the hands of people who left. Of several processes that find them the first does it, the others nothing. */
export async function lowerHands(context: Context, occurrenceId: string, ticketIds: readonly string[]): Promise<void> {
  await context.db.transaction((tx) =>
    appendRows(context, tx, occurrenceId, (room) =>
      ticketIds
        .filter((ticketId) => room.floor.hands.has(ticketId))
        .map((ticketId) => ({ type: "floor.hand-lowered", ticketId, why: "away" })),
    ),
  );
}
