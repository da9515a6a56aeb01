import { overduePolls } from "@/core/room";
import type { Context } from "../ground/context";
import { appendRows } from "../ground/room/commands";

/** Closes polls whose time is over. Of several processes that see it the first does it, the others nothing. */
export async function closePolls(context: Context, occurrenceId: string, pollIds: readonly string[]): Promise<void> {
  await context.db.transaction((tx) =>
    appendRows(context, tx, occurrenceId, ({ polls }, now) => {
      const overdue = new Set(overduePolls(polls, now));
      return pollIds.filter((id) => overdue.has(id)).map((pollId) => ({ type: "polls.closed", pollId }) as const);
    }),
  );
}
