import { eq } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import { dayMs } from "@/core/time";
import { events, occurrences, organisations } from "@/server/db/schema";
import { organisationFeed } from "@/server/services/outside/feed";
import { purge } from "@/server/services/outside/sweep";
import { season } from "@/server/services/overview/season";
import { binned } from "@/server/services/overview/season-side";
import { openRoomNow, slugOfRoomCode } from "@/server/services/planning/dates/open-now";
import { hearersOfEvent } from "@/server/services/planning/event-life";
import { publicDates } from "@/server/services/way-in/front/public-lists";
import { addTicket, makeEvent, makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const organisation = async () =>
  (await world.context.db.select().from(organisations).where(eq(organisations.id, world.owner.organisationId)))[0]!;

it("a room opened from anywhere is reached by its code, listed nowhere, and tidied away a month after it ended", async () => {
  const { context, owner } = world;
  const room = await openRoomNow(context, owner);
  const house = await organisation();
  expect(await slugOfRoomCode(context, house, room.roomCode)).toBe(room.slug);
  const listed = JSON.stringify([await publicDates(context, house, 50), await organisationFeed(context, house)]);
  expect(listed).not.toContain(room.slug);
  // a room that was planned stands among the rooms; this one is a date while it is on, and nothing more
  expect((await season(context, owner, {})).standing).toEqual([]);

  await purge(context);
  expect(await binned(context, owner)).toEqual([]);
  await context.db
    .update(occurrences)
    .set({ phase: "ended", endAt: context.clock.now() })
    .where(eq(occurrences.id, room.occurrenceId));
  world.clock.advance(29 * dayMs);
  await purge(context);
  expect(await binned(context, owner)).toEqual([]);
  world.clock.advance(2 * dayMs);
  await purge(context);
  expect((await binned(context, owner)).map((one) => one.eventId)).toEqual([room.eventId]);
  const [kept] = await context.db.select().from(events).where(eq(events.id, room.eventId));
  expect(kept!.deletedAt).not.toBeNull();
});

it("says before an event is deleted how many would hear of it, over all its coming dates", async () => {
  const event = await makeEvent(world, { startLocal: "2027-05-05T18:00" });
  // the producer alone, so far
  expect(await hearersOfEvent(world.context, world.owner, event.eventId)).toBe(1);
  await addTicket(world, event, "attendee", "Nela Wick");
  await addTicket(world, event, "attendee", "Tom Strand");
  expect(await hearersOfEvent(world.context, world.owner, event.eventId)).toBe(3);
});
