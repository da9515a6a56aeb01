import fc from "fast-check";
import { mean, median } from "simple-statistics";
import { describe, expect, it } from "vitest";
import {
  noVote,
  isSameBallot,
  noVoteId,
  quizScore,
  readAnswers,
  readChoice,
  resultOf,
  scaleOptions,
  share,
  tallyOf,
  turnoutOf,
  wilsonInterval,
  withChoice,
  noTally,
  type Choice,
  type PollKind,
  type PollQuestion,
} from ".";

const options = (...labels: string[]) => labels.map((label, i) => ({ id: `o${i + 1}`, label }));
const question = (kind: PollKind, part: Partial<PollQuestion> = {}): PollQuestion => ({
  id: "q1",
  kind,
  text: "?",
  options: kind === "open-text" ? [] : options("a", "b", "c"),
  rightIds: [],
  ...part,
});
const people = (...choices: (readonly [Choice, number])[]) => choices.map(([choice, n]) => ({ choice, people: n }));
const percents = (...votes: number[]) => {
  const asked = question("one-choice", { options: options(...votes.map(String)) });
  return resultOf(asked, tallyOf(asked, people(...votes.map((n, i) => [[`o${i + 1}`], n] as const))));
};

describe("rule 11: one choice", () => {
  it("rounds each share by itself, half up, and says so", () => {
    expect(percents(1, 1, 1)).toMatchObject({
      isRounded: true,
      voters: 3,
      lines: [{ percent: 33 }, { percent: 33 }, { percent: 33 }],
    });
    expect(percents(1, 2).lines.map((one) => one.percent)).toEqual([33, 67]);
    expect(percents(1, 199).lines.map((one) => one.percent)).toEqual([1, 100]);
    expect(percents(2, 2)).toMatchObject({ isRounded: false });
    expect([share(1, 3, 1), share(0, 0)]).toEqual([33.3, 0]);
  });

  it("shows equal figures for equal counts, whatever the counts", () => {
    fc.assert(
      fc.property(fc.array(fc.nat(5000), { minLength: 1, maxLength: 12 }), (votes) => {
        const { lines, voters } = percents(...votes);
        expect(voters).toBe(votes.reduce((a, b) => a + b, 0));
        for (const a of lines) for (const b of lines) if (a.count === b.count) expect(a.percent).toBe(b.percent);
      }),
    );
  });

  it("counts no vote as a vote of its own", () => {
    const asked = question("one-choice", { options: [...options("a", "b"), noVote] });
    const result = resultOf(asked, tallyOf(asked, people([["o1"], 3], [[noVoteId], 1])));
    expect(result.lines.map(({ id, percent }) => [id, percent])).toEqual([
      ["o1", 75],
      ["o2", 0],
      [noVoteId, 25],
    ]);
  });
});

describe("rule 11: the other kinds", () => {
  it("gives each of several answers its share of the voters", () => {
    const asked = question("several-choices");
    const result = resultOf(asked, tallyOf(asked, people([["o1", "o2"], 3], [["o1"], 1])));
    expect(result.voters).toBe(4);
    expect(result.lines.map(({ percent }) => percent)).toEqual([100, 75, 0]);
  });

  it("gives n, mean, median and distribution of a scale, as a reference library does", () => {
    const asked = question("scale", { options: [...scaleOptions("0-10"), noVote] });
    fc.assert(
      fc.property(fc.array(fc.nat(10), { minLength: 1, maxLength: 60 }), fc.nat(5), (values, declined) => {
        const cast = people(...values.map((value) => [[String(value)], 1] as const), [[noVoteId], declined]);
        const result = resultOf(asked, tallyOf(asked, cast));
        expect(result.voters).toBe(values.length + declined);
        expect(result.mean).toBeCloseTo(mean(values), 10);
        expect(result.median).toBe(median(values));
        expect(result.lines.map(({ count }) => count).slice(0, 11)).toEqual(
          Array.from({ length: 11 }, (_, step) => values.filter((value) => value === step).length),
        );
      }),
    );
    expect(resultOf(asked, noTally)).toMatchObject({ mean: null, median: null, voters: 0 });
  });

  it("ranks by Borda's count: the worked example of the capital of Tennessee", () => {
    // 100 voters in four groups by distance; a handbook example of voting theory (from memory):
    // Nashville 194, Chattanooga 173, Memphis 126, Knoxville 107
    const asked = question("ranking", { options: options("Memphis", "Nashville", "Chattanooga", "Knoxville") });
    const cast = people(
      [["o1", "o2", "o3", "o4"], 42],
      [["o2", "o3", "o4", "o1"], 26],
      [["o3", "o4", "o2", "o1"], 15],
      [["o4", "o3", "o2", "o1"], 17],
    );
    const result = resultOf(asked, tallyOf(asked, cast));
    expect(result.lines.map(({ label, count, place }) => [label, count, place])).toEqual([
      ["Memphis", 126, 3],
      ["Nashville", 194, 1],
      ["Chattanooga", 173, 2],
      ["Knoxville", 107, 4],
    ]);
  });

  it("shows ties as ties", () => {
    const asked = question("ranking", { options: options("a", "b", "c") });
    const result = resultOf(asked, tallyOf(asked, people([["o1", "o2", "o3"], 1], [["o2", "o1", "o3"], 1])));
    expect(result.lines.map(({ place }) => place)).toEqual([1, 1, 3]);
  });

  it("groups texts that differ in capitals and blanks alone, under the way most wrote it", () => {
    const asked = question("open-text");
    const read = [" Salt Marsh ", "salt  marsh", "SALT MARSH", "salt marsh", "salt marsh", "Mud"].map(
      (text) => readChoice(asked, [text]) as { value: Choice },
    );
    const result = resultOf(asked, tallyOf(asked, people(...read.map(({ value }) => [value, 1] as const))));
    expect(result.lines.map(({ label, count }) => [label, count])).toEqual([
      ["salt marsh", 5],
      ["Mud", 1],
    ]);
  });

  it("says of a quiz how many are right, and each person's own score over all its questions", () => {
    const asked = question("quiz", { rightIds: ["o2"] });
    const result = resultOf(asked, tallyOf(asked, people([["o2"], 3], [["o1"], 1])));
    expect([result.right, result.voters]).toEqual([3, 4]);
    expect(result.lines.map(({ isRight }) => isRight)).toEqual([false, true, false]);
    const second = question("quiz", { id: "q2", rightIds: ["o1", "o3"] });
    expect(quizScore([asked, second, question("scale", { id: "q3" })], { q1: ["o2"], q2: ["o2"] })).toEqual({
      right: 1,
      of: 2,
    });
    expect(quizScore([question("scale")], {})).toBeNull();
  });
});

describe("a ballot", () => {
  const several = question("several-choices", { options: [...options("a", "b", "c"), noVote] });
  it.each([
    ["an answer that is none", question("one-choice"), ["o9"], "no-such-option"],
    ["two answers where one is asked", question("one-choice"), ["o1", "o2"], "no-such-option"],
    ["the same answer twice", several, ["o1", "o1"], "no-such-option"],
    ["declining and choosing at once", several, ["o1", noVoteId], "no-such-option"],
    ["nothing at all", several, [], "answer-incomplete"],
    ["an order with something left out", question("ranking"), ["o1", "o2"], "answer-incomplete"],
    ["a text of blanks", question("open-text"), [" \u202e "], "answer-incomplete"],
  ] as const)("is refused with %s", (_what, asked, choice, code) => {
    expect(readChoice(asked, choice)).toMatchObject({ ok: false, failure: { code } });
  });

  it("is read in the poll's own order, its texts without what could hide or turn them", () => {
    expect(readChoice(several, ["o3", "o1"])).toEqual({ ok: true, value: ["o1", "o3"] });
    expect(readChoice(question("ranking"), ["o3", "o1", "o2"])).toEqual({ ok: true, value: ["o3", "o1", "o2"] });
    expect(readChoice(question("open-text"), ["  in\u202e the\n\nmud "])).toEqual({ ok: true, value: ["in the mud"] });
  });

  it("may answer some of a poll's questions, none that is not there", () => {
    const poll = { questions: [question("one-choice"), question("scale", { id: "q2", options: scaleOptions("1-5") })] };
    expect(readAnswers(poll, { q2: ["5"] })).toEqual({ ok: true, value: { q2: ["5"] } });
    expect(readAnswers(poll, { q3: ["5"] })).toMatchObject({ ok: false });
    expect(readAnswers(poll, {})).toMatchObject({ failure: { code: "answer-incomplete" } });
  });

  it("is the same as another only where every answer is, in the order in which it is kept", () => {
    const kept = { q1: ["o1", "o3"], q2: ["5"] };
    expect(isSameBallot(kept, { q2: ["5"], q1: ["o1", "o3"] })).toBe(true);
    for (const other of [{ q1: ["o1", "o3"] }, { ...kept, q1: ["o3", "o1"] }, { ...kept, q3: ["x"] }])
      expect(isSameBallot(kept, other)).toBe(false);
  });

  it("changed time and again comes to the same tally as its last state alone", () => {
    const kinds = fc.constantFrom<PollKind>("one-choice", "several-choices", "ranking", "open-text");
    const choice = (kind: PollKind) =>
      kind === "ranking"
        ? fc.shuffledSubarray(["o1", "o2", "o3"], { minLength: 3 })
        : fc.shuffledSubarray(["o1", "o2", "o3"], { minLength: 1, maxLength: kind === "several-choices" ? 3 : 1 });
    fc.assert(
      fc.property(
        kinds.chain((kind) => fc.tuple(fc.constant(kind), fc.array(fc.array(choice(kind), { minLength: 1 })))),
        ([kind, voters]) => {
          let changing = noTally;
          for (const choices of voters)
            choices.forEach((one, i) => {
              changing = withChoice(i === 0 ? changing : withChoice(changing, kind, choices[i - 1]!, -1), kind, one, 1);
            });
          const last = voters.map((choices) => ({ choice: choices.at(-1)!, people: 1 }));
          expect(changing).toEqual(tallyOf({ kind }, last));
        },
      ),
    );
  });
});

describe("turnout and intervals", () => {
  it("takes as base of the turnout those present while the poll was open", () => {
    const presence = new Map([
      ["a", [{ start: 0, end: 10 }]],
      ["b", [{ start: 20, end: 30 }]],
      ["c", [{ start: 5, end: 40 }]],
    ]);
    expect(turnoutOf(presence, new Set(["c"]), [{ start: 12, end: 25 }])).toEqual({
      voters: 1,
      eligible: 2,
      abstained: 1,
      percent: 50,
    });
  });

  it.each([
    [8, 10, 0.49, 0.943], // rules.md
    // R. G. Newcombe, Statistics in Medicine 17 (1998), table I, method 3 (from memory)
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])("gives Wilson's interval for %i of %i", (hits, n, low, high) => {
    const interval = wilsonInterval(hits, n);
    expect(interval.low).toBeCloseTo(low, 3);
    expect(interval.high).toBeCloseTo(high, 3);
  });

  it("stands beside shares only where the poll is taken as a sample", () => {
    const asked = question("one-choice");
    const tally = tallyOf(asked, people([["o1"], 8], [["o2"], 2]));
    expect(resultOf(asked, tally).lines[0]!.interval).toBeNull();
    expect(resultOf(asked, tally, true).lines[0]!.interval!.low).toBeCloseTo(0.49, 3);
  });

  it("refuses a share that is none", () => {
    expect(() => wilsonInterval(3, 2)).toThrow(RangeError);
    expect(() => wilsonInterval(0, 0)).toThrow(RangeError);
  });
});
