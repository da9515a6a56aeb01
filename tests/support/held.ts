import { eq } from "drizzle-orm";
import { minuteMs } from "@/core/time";
import { occurrences } from "@/server/db/schema";
import { appendRows } from "@/server/services/ground/room/commands";
import type { World } from "./world";

/** A date that was held from its start for an hour: its curtain rose and fell once, and it ended ten minutes later. */
export async function held(
  world: World,
  occurrenceId: string,
): Promise<{ raisedAt: number; droppedAt: number; endedAt: number }> {
  const [date] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, occurrenceId));
  const raisedAt = date!.startAt;
  const droppedAt = raisedAt + 60 * minuteMs;
  const endedAt = droppedAt + 10 * minuteMs;
  const before = world.clock.now();
  world.clock.set(endedAt);
  await world.context.db.transaction((tx) =>
    appendRows(world.context, tx, occurrenceId, () => [
      { type: "hour.show-imported", raisedAt, droppedAt },
      { type: "hour.ended", curtainFellAt: null },
    ]),
  );
  world.clock.set(before);
  return { raisedAt, droppedAt, endedAt };
}

/** The same as it goes live: doors, curtain up for an hour, down, over. */
export async function heldLive(world: World, occurrenceId: string): Promise<{ raisedAt: number; droppedAt: number }> {
  const [date] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, occurrenceId));
  const raisedAt = date!.startAt;
  const droppedAt = raisedAt + 60 * minuteMs;
  const before = world.clock.now();
  const write = (
    at: number,
    types: readonly ("hour.backstage-opened" | "hour.doors-opened" | "hour.curtain-raised")[],
  ) => {
    world.clock.set(at);
    return world.context.db.transaction((tx) =>
      appendRows(world.context, tx, occurrenceId, () => types.map((type) => ({ type }))),
    );
  };
  await write(raisedAt, ["hour.backstage-opened", "hour.doors-opened", "hour.curtain-raised"]);
  world.clock.set(droppedAt);
  await world.context.db.transaction((tx) =>
    appendRows(world.context, tx, occurrenceId, () => [
      { type: "hour.curtain-dropped" },
      { type: "hour.ended", curtainFellAt: droppedAt },
    ]),
  );
  world.clock.set(before);
  return { raisedAt, droppedAt };
}
