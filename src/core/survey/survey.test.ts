import jstat from "jstat";
import { mean, sampleStandardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import {
  meanFigures,
  readSurvey,
  studentPoint,
  surveyFaults,
  surveyGroups,
  surveyResult,
  type SurveyAnswers,
  type SurveyQuestion,
} from ".";

const question = (id: string, kind: SurveyQuestion["kind"], options: string[] = [], isRequired = false) => ({
  id,
  kind,
  label: id,
  isRequired,
  options,
});

describe("rule 30: Student's t", () => {
  it("has the points of the handbook table (95 %, two-sided; from memory)", () => {
    for (const [df, point] of [
      [1, 12.706],
      [2, 4.303],
      [4, 2.776],
      [10, 2.228],
      [30, 2.042],
      [120, 1.98],
    ] as const)
      expect(studentPoint(df)).toBeCloseTo(point, 3);
  });
  it("agrees with jstat over many degrees of freedom", () => {
    for (let df = 1; df < 400; df += 7) expect(studentPoint(df)).toBeCloseTo(jstat.studentt.inv(0.975, df), 6);
  });
  it("knows no point without a degree of freedom", () => expect(() => studentPoint(0)).toThrow(RangeError));
  it("gives the worked example: 4,4,5,3,5", () => {
    const figures = meanFigures([4, 4, 5, 3, 5])!;
    expect(figures.mean).toBeCloseTo(4.2, 10);
    expect(figures.deviation).toBeCloseTo(0.8367, 4);
    expect(figures.interval!.low).toBeCloseTo(3.16, 2);
    expect(figures.interval!.high).toBeCloseTo(5.24, 2);
  });
  it("agrees with simple-statistics on mean and deviation", () => {
    const values = [0, 3, 10, 7, 7, 8, 2, 9, 10, 10, 4];
    expect(meanFigures(values)!.mean).toBeCloseTo(mean(values), 12);
    expect(meanFigures(values)!.deviation).toBeCloseTo(sampleStandardDeviation(values), 12);
  });
  it("has no interval of one answer, and nothing of none", () => {
    expect(meanFigures([3])).toEqual({ n: 1, mean: 3, deviation: null, interval: null });
    expect(meanFigures([])).toBeNull();
  });
});

describe("answers to a survey", () => {
  const asked = [
    question("stars", "scale-5", [], true),
    question("which", "choice", ["Tides", "Rings"]),
    question("more", "several", ["Mail", "Phone"]),
    question("words", "text"),
  ];
  it("names what is missing and what was never offered", () => {
    expect(surveyFaults(asked, { which: "Otters", more: ["Mail", "Drum"] })).toEqual([
      { questionId: "stars", fault: "needed" },
      { questionId: "which", fault: "not-offered" },
      { questionId: "more", fault: "not-offered" },
    ]);
    expect(surveyFaults(asked, { stars: 6 })).toEqual([{ questionId: "stars", fault: "not-offered" }]);
    expect(surveyFaults(asked, { stars: 5, words: "x".repeat(2001) })).toEqual([
      { questionId: "words", fault: "too-long" },
    ]);
  });
  it("keeps answers to questions that there are, each option once, and nothing empty", () => {
    expect(readSurvey(asked, { stars: 4, more: ["Mail", "Mail"], words: "  ", other: "x" })).toEqual({
      stars: 4,
      more: ["Mail"],
    });
  });
});

describe("what a survey comes to", () => {
  const stars = question("stars", "scale-5");
  const five = [4, 4, 5, 3, 5].map((one): SurveyAnswers => ({ stars: one }));
  it("counts each step, with mean and median; the interval only of a sample", () => {
    const result = surveyResult(stars, [...five, {}], false);
    expect(result.n).toBe(5);
    expect(result.lines.map(({ count }) => count)).toEqual([0, 0, 1, 2, 2]);
    expect(result.figures).toMatchObject({ mean: 4.2, median: 4, interval: null });
    expect(surveyResult(stars, five, true).figures!.interval!.low).toBeCloseTo(3.16, 2);
  });
  it("lets words stand together that differ in capitals and blanks alone", () => {
    const words = question("words", "text");
    const texts = ["Slower  please", "slower please", "More birds", "slower please"];
    expect(
      surveyResult(
        words,
        texts.map((one) => ({ words: one })),
        false,
      ).lines,
    ).toMatchObject([
      { label: "slower please", count: 3, share: 0.75 },
      { label: "More birds", count: 1 },
    ]);
  });
  const which = question("which", "choice", ["Tides", "Rings", "Nests"]);
  const of = (counts: Record<string, number>): SurveyAnswers[] =>
    Object.entries(counts).flatMap(([one, n]) => Array.from({ length: n }, () => ({ which: one })));
  const sizes = (counts: Record<string, number>, isAnonymous = true) =>
    surveyGroups(which, of(counts), isAnonymous).map((one) => [one.label, one.answers.length]);
  it("cuts anonymous answers in groups of five at least: a small rest joins the largest", () => {
    expect(sizes({ Tides: 9, Rings: 6, Nests: 3 })).toEqual([
      ["Tides", 12],
      ["Rings", 6],
    ]);
    expect(sizes({ Tides: 9, Rings: 4, Nests: 3 })).toEqual([
      ["Tides", 9],
      ["", 7],
    ]);
    expect(sizes({ Tides: 3, Rings: 1 })).toEqual([]);
    expect(sizes({ Tides: 3, Rings: 1 }, false)).toEqual([
      ["Tides", 3],
      ["Rings", 1],
    ]);
  });
});
