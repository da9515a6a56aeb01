import { spokenBy, type EntryBody } from "@/core/room";
import type { Context } from "../ground/context";
import { appendRows } from "../ground/room/commands";

/**
 * Lowers the hands of people who left, takes the floor back from them, and frees their interpreters' channel. Of several processes that find them the
 * first does it, the others nothing.
 */
export async function dismissAway(context: Context, occurrenceId: string, ticketIds: readonly string[]): Promise<void> {
  await context.db.transaction((tx) =>
    appendRows(context, tx, occurrenceId, ({ floor, channels }) =>
      ticketIds.flatMap((ticketId): EntryBody[] => {
        const spoken = spokenBy(channels, ticketId);
        if (spoken.length > 0) return spoken.map((language) => ({ type: "channels.fell-silent", language }));
        if (floor.holders.has(ticketId)) return [{ type: "floor.ended", ticketId, why: "away" }];
        return floor.hands.has(ticketId) ? [{ type: "floor.hand-lowered", ticketId, why: "away" }] : [];
      }),
    ),
  );
}
