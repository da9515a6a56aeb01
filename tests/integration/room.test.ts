import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import type { CommandBody } from "@/contracts";
import type { Actor } from "@/core/people";
import { minuteMs } from "@/core/time";
import { ballots, connections, occurrences, polls } from "@/server/db/schema";
import { Hub } from "@/server/live/hub";
import type { Sink } from "@/server/live/connection";
import { silentLog } from "@/server/platform/log";
import { sendDue } from "@/server/services/mail/deliver";
import { admitToHouse, closeLost, openConnection, SignBook } from "@/server/services/presence";
import { execute, journalLength, RoomCache, roomOf } from "@/server/services/room-commands";
import { castBallot, voteQuestion } from "@/server/services/room-facts";
import { saveRunSheet } from "@/server/services/run-sheets";
import { sweepDates } from "@/server/services/sweep";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let producerId: string;
const producer: Actor = { role: "producer", duties: [] };
const attendee: Actor = { role: "attendee", duties: [] };

beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const run = (command: CommandBody, commandId = randomUUID(), cache: RoomCache = world.cache) =>
  execute(
    world.context,
    cache,
    { actorId: producerId, actor: producer, occurrenceId: event.occurrenceId },
    { commandId, command },
  );
const guest = (actorId: string) => ({
  actorId,
  organisationId: world.organisationId,
  actor: attendee,
  occurrenceId: event.occurrenceId,
});

async function openRoom(houseSize = 100): Promise<void> {
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  event = await makeEvent(world, { houseSize });
  producerId = await addTicket(world, event, "producer", "Second Producer");
  await run({ type: "stage.enter" });
}
const connect = async (ticketId: string, role: "attendee" | "test-guest" | "panelist" = "attendee") =>
  openConnection(world.context, {
    organisationId: world.organisationId,
    occurrenceId: event.occurrenceId,
    ticketId,
    role,
    device: "computer",
    mayReturn: true,
  });

describe("the journalled room", () => {
  it("changes nothing twice for a repeated command, and answers it alike", async () => {
    await openRoom();
    const id = randomUUID();
    const first = await run({ type: "doors.open" }, id);
    expect(await run({ type: "doors.open" }, id)).toEqual(first);
    expect(await journalLength(world.context.db, event.occurrenceId)).toBe(first.seq);
    await expect(run({ type: "doors.open" })).rejects.toMatchObject({ failure: { code: "wrong-state" } });
  });

  it("lets one of two simultaneous cues through, from two processes", async () => {
    await openRoom();
    const other = new RoomCache();
    const segment = (title: string) => ({
      id: randomUUID(),
      title,
      lengthMinutes: 20,
      fixedStartLocal: null,
      leaderTicketId: null,
      pollId: null,
    });
    const [first, second] = [segment("First"), segment("Second")];
    await saveRunSheet(world.context, world.owner, event.eventId, { segments: [first, second], polls: [], parts: [] });
    const pressed = await Promise.allSettled([
      run({ type: "cue.next", leavingSegmentId: null }),
      run({ type: "cue.next", leavingSegmentId: null }, randomUUID(), other),
    ]);
    expect(pressed.filter((one) => one.status === "rejected")).toMatchObject([
      { reason: { failure: { code: "cue-moved", currentSegmentId: first.id } } },
    ]);
    expect((await roomOf(world.context.db, event.occurrenceId)).cues.map((cue) => cue.segmentId)).toEqual([first.id]);
    const doors = await Promise.allSettled([
      run({ type: "doors.open" }),
      run({ type: "doors.open" }, randomUUID(), other),
    ]);
    expect(doors.filter((one) => one.status === "fulfilled")).toHaveLength(1);
    expect((await roomOf(world.context.db, event.occurrenceId)).phase).toBe("open");
  });

  it("lets the foyer in with the doors as far as seats go; those who dropped out come back first", async () => {
    await openRoom(2);
    const [a, b, c, tester] = [
      await addTicket(world, event, "attendee", "A"),
      await addTicket(world, event, "attendee", "B"),
      await addTicket(world, event, "attendee", "C"),
      await addTicket(world, event, "test-guest", "T"),
    ];
    for (const id of [a, b, c]) {
      await connect(id);
      world.clock.advance(1000);
    }
    await connect(tester, "test-guest");
    await run({ type: "doors.open" });
    const inside = async () =>
      (await world.context.db.select().from(connections).where(eq(connections.occurrenceId, event.occurrenceId)))
        .filter((row) => row.houseFromAt !== null && row.outAt === null)
        .map((row) => row.ticketId);
    expect((await inside()).sort()).toEqual([a, b, tester].sort());
    expect(await admitToHouse(world.context, event.occurrenceId)).toBe(0);
    // A goes: C gets the seat; A comes back and waits for the next one
    await world.context.db.update(connections).set({ outAt: world.clock.now() }).where(eq(connections.ticketId, a));
    expect(await admitToHouse(world.context, event.occurrenceId)).toBe(1);
    expect(await inside()).toContain(c);
  });

  it("counts one ballot a person, changeable, none for a closed poll, right under many at once", async () => {
    await openRoom();
    await run({ type: "doors.open" });
    const pollId = randomUUID();
    await run({ type: "poll.add", question: "Tide?", options: ["in", "out"] }, pollId);
    const voters = await Promise.all(
      Array.from({ length: 40 }, (_, i) => addTicket(world, event, "attendee", `V${i}`)),
    );
    await expect(castBallot(world.context, guest(voters[0]!), pollId, "o1")).rejects.toMatchObject({
      failure: { code: "poll-not-open" },
    });
    await run({ type: "poll.open", pollId });
    await Promise.all(
      voters.flatMap((id) => [
        castBallot(world.context, guest(id), pollId, "o1"),
        castBallot(world.context, guest(id), pollId, "o1"),
      ]),
    );
    await castBallot(world.context, guest(voters[0]!), pollId, "o2");
    await expect(castBallot(world.context, guest(voters[1]!), pollId, "o9")).rejects.toMatchObject({
      failure: { code: "no-such-option" },
    });
    const cast = await world.context.db.select().from(ballots).where(eq(ballots.pollId, pollId));
    expect([cast.length, cast.filter((one) => one.optionId === "o2").length]).toEqual([40, 1]);
    await run({ type: "poll.close", pollId });
    await expect(castBallot(world.context, guest(voters[2]!), pollId, "o2")).rejects.toMatchObject({
      failure: { code: "poll-not-open" },
    });
    expect((await world.context.db.select().from(polls).where(eq(polls.id, pollId)))[0]).toMatchObject({
      state: "closed",
    });
  });

  it("takes votes for questions of others only", async () => {
    await openRoom();
    await run({ type: "doors.open" });
    const [asker, voter] = [
      await addTicket(world, event, "attendee", "Asker"),
      await addTicket(world, event, "attendee", "Voter"),
    ];
    const questionId = randomUUID();
    await execute(world.context, world.cache, guest(asker), {
      commandId: questionId,
      command: { type: "question.ask", text: "How high?", segmentId: null },
    });
    await voteQuestion(world.context, guest(voter), questionId, true);
    await expect(voteQuestion(world.context, guest(asker), questionId, true)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    const body = JSON.stringify(await roomOf(world.context.db, event.occurrenceId));
    expect(body).not.toContain("How high?");
  });

  it("mails the answer to a question that was put off for later, once, and none that was answered in the room", async () => {
    await openRoom();
    await run({ type: "doors.open" });
    const asker = await addTicket(world, event, "attendee", "Asker");
    const ask = async (text: string) => {
      const questionId = randomUUID();
      await execute(world.context, world.cache, guest(asker), {
        commandId: questionId,
        command: { type: "question.ask", text, segmentId: null },
      });
      return questionId;
    };
    const [now, later] = [await ask("Now?"), await ask("Later?")];
    await run({ type: "question.answer", questionId: now, how: "to-one", text: "Here and now." });
    await run({ type: "question.move", questionId: later, state: "later", segmentId: null });
    await run({ type: "date.end" });
    const commandId = randomUUID();
    await run({ type: "question.answer", questionId: later, how: "to-one", text: "After <all>." }, commandId);
    await run({ type: "question.answer", questionId: later, how: "to-one", text: "After <all>." }, commandId);
    await sendDue(world.context);
    const [mail, ...more] = world.sent.splice(0);
    expect(more).toEqual([]);
    expect(mail!.text).toContain("Later?\n\nThe answer:\n\nAfter <all>.");
    expect(mail!.html).toContain("After &lt;all&gt;.");
  });

  it("ends a date left by all half an hour later, the curtain having fallen when they left; signs of life close what was lost", async () => {
    await openRoom();
    const panelist = await addTicket(world, event, "panelist", "P");
    const { connectionId } = await connect(panelist, "panelist");
    await run({ type: "doors.open" });
    await run({ type: "curtain.raise" });
    world.clock.advance(10 * minuteMs);
    const book = new SignBook(world.context);
    book.sign(connectionId);
    await book.flush();
    const leftAt = world.clock.now();
    world.clock.advance(minuteMs);
    await closeLost(world.context);
    world.clock.set(leftAt + 29 * minuteMs);
    await sweepDates(world.context);
    expect((await roomOf(world.context.db, event.occurrenceId)).phase).toBe("open");
    world.clock.set(leftAt + 30 * minuteMs);
    await sweepDates(world.context);
    await sweepDates(world.context);
    const room = await roomOf(world.context.db, event.occurrenceId);
    expect(room).toMatchObject({ phase: "ended", endedAt: leftAt });
    expect(room.curtainSpans[0]!.droppedAt).toBe(leftAt);
  });

  it("marks a date whose doors never opened as not held six hours after its end", async () => {
    await openRoom();
    world.clock.set(Date.parse("2026-11-27T01:00:00Z"));
    await sweepDates(world.context);
    const [row] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
    expect(row!.phase).toBe("not-held");
  });
});

/** A stream's far end that keeps what it was sent. */
function ear() {
  const heard: {
    event: string;
    data: { seq?: number; view?: { status: Record<string, { phase: string }> }; changes?: [string, string, unknown][] };
  }[] = [];
  const sink: Sink = {
    write(bytes) {
      const text = new TextDecoder().decode(bytes);
      const name = /^event: (.*)$/m.exec(text)?.[1];
      if (name) heard.push({ event: name, data: JSON.parse(/^data: (.*)$/m.exec(text)![1]!) });
      return true;
    },
    end: () => {},
  };
  const until = async (what: (one: (typeof heard)[number]) => boolean) => {
    for (let i = 0; i < 200; i += 1) {
      const hit = heard.find(what);
      if (hit) return hit;
      await new Promise((done) => setTimeout(done, 25));
    }
    throw new Error(`never heard; got ${heard.map((one) => one.event).join(" ")}`);
  };
  return { heard, sink, until };
}

describe("two processes on one database", () => {
  const makeHub = () =>
    new Hub({
      db: world.context.db,
      databaseUrl: world.databaseUrl,
      clock: world.clock,
      log: silentLog,
      admit: (id) => admitToHouse(world.context, id),
      rightsChanged: () => {},
      flushPresence: async () => {},
    });

  it("serve one room: a command given at one is seen at the other; a stream resumes where it stood", async () => {
    await openRoom();
    const [here, there] = [makeHub(), makeHub()];
    try {
      const watcher = await addTicket(world, event, "attendee", "W");
      const joinAs = async (
        hub: Hub,
        ticketId: string,
        role: "attendee" | "panelist",
        resume: { after: number; roleClass: "stage" } | null = null,
      ) => {
        const { connectionId, isInside } = await connect(ticketId, role);
        const end = ear();
        const leave = await hub.join({
          occurrenceId: event.occurrenceId,
          connectionId,
          ticketId,
          wanted: "own",
          isInside,
          resume,
          sink: end.sink,
        });
        return { ...end, leave };
      };
      const inFoyer = await joinAs(here, watcher, "attendee");
      const onStage = await joinAs(there, await addTicket(world, event, "panelist", "S"), "panelist");
      expect((await inFoyer.until((one) => one.event === "snapshot")).data.view!.status["it"]!.phase).toBe("backstage");
      const { seq } = await run({ type: "doors.open" });
      await onStage.until((one) => one.event === "change" && one.data.seq === seq);
      const inside = await inFoyer.until((one) => one.event === "snapshot" && "cast" in (one.data.view ?? {}));
      expect(inside.data.view!.status["it"]!.phase).toBe("open");
      onStage.leave();
      await run({ type: "curtain.raise" });
      const second = await joinAs(there, await addTicket(world, event, "panelist", "S2"), "panelist", {
        after: seq,
        roleClass: "stage",
      });
      await second.until((one) => one.event === "change" || one.event === "snapshot");
      expect(second.heard.some((one) => one.event === "personal")).toBe(true);
    } finally {
      await here.close();
      await there.close();
    }
  });
});
