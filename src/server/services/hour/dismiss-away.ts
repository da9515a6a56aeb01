import { spokenBy, type EntryBody } from "@/core/room";
import type { Context } from "../ground/context";
import { appendRows } from "../ground/room/commands";

/**
 * Lowers the hands of people who left, takes the floor back from them, ends their shared screens and frees their
 * interpreters' channel. Of several processes that find them the first does it, the others nothing.
 */
export async function dismissAway(context: Context, occurrenceId: string, ticketIds: readonly string[]): Promise<void> {
  await context.db.transaction((tx) =>
    appendRows(context, tx, occurrenceId, ({ floor, channels, stage }) =>
      ticketIds.flatMap((ticketId): EntryBody[] => {
        const isLast = stage.screens.every((id) => ticketIds.includes(id));
        const screen: EntryBody[] = stage.screens.includes(ticketId)
          ? [{ type: "stage.screen-ended", ticketId, isLast }]
          : [];
        const spoken = spokenBy(channels, ticketId);
        if (spoken.length > 0)
          return [...screen, ...spoken.map((language) => ({ type: "channels.fell-silent", language }) as const)];
        if (floor.holders.has(ticketId)) return [...screen, { type: "floor.ended", ticketId, why: "away" }];
        if (floor.hands.has(ticketId)) return [...screen, { type: "floor.hand-lowered", ticketId, why: "away" }];
        return screen;
      }),
    ),
  );
}
