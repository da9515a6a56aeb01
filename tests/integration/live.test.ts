import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import type { CommandBody } from "@/contracts";
import { events, stays, tickets } from "@/server/db/schema";
import { notifyJournal } from "@/server/db/notify";
import { execute, type Executed } from "@/server/services/ground/room/commands";
import type { Hub } from "@/server/live/hub";
import { freshened, loadDirectory } from "@/server/room";
import { joinAs, makeHub } from "../support/hub";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let producerId: string;
let hubs: Hub[] = [];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  event = await makeEvent(world, { houseSize: 100 });
  producerId = await addTicket(world, event, "producer", "Second Producer");
  await run({ type: "stage.enter" });
});
const hub = () => {
  const made = makeHub(world);
  hubs.push(made);
  return made;
};
const closeAll = async () => {
  for (const one of hubs) await one.close();
  hubs = [];
};
const run = (command: CommandBody): Promise<Executed> => {
  const who = {
    actorId: producerId,
    actor: { role: "producer" as const, duties: [] },
    occurrenceId: event.occurrenceId,
  };
  return execute(world.context, world.cache, who, { commandId: randomUUID(), command });
};

describe("two processes on one database", () => {
  it("pass on what is said in passing: to the stage in both, the last word alone, never to the house, kept nowhere", async () => {
    const [here, there] = [hub(), hub()];
    try {
      const guest = await addTicket(world, event, "attendee", "House");
      const speaker = await addTicket(world, event, "panelist", "Speaks");
      const house = await joinAs(world, here, event, guest, "attendee");
      await run({ type: "hour.open-doors" });
      const near = await joinAs(world, here, event, speaker, "panelist");
      const far = await joinAs(world, there, event, await addTicket(world, event, "panelist", "Far"), "panelist");
      await house.until((one) => one.event === "follow" && one.data.topics.includes("hour:house"));
      for (const level of [10, 70]) here.whispered(event.occurrenceId, speaker, { type: "stage.level", level });
      for (const one of [near, far]) {
        const heard = await one.until(({ event: name }) => name === "whispers");
        expect(heard.data).toEqual({ topic: "stage.level", said: [[speaker, { type: "stage.level", level: 70 }]] });
      }
      expect(house.heard.filter((one) => one.event === "whispers")).toEqual([]);
      expect(house.heard.flatMap((one) => (one.event === "follow" ? one.data.topics : []))).not.toContain(
        "stage.level",
      );
      const late = await joinAs(world, there, event, speaker, "panelist");
      await late.until((one) => one.event === "snapshot");
      expect(late.heard.filter((one) => one.event === "whispers")).toEqual([]);
    } finally {
      await closeAll();
    }
  });

  it("serve one room: a command given at one is seen at the other, and people let in get the house's feeds", async () => {
    const [here, there] = [hub(), hub()];
    try {
      const foyer = await joinAs(world, here, event, await addTicket(world, event, "attendee", "W"), "attendee");
      const stage = await joinAs(world, there, event, await addTicket(world, event, "panelist", "S"), "panelist");
      const topics = (one: (typeof foyer.heard)[number]) => (one.event === "follow" ? one.data.topics : []);
      expect(topics(foyer.heard[0]!)).toEqual(["hour:foyer", "look:room", "recording:room"]);
      await run({ type: "hour.open-doors" });
      await stage.until((one) => one.event === "change" && one.data.topic === "hour:stage");
      await foyer.until((one) => topics(one).includes("hour:house"));
      await foyer.until((one) => one.event === "snapshot" && one.data.topic === "questions:house");
    } finally {
      await closeAll();
    }
  });

  it("publish what they executed themselves at once, the same bytes to all who follow the same", async () => {
    const here = hub();
    try {
      const first = await joinAs(world, here, event, await addTicket(world, event, "panelist", "S"), "panelist");
      const second = await joinAs(world, here, event, await addTicket(world, event, "panelist", "T"), "panelist");
      const before = second.writes.length;
      const { done } = await run({ type: "hour.open-doors" });
      await here.published(event.occurrenceId, done);
      expect(second.writes.length).toBeGreaterThan(before);
      const last = (one: typeof first) =>
        one.writes.find((bytes) => Buffer.from(bytes).includes("hour:stage") && Buffer.from(bytes).includes("change"));
      expect(last(first)).toBe(last(second));
    } finally {
      await closeAll();
    }
  });
});

describe("whoever comes", () => {
  it("begins with their own part and the pictures in one write; what changes while they come is told after it", async () => {
    const here = hub();
    try {
      await run({ type: "hour.open-doors" });
      const guest = await addTicket(world, event, "attendee", "Ines");
      const first = await joinAs(world, here, event, guest, "attendee");
      const text = Buffer.from(first.writes[0]!).toString();
      for (const name of ["follow", "personal", "snapshot"]) expect(text).toContain(`event: ${name}\n`);
      const own = first.heard.find((one) => one.event === "personal")!.data as { me: { name: string; own: object } };
      expect(own.me).toMatchObject({ name: "Ines", own: { questions: { asked: [], votes: [] } } });
      // a second device comes while the first one asks
      const coming = joinAs(world, here, event, guest, "attendee");
      const who = {
        actorId: guest,
        actor: { role: "attendee" as const, duties: [] },
        occurrenceId: event.occurrenceId,
      };
      const command = { type: "questions.ask" as const, text: "How deep?", segmentId: null, isAnonymous: false };
      const { done } = await execute(world.context, world.cache, who, { commandId: randomUUID(), command });
      await here.published(event.occurrenceId, done);
      const second = await coming;
      await second.until((one) => one.event === "personal" && JSON.stringify(one.data.me).includes("How deep?"));
    } finally {
      await closeAll();
    }
  });
});

describe("a stream that comes back", () => {
  it("gets what it missed of a feed of this life, and the whole of a feed of another: no position counts for a feed born since", async () => {
    const here = hub();
    try {
      const ticketId = await addTicket(world, event, "panelist", "S");
      const watcher = await joinAs(world, here, event, await addTicket(world, event, "panelist", "K"), "panelist");
      const first = await joinAs(world, here, event, ticketId, "panelist");
      const seen = new Map<string, { epoch: string; n: number }>();
      for (const { event: name, data } of first.heard) {
        if (name === "snapshot") seen.set(data.topic, { epoch: data.epoch, n: data.n });
      }
      first.leave();
      const { done } = await run({ type: "hour.open-doors" });
      await here.published(event.occurrenceId, done);
      await watcher.until((one) => one.event === "change" && one.data.topic === "hour:stage");
      const back = await joinAs(world, here, event, ticketId, "panelist", { have: seen });
      expect(back.heard.some((one) => one.event === "snapshot" && one.data.topic === "hour:stage")).toBe(false);
      expect(back.heard.some((one) => one.event === "change" && one.data.topic === "hour:stage")).toBe(true);
      // after a restart the counters begin anew: an old position must not be taken for a new one
      const after = await joinAs(world, hub(), event, ticketId, "panelist", { have: seen });
      expect(after.heard.filter((one) => one.event === "snapshot")).toHaveLength(seen.size);
    } finally {
      await closeAll();
    }
  });
});

describe("who loses their right", () => {
  it("is shown out with every stream at once, and barred until let back", async () => {
    const here = hub();
    try {
      await run({ type: "hour.open-doors" });
      const guest = await addTicket(world, event, "attendee", "Loud");
      const streams = [
        await joinAs(world, here, event, guest, "attendee"),
        await joinAs(world, here, event, guest, "attendee"),
      ];
      const { done } = await run({ type: "hour.show-out", ticketId: guest });
      await here.published(event.occurrenceId, done);
      for (const one of streams)
        await one.until(({ event: name, data }) => name === "closed" && data.why === "shown-out");
      const rows = await world.context.db.select().from(stays).where(eq(stays.ticketId, guest));
      expect(rows.every((row) => row.toAt !== null)).toBe(true);
      await expect(joinAs(world, here, event, guest, "attendee")).rejects.toMatchObject({
        failure: { code: "barred" },
      });
      await here.published(event.occurrenceId, (await run({ type: "hour.let-back", ticketId: guest })).done);
      await joinAs(world, here, event, guest, "attendee");
    } finally {
      await closeAll();
    }
  });

  it("loses the desk with the duty: a demoted member's desk does not stay open", async () => {
    const here = hub();
    try {
      const crew = await addTicket(world, event, "producer", "Nuno");
      const desk = await joinAs(world, here, event, crew, "producer", { wantsDesk: true });
      await world.context.db.update(tickets).set({ role: "panelist" }).where(eq(tickets.id, crew));
      await notifyJournal(world.context.db, event.occurrenceId);
      await desk.until((one) => one.event === "closed");
    } finally {
      await closeAll();
    }
  });

  it("has four streams at the most", async () => {
    const here = hub();
    try {
      const guest = await addTicket(world, event, "attendee", "Many tabs");
      for (let i = 0; i < 4; i += 1) await joinAs(world, here, event, guest, "attendee");
      await expect(joinAs(world, here, event, guest, "attendee")).rejects.toMatchObject({
        failure: { code: "too-many-streams" },
      });
    } finally {
      await closeAll();
    }
  });
});

describe("one's own part", () => {
  it("comes soon after the stream, and again with every change of one's place", async () => {
    const here = hub();
    try {
      const ticketId = await addTicket(world, event, "panelist", "Leira");
      const stage = await joinAs(world, here, event, ticketId, "panelist");
      await stage.until((one) => one.event === "personal" && one.data.me.place === "backstage");
      await here.published(event.occurrenceId, (await run({ type: "stage.move", ticketId, place: "stage" })).done);
      await stage.until((one) => one.event === "personal" && one.data.me.place === "stage");
    } finally {
      await closeAll();
    }
  });
});

describe("the words of a room", () => {
  it("lose nothing where two read at once: somebody comes while an edit is being read", async () => {
    const { db } = world.context;
    const of = { occurrenceId: event.occurrenceId, eventId: event.eventId };
    const known = (await loadDirectory(db, event.occurrenceId))!.words;
    const comes = await addTicket(world, event, "attendee", "Comes Now");
    await db.update(events).set({ title: "Tides, edited" }).where(eq(events.id, event.eventId));
    const [person, edit] = await Promise.all([
      freshened(db, of, known, [{ part: "people", ids: [comes] }]),
      freshened(db, of, known, [{ part: "event" }]),
    ]);
    for (const words of [person(edit(known)), edit(person(known))]) {
      expect(words.event.title).toBe("Tides, edited");
      expect(words.people.get(comes)?.name).toBe("Comes Now");
    }
  });
  it("keep whoever registers and comes while everybody is being read, and let go of whoever left the list", async () => {
    const { db } = world.context;
    const of = { occurrenceId: event.occurrenceId, eventId: event.eventId };
    const goes = await addTicket(world, event, "attendee", "Goes");
    const known = (await loadDirectory(db, event.occurrenceId))!.words;
    await db.update(tickets).set({ revokedAt: world.clock.now() }).where(eq(tickets.id, goes));
    const everybody = await freshened(db, of, known, [{ part: "people" }]);
    const comes = await addTicket(world, event, "attendee", "Comes Meanwhile");
    const person = await freshened(db, of, known, [{ part: "people", ids: [comes] }]);
    const words = everybody(person(known));
    expect([words.people.get(comes)?.name, words.people.has(goes)]).toEqual(["Comes Meanwhile", false]);
  });
});
