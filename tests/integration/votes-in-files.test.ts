import { onePoll, oneVote } from "../support/polls";
import { randomUUID } from "node:crypto";
import { parse } from "csv-parse/sync";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { CommandBody } from "@/contracts";
import type { Actor } from "@/core/people";
import { loadFigures } from "@/server/room";
import { register } from "@/server/services/way-in/registration";
import { eventAccess } from "@/server/services/ground/access";
import { datesOf } from "@/server/services/planning/dates/load";
import { afterwards, ballotCounts } from "@/server/services/afterwards/summary";
import type { DateFile } from "@/server/services/afterwards/date-files";
import { dateFile, eventFile } from "@/server/services/afterwards/exports";
import { executeWhole as execute } from "@/server/services/ground/room/commands";
import { bringFact } from "@/server/services/hour/facts";
import { addTicket, makeEvent, makeWorld, seat, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let producerId: string;
/** of scales, rankings, quizzes and samples alone */
const noFigures = { mean: "", median: "", points: "", right: "", low: "", high: "" };
const pollId = randomUUID();
const [highTide, inWriting, unseen] = [randomUUID(), randomUUID(), randomUUID()];
const voters: string[] = [];
let testGuest: string;

const attendee: Actor = { role: "attendee", duties: [] };
const tester: Actor = { role: "test-guest", duties: [] };
const run = (command: CommandBody, commandId = randomUUID()) =>
  execute(
    world.context,
    world.cache,
    { actorId: producerId, actor: { role: "producer", duties: [] }, occurrenceId: event.occurrenceId },
    { commandId, command },
  );
const as = (actorId: string, actor = attendee) => ({
  actorId,
  organisationId: world.organisationId,
  actor,
  occurrenceId: event.occurrenceId,
});
const ask = (who: string, id: string, text: string) =>
  execute(world.context, world.cache, as(who), {
    commandId: id,
    command: { type: "questions.ask", text, segmentId: null },
  });
const rowsOf = async (file: DateFile) =>
  parse(await dateFile(world.context, world.owner, event.eventId, event.occurrenceId, file), {
    bom: true,
    columns: true,
  }) as Record<string, string>[];

/** An hour with three voters and a test guest, who votes for everything. */
beforeAll(async () => {
  world = await makeWorld();
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  event = await makeEvent(world);
  producerId = await addTicket(world, event, "producer", "Second Producer");
  for (const name of ["Ines Marl", "Oskar Vell", "=HYPERLINK(1)"])
    voters.push(await addTicket(world, event, "attendee", name));
  testGuest = await addTicket(world, event, "test-guest", "Test guest");
  for (const id of voters) await seat(world, event, id);
  await seat(world, event, testGuest, "test-guest");
  await run({ type: "stage.enter" });
  await run({ type: "hour.open-doors" });
  await run({ type: "polls.add", poll: onePoll('Tide, in "or" out?', ["in", "out, far"]) }, pollId);
  await run({ type: "polls.open", pollId });
  await bringFact(world.context, as(voters[0]!), oneVote(pollId, "o1"));
  world.clock.advance(1000);
  await bringFact(world.context, as(voters[1]!), oneVote(pollId, "o2"));
  await bringFact(world.context, as(voters[2]!), oneVote(pollId, "o2"));
  await bringFact(world.context, as(testGuest, tester), oneVote(pollId, "o1"));
  await ask(voters[0]!, highTide, "How high,\nand when?");
  world.clock.advance(1000);
  await ask(voters[1]!, inWriting, "=1+1");
  world.clock.advance(1000);
  await ask(voters[1]!, unseen, "Later perhaps");
  for (const id of [voters[1]!, voters[2]!])
    await bringFact(world.context, as(id), { type: "questions.vote", questionId: highTide, isFor: true });
  await bringFact(world.context, as(testGuest, tester), { type: "questions.vote", questionId: highTide, isFor: true });
  await bringFact(world.context, as(voters[2]!), { type: "questions.vote", questionId: inWriting, isFor: true });
  await bringFact(world.context, as(voters[2]!), { type: "questions.vote", questionId: inWriting, isFor: false });
  await run({ type: "questions.move", questionId: highTide, state: "on-stage", segmentId: null });
  await run({ type: "questions.answer", questionId: highTide, how: "aloud", text: null });
  await run({ type: "questions.answer", questionId: inWriting, how: "to-one", text: 'Two; "=" is kept' });
});
afterAll(() => world.close());

describe("polls and ballots as files", () => {
  it("say each option's votes, its share with one decimal, and the voters; a test guest counts in none", async () => {
    expect(await rowsOf("polls")).toEqual([
      {
        poll: "1",
        kind: "one-choice",
        question: 'Tide, in "or" out?',
        option: "in",
        votes: "1",
        percent: "33.3",
        voters: "3",
        ...noFigures,
      },
      {
        poll: "1",
        kind: "one-choice",
        question: 'Tide, in "or" out?',
        option: "out, far",
        votes: "2",
        percent: "66.7",
        voters: "3",
        ...noFigures,
      },
    ]);
    expect((await ballotCounts(world.context, event.occurrenceId)).get(pollId)).toEqual({
      q1: { voters: 3, counts: { o1: 1, o2: 2 } },
    });
  });

  it("say who chose what and when, in the order in which it came", async () => {
    const rows = await rowsOf("ballots");
    expect(rows.map((row) => [row["name"], row["choice"]]).sort()).toEqual([
      ["'=HYPERLINK(1)", "out, far"],
      ["Ines Marl", "in"],
      ["Oskar Vell", "out, far"],
    ]);
    expect(rows[0]).toMatchObject({ poll: "1", name: "Ines Marl", at: "2026-11-26T17:50:00Z" });
    expect(rows.every((row) => /@example\.org$/.test(row["email"]!))).toBe(true);
  });

  it("change with a changed ballot, and never hold two of one person", async () => {
    await bringFact(world.context, as(voters[0]!), oneVote(pollId, "o2"));
    expect((await rowsOf("polls")).map((row) => row["votes"])).toEqual(["0", "3"]);
    expect(await rowsOf("ballots")).toHaveLength(3);
    await bringFact(world.context, as(voters[0]!), oneVote(pollId, "o1"));
  });
});

describe("questions as a file", () => {
  it("carry votes of others, state, answer and how it was given", async () => {
    const rows = await rowsOf("questions");
    expect(rows.map((row) => [row["text"], row["votes"], row["state"], row["visibility"]])).toEqual([
      ["How high,\nand when?", "2", "done", "aloud"],
      ["'=1+1", "0", "done", "to-one"],
      ["Later perhaps", "0", "new", ""],
    ]);
    expect(rows[1]).toMatchObject({ name: "Oskar Vell", answer: 'Two; "=" is kept', answered_by: "Second Producer" });
    expect(rows[2]).toMatchObject({ answer: "", answered_by: "", answered_at: "" });
  });
});

describe("the same figures everywhere", () => {
  it("on the desk, on the page afterwards and in the files", async () => {
    const live = await loadFigures(world.context.db, event.occurrenceId, world.clock.now() - 60_000);
    expect([live.tallies.get(pollId), live.votes.get(highTide)]).toEqual([
      { q1: { voters: 3, counts: { o1: 1, o2: 2 } } },
      2,
    ]);
    const after = await afterwards(world.context, world.owner, event.eventId, event.occurrenceId);
    expect(after.questions.map((one) => [one.text.slice(0, 8), one.votes])[0]).toEqual(["How high", 2]);
    expect(after.questions).toHaveLength(3);
  });

  it("and registrants with their answers, columns in the order of the form, cells guarded", async () => {
    const formFields = [
      { id: "site", label: "Your site", kind: "short" as const, isRequired: true, options: [] },
      { id: "since", label: "Since", kind: "number" as const, isRequired: false, options: [] },
    ];
    const own = await makeEvent(world, { title: "With questions", formFields, startLocal: "2026-12-01T18:00" });
    const { event: row } = await eventAccess(world.context, world.owner, own.eventId);
    const door = { event: row, occurrence: (await datesOf(world.context.db, own.eventId))[0]! };
    const sign = (email: string, answers: Record<string, string>, source: string | null) =>
      register(
        world.context,
        door,
        { name: "Una Dunlin", email, zone: "Europe/Madrid", hasConsented: true, source, answers },
        email,
      );
    await sign("una1@example.org", { site: "+Marsh", since: "2019" }, "noticeboard");
    await expect(sign("una2@example.org", { since: "2019" }, null)).rejects.toMatchObject({
      failure: { code: "invalid-input" },
    });
    const rows = parse(await eventFile(world.context, world.owner, own.eventId, "registrants"), {
      bom: true,
      columns: true,
    }) as Record<string, string>[];
    expect(Object.keys(rows[0]!).slice(-2)).toEqual(["answer_site", "answer_since"]);
    expect(rows).toEqual([
      {
        name: "Una Dunlin",
        email: "una1@example.org",
        status: "registered",
        registered_at: expect.stringMatching(/Z$/),
        source: "noticeboard",
        time_zone: "Europe/Madrid",
        date_start: "2026-12-01T18:00:00Z",
        answer_site: "'+Marsh",
        answer_since: "2019",
      },
    ]);
  });
});
