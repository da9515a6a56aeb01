import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { CommandBody, PollPlanInput } from "@/contracts";
import { defaultSwitches } from "@/core/people";
import { noVote, plainPoll, scaleOptions, type Answers, type PollKind } from "@/core/polls";
import { ballots, polls, segments } from "@/server/db/schema";
import { loadTallies, type FactPlace } from "@/server/room";
import { castBallots } from "@/server/room/polls/cast-ballots";
import { closePolls } from "@/server/services/hour/close-polls";
import { openHour, type Hour } from "../support/hour";
import { onePoll, oneVote } from "../support/polls";
import { addTicket, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let hour: Hour;
let event: MadeEvent;
const run = (command: CommandBody) => hour.run(command);
const vote = (who: number, pollId: string, answers: Answers) =>
  hour.bring(hour.guests[who]!, { type: "polls.vote", pollId, answers: answers as Record<string, string[]> });
const opened = async (poll: PollPlanInput): Promise<string> => {
  const pollId = await run({ type: "polls.add", poll });
  await run({ type: "polls.open", pollId });
  return pollId;
};
const tally = async (pollId: string) => (await loadTallies(world.context.db, event.occurrenceId)).get(pollId);
const file = (name: "polls" | "ballots") => hour.file(name);
const asked = (kind: PollKind, part: Partial<PollPlanInput["questions"][number]> = {}) => ({
  id: "q1",
  kind,
  text: `A ${kind}`,
  options: ["Mud", "Sand", "Rock"].map((label, i) => ({ id: `o${i + 1}`, label })),
  rightIds: [],
  ...part,
});

beforeAll(async () => {
  world = await makeWorld();
  hour = await openHour(world, ["Ines Marl", "Oskar Vell", "Tamsin Roe", "Yusuf Adeyemi"]);
  ({ event } = hour);
});
afterAll(() => world.close());

describe("a ballot", () => {
  it("may be changed while the poll is open, and counts once", async () => {
    const pollId = await opened(onePoll("Tide?", ["in", "out"]));
    await vote(0, pollId, { q1: ["o1"] });
    const changed = await vote(0, pollId, { q1: ["o2"] });
    expect(changed.figure).toEqual({
      of: "tally",
      pollId,
      changes: [{ questionId: "q1", kind: "one-choice", from: ["o1"], to: ["o2"] }],
    });
    expect(await tally(pollId)).toEqual({ q1: { voters: 1, counts: { o2: 1 } } });
  });

  it("stays in a locked poll; the same one sent again is no second one", async () => {
    const pollId = await opened({ ...onePoll("Tide?", ["in", "out"]), isLocked: true });
    await vote(0, pollId, { q1: ["o1"] });
    expect(await vote(0, pollId, { q1: ["o1"] })).toEqual({});
    await expect(vote(0, pollId, { q1: ["o2"] })).rejects.toMatchObject({ failure: { code: "vote-locked" } });
    expect(await tally(pollId)).toEqual({ q1: { voters: 1, counts: { o1: 1 } } });
  });

  it("is refused once the time of its poll is over, also before anybody closed it", async () => {
    const pollId = await opened({ ...onePoll("Tide?", ["in", "out"]), limitSeconds: 30 });
    await vote(0, pollId, { q1: ["o1"] });
    world.clock.advance(31_000);
    await expect(vote(1, pollId, { q1: ["o1"] })).rejects.toMatchObject({ failure: { code: "poll-not-open" } });
    world.clock.advance(5_000);
    // two processes see it at once
    await Promise.all([1, 2].map(() => closePolls(world.context, event.occurrenceId, [pollId])));
    const [row] = await world.context.db.select().from(polls).where(eq(polls.id, pollId));
    expect([row!.state, row!.closedAt! - row!.openedAt!, row!.closesAt]).toEqual(["closed", 30_000, null]);
  });

  it("of many at once is written, refused and counted each for itself", async () => {
    const pollId = await opened(onePoll("Tide?", ["in", "out"]));
    const cast = await Promise.allSettled([
      vote(0, pollId, { q1: ["o1"] }),
      vote(1, pollId, { q1: ["o9"] }),
      vote(2, pollId, { q1: ["o2"] }),
      vote(3, randomUUID(), { q1: ["o1"] }),
    ]);
    expect(cast.map((one) => one.status)).toEqual(["fulfilled", "rejected", "fulfilled", "rejected"]);
    expect(await tally(pollId)).toEqual({ q1: { voters: 2, counts: { o1: 1, o2: 1 } } });
    expect(await world.context.db.$count(ballots, eq(ballots.pollId, pollId))).toBe(2);
  });

  it("of somebody who sent twice counts as it was sent last, in one batch too", async () => {
    const pollId = await opened(onePoll("Tide?", ["in", "out"]));
    const place: FactPlace = {
      occurrenceId: event.occurrenceId,
      organisationId: world.organisationId,
      actorId: hour.guests[2]!,
      actor: { role: "attendee", duties: [] },
      commandId: randomUUID(),
      now: world.clock.now(),
      room: null,
      switches: defaultSwitches,
    };
    const ballot = (option: string) => ({ place, pollId, answers: { q1: [option] } });
    const cast = await castBallots(world.context.db, [ballot("o2"), ballot("o1")]);
    expect(cast.map((one) => one.ok)).toEqual([true, true]);
    expect(await tally(pollId)).toEqual({ q1: { voters: 1, counts: { o1: 1 } } });
  });
});

describe("a poll", () => {
  it("can be edited and deleted until it opened, and keeps its words from then on", async () => {
    const pollId = await run({ type: "polls.add", poll: onePoll("Tide", ["in", "out"]) });
    await run({ type: "polls.edit", pollId, poll: onePoll("Tide now?", ["in", "out", "turning"]) });
    await run({ type: "polls.open", pollId });
    await vote(0, pollId, { q1: ["o3"] });
    const late = { type: "polls.edit" as const, pollId, poll: onePoll("Wind?", ["on", "off"]) };
    await expect(run(late)).rejects.toMatchObject({ failure: { code: "poll-was-open" } });
    await expect(run({ type: "polls.remove", pollId })).rejects.toMatchObject({ failure: { code: "poll-was-open" } });
    const [row] = await world.context.db.select().from(polls).where(eq(polls.id, pollId));
    expect(row!.questions[0]!.text).toBe("Tide now?");
  });

  it("that is deleted leaves its segment without one", async () => {
    const pollId = await run({ type: "polls.add", poll: onePoll("Gone soon", ["a", "b"]) });
    const segmentId = randomUUID();
    const { organisationId } = world;
    await world.context.db.insert(segments).values({
      id: segmentId,
      organisationId,
      occurrenceId: event.occurrenceId,
      position: 90,
      title: "With a poll",
      lengthMinutes: 5,
      pollId,
    });
    await run({ type: "polls.remove", pollId });
    const [segment] = await world.context.db.select().from(segments).where(eq(segments.id, segmentId));
    expect(segment!.pollId).toBeNull();
    expect(await world.context.db.$count(polls, eq(polls.id, pollId))).toBe(0);
    await expect(run({ type: "polls.open", pollId })).rejects.toMatchObject({ failure: { code: "not-found" } });
  });

  it("goes on with its ballots when it is opened again, and both spans are kept", async () => {
    const pollId = await opened(onePoll("Again?", ["a", "b"]));
    await vote(0, pollId, { q1: ["o1"] });
    await run({ type: "polls.close", pollId });
    await expect(vote(1, pollId, { q1: ["o1"] })).rejects.toMatchObject({ failure: { code: "poll-not-open" } });
    await run({ type: "polls.open", pollId });
    await vote(1, pollId, { q1: ["o1"] });
    expect(await tally(pollId)).toEqual({ q1: { voters: 2, counts: { o1: 2 } } });
    const { rows } = await world.context.db.execute(
      `select count(*)::int as n from journal where body->>'type' = 'polls.opened' and body->>'pollId' = '${pollId}'`,
    );
    expect(rows[0]!["n"]).toBe(2);
  });
});

describe("the files", () => {
  it("have every kind with its own figures: the columns after the first seven", async () => {
    const pollId = await opened({
      ...plainPoll,
      isSample: true,
      questions: [
        asked("one-choice", { text: "Ground?", options: [...asked("one-choice").options, noVote] }),
        asked("scale", { id: "q2", text: "How deep?", options: scaleOptions("1-5") }),
        asked("ranking", { id: "q3", text: "Order?" }),
        asked("quiz", { id: "q4", text: "Which is soft?", rightIds: ["o1"] }),
        asked("open-text", { id: "q5", text: "One word", options: [] }),
        asked("several-choices", { id: "q6", text: "All that apply" }),
      ],
    });
    const answer = (scale: string, ranking: string[], quiz: string, text: string): Answers => ({
      q1: ["o1"],
      q2: [scale],
      q3: ranking,
      q4: [quiz],
      q5: [text],
      q6: ["o3", "o1"],
    });
    await vote(0, pollId, answer("4", ["o1", "o2", "o3"], "o1", "Mud"));
    await vote(1, pollId, answer("5", ["o1", "o3", "o2"], "o2", " mud"));
    await vote(2, pollId, answer("1", ["o2", "o1", "o3"], "o1", "=cmd"));
    const rows = await file("polls");
    const of = (question: string) => rows.filter((row) => row["question"] === question);
    expect(of("Ground?").map(({ option, percent }) => [option, percent])).toEqual([
      ["Mud", "100"],
      ["Sand", "0"],
      ["Rock", "0"],
      ["No vote", "0"],
    ]);
    // Wilson for 3 of 3: n ÷ (n + z²) = 3 ÷ 6.8415 to 1
    expect(of("Ground?")[0]).toMatchObject({ low: "0.439", high: "1" });
    expect(of("How deep?")[0]).toMatchObject({ mean: "3.333", median: "4", voters: "3" });
    expect(of("Order?").map(({ option, votes, points }) => [option, votes, points])).toEqual([
      ["Mud", "2", "5"],
      ["Sand", "1", "3"],
      ["Rock", "0", "1"],
    ]);
    expect(of("Which is soft?").map(({ option, votes, right }) => [option, votes, right])).toEqual([
      ["Mud", "2", "yes"],
      ["Sand", "1", "no"],
      ["Rock", "0", "no"],
    ]);
    expect(of("One word").map(({ option, votes }) => [option, votes])).toEqual([
      ["Mud", "2"],
      ["'=cmd", "1"],
    ]);
    const cast = (await file("ballots")).filter((row) => row["name"] === "Ines Marl");
    expect(cast.filter(({ question }) => question === "Order?")[0]!["choice"]).toBe("Mud > Sand > Rock");
    expect(cast.filter(({ question }) => question === "All that apply")[0]!["choice"]).toBe("Mud; Rock");
  });

  it("tell of an anonymous poll neither who nor when nor in which order", async () => {
    const pollId = await opened({ ...onePoll("Secret?", ["yes", "no"]), isAnonymous: true });
    await vote(2, pollId, { q1: ["o2"] });
    await vote(0, pollId, { q1: ["o1"] });
    await vote(1, pollId, { q1: ["o2"] });
    const rows = (await file("ballots")).filter((row) => row["question"] === "Secret?");
    expect(rows.map(({ name, email, at, choice }) => [name, email, at, choice])).toEqual([
      ["", "", "", "no"],
      ["", "", "", "no"],
      ["", "", "", "yes"],
    ]);
    expect((await file("polls")).filter((row) => row["question"] === "Secret?")[1]).toMatchObject({ votes: "2" });
  });

  it("has a first ballot refused from outside the house, whatever its kind", async () => {
    const pollId = await opened(onePoll("Here?", ["yes", "no"]));
    const away = await addTicket(world, event, "attendee", "Away");
    await expect(hour.bring(away, oneVote(pollId, "o1"))).rejects.toMatchObject({
      failure: { code: "not-inside" },
    });
  });
});
