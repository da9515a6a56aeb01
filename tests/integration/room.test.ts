import { onePoll, oneVote } from "../support/polls";
import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import type { CommandBody } from "@/contracts";
import type { Actor } from "@/core/people";
import { minuteMs } from "@/core/time";
import { ballots, stays, occurrences, polls } from "@/server/db/schema";
import { sendDue } from "@/server/services/mailings/deliver";
import { admitToHouse, closeLost, openConnection, SignBook } from "@/server/services/hour/presence";
import { executeWhole as execute, journalLength, RoomCache, roomOf } from "@/server/services/ground/room/commands";
import { bringFact } from "@/server/services/hour/facts";
import { saveRunSheet } from "@/server/services/planning/run-sheets";
import { sweepDates } from "@/server/services/outside/sweep";
import { addTicket, makeEvent, makeWorld, seat, type MadeEvent, type World } from "../support/world";

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
    mayReturn: "ask",
    stagePlace: "ask",
  });

describe("the journalled room", () => {
  it("changes nothing twice for a repeated command, and answers it alike", async () => {
    await openRoom();
    const id = randomUUID();
    const first = await run({ type: "hour.open-doors" }, id);
    expect(await run({ type: "hour.open-doors" }, id)).toEqual({ ...first, done: null });
    expect(await journalLength(world.context.db, event.occurrenceId)).toBe(first.seq);
    await expect(run({ type: "hour.open-doors" })).rejects.toMatchObject({ failure: { code: "wrong-state" } });
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
      run({ type: "cues.next", leavingSegmentId: null }),
      run({ type: "cues.next", leavingSegmentId: null }, randomUUID(), other),
    ]);
    expect(pressed.filter((one) => one.status === "rejected")).toMatchObject([
      { reason: { failure: { code: "cue-moved", currentSegmentId: first.id } } },
    ]);
    expect((await roomOf(world.context.db, event.occurrenceId)).cues.given.map((cue) => cue.segmentId)).toEqual([
      first.id,
    ]);
    const doors = await Promise.allSettled([
      run({ type: "hour.open-doors" }),
      run({ type: "hour.open-doors" }, randomUUID(), other),
    ]);
    expect(doors.filter((one) => one.status === "fulfilled")).toHaveLength(1);
    expect((await roomOf(world.context.db, event.occurrenceId)).hour.phase).toBe("open");
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
    await run({ type: "hour.open-doors" });
    const inside = async () =>
      (await world.context.db.select().from(stays).where(eq(stays.occurrenceId, event.occurrenceId)))
        .filter((row) => row.place !== "foyer" && row.toAt === null)
        .map((row) => row.ticketId);
    expect((await inside()).sort()).toEqual([a, b, tester].sort());
    expect(await admitToHouse(world.context, event.occurrenceId)).toBe(0);
    // A goes: C gets the seat; A comes back and waits for the next one
    await world.context.db.update(stays).set({ toAt: world.clock.now() }).where(eq(stays.ticketId, a));
    expect(await admitToHouse(world.context, event.occurrenceId)).toBe(1);
    expect(await inside()).toContain(c);
  });

  it("counts one ballot a person, changeable, none for a closed poll, right under many at once", async () => {
    await openRoom();
    await run({ type: "hour.open-doors" });
    const pollId = randomUUID();
    await run({ type: "polls.add", poll: onePoll("Tide?", ["in", "out"]) }, pollId);
    const voters = await Promise.all(
      Array.from({ length: 40 }, (_, i) => addTicket(world, event, "attendee", `V${i}`)),
    );
    for (const id of voters) await seat(world, event, id);
    await expect(bringFact(world.context, guest(voters[0]!), oneVote(pollId, "o1"))).rejects.toMatchObject({
      failure: { code: "poll-not-open" },
    });
    await run({ type: "polls.open", pollId });
    await Promise.all(
      voters.flatMap((id) => [
        bringFact(world.context, guest(id), oneVote(pollId, "o1")),
        bringFact(world.context, guest(id), oneVote(pollId, "o1")),
      ]),
    );
    await bringFact(world.context, guest(voters[0]!), oneVote(pollId, "o2"));
    await expect(bringFact(world.context, guest(voters[1]!), oneVote(pollId, "o9"))).rejects.toMatchObject({
      failure: { code: "no-such-option" },
    });
    const cast = await world.context.db.select().from(ballots).where(eq(ballots.pollId, pollId));
    expect([cast.length, cast.filter((one) => one.choice[0] === "o2").length]).toEqual([40, 1]);
    await run({ type: "polls.close", pollId });
    await expect(bringFact(world.context, guest(voters[2]!), oneVote(pollId, "o2"))).rejects.toMatchObject({
      failure: { code: "poll-not-open" },
    });
    expect((await world.context.db.select().from(polls).where(eq(polls.id, pollId)))[0]).toMatchObject({
      state: "closed",
    });
  });

  it("takes votes for questions of others only", async () => {
    await openRoom();
    await run({ type: "hour.open-doors" });
    const [asker, voter] = [
      await addTicket(world, event, "attendee", "Asker"),
      await addTicket(world, event, "attendee", "Voter"),
    ];
    for (const id of [asker, voter]) await seat(world, event, id);
    const questionId = randomUUID();
    await execute(world.context, world.cache, guest(asker), {
      commandId: questionId,
      command: { type: "questions.ask", text: "How high?", segmentId: null },
    });
    await bringFact(world.context, guest(voter), { type: "questions.vote", questionId: questionId, isFor: true });
    await expect(
      bringFact(world.context, guest(asker), { type: "questions.vote", questionId: questionId, isFor: true }),
    ).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    const body = JSON.stringify(await roomOf(world.context.db, event.occurrenceId));
    expect(body).not.toContain("How high?");
  });

  it("mails the answer to a question that was put off for later, once, and none that was answered in the room", async () => {
    await openRoom();
    await run({ type: "hour.open-doors" });
    const asker = await addTicket(world, event, "attendee", "Asker");
    const ask = async (text: string) => {
      const questionId = randomUUID();
      await execute(world.context, world.cache, guest(asker), {
        commandId: questionId,
        command: { type: "questions.ask", text, segmentId: null },
      });
      return questionId;
    };
    const [now, later] = [await ask("Now?"), await ask("Later?")];
    await run({ type: "questions.answer", questionId: now, how: "to-one", text: "Here and now." });
    await run({ type: "questions.move", questionId: later, state: "later", segmentId: null });
    await run({ type: "hour.end" });
    const commandId = randomUUID();
    await run({ type: "questions.answer", questionId: later, how: "to-one", text: "After <all>." }, commandId);
    await run({ type: "questions.answer", questionId: later, how: "to-one", text: "After <all>." }, commandId);
    // answers that are written soon after one another go in one mail
    world.clock.advance(10 * 60_000);
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
    await run({ type: "hour.open-doors" });
    await run({ type: "hour.raise-curtain" });
    world.clock.advance(10 * minuteMs);
    const book = new SignBook(world.context);
    book.sign(connectionId);
    await book.flush();
    const leftAt = world.clock.now();
    world.clock.advance(minuteMs);
    await closeLost(world.context);
    world.clock.set(leftAt + 29 * minuteMs);
    await sweepDates(world.context);
    expect((await roomOf(world.context.db, event.occurrenceId)).hour.phase).toBe("open");
    world.clock.set(leftAt + 30 * minuteMs);
    await sweepDates(world.context);
    await sweepDates(world.context);
    const room = await roomOf(world.context.db, event.occurrenceId);
    expect(room.hour).toMatchObject({ phase: "ended", endedAt: leftAt });
    expect(room.hour.curtainSpans[0]!.droppedAt).toBe(leftAt);
  });

  it("marks a date whose doors never opened as not held six hours after its end", async () => {
    await openRoom();
    world.clock.set(Date.parse("2026-11-27T01:00:00Z"));
    await sweepDates(world.context);
    const [row] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
    expect(row!.phase).toBe("not-held");
  });
});
