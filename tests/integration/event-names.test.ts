import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { events, occurrences } from "@/server/db/schema";
import type { Ids } from "@/server/platform/ids";
import { createEvent } from "@/server/services/planning/events";
import { goodPlan, makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

/** Makes an event where chance gives just these letters and digits, one after the other; the last again and again. */
async function madeWith(
  chance: Partial<Record<"code" | "digits", string[]>>,
  part: Parameters<typeof goodPlan>[0] = {},
) {
  const next = (list: string[]) => (list.length > 1 ? list.shift()! : list[0]!);
  const ids: Ids = {
    ...world.context.ids,
    ...(chance.code ? { code: () => next(chance.code!) } : {}),
    ...(chance.digits ? { digits: () => next(chance.digits!) } : {}),
  };
  const { eventId } = await createEvent({ ...world.context, ids }, world.owner, goodPlan(part));
  const [event] = await world.context.db.select().from(events).where(eq(events.id, eventId));
  return event!;
}

describe("names that chance makes of an event", () => {
  it("are made anew where another event has them: two of one title never share an address", async () => {
    const first = await madeWith({ code: ["abcd"] });
    const second = await madeWith({ code: ["abcd", "abcd", "efgh"] });
    expect(first.slug).toMatch(/-abcd$/);
    expect(second.slug).toBe(first.slug.replace("abcd", "efgh"));
    // the same letters behind another title are no matter
    const other = await madeWith({ code: ["abcd"] }, { title: "The count" });
    expect(other.slug).toMatch(/-abcd$/);
  });
  it("as a room's code and a number on the phone too", async () => {
    const standing = { shape: "standing" as const };
    const first = await madeWith({ code: ["slug", "room22"] }, standing);
    const second = await madeWith({ code: ["slag", "room22", "slog", "room33"] }, standing);
    expect([first.roomCode, second.roomCode]).toEqual(["room22", "room33"]);
    const phone = { soundBy: "both" as const };
    const third = await madeWith({ digits: ["123456789"] }, phone);
    const fourth = await madeWith({ digits: ["123456789", "223456789"] }, phone);
    expect([third.conferenceNumber, fourth.conferenceNumber]).toEqual(["123456789", "223456789"]);
  });
  it("that are all taken make no half event", async () => {
    const { db } = world.context;
    const counts = async () => [await db.$count(events), await db.$count(occurrences)];
    const before = await counts();
    await expect(madeWith({ code: ["abcd"] })).rejects.toThrow("no free name");
    expect(await counts()).toEqual(before);
  });
});
