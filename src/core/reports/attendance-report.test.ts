import { describe, expect, it } from "vitest";
import { attendanceReport, type ReportInput } from "./attendance-report";

const minute = 60_000;
const at = (minutes: number, seconds = 0) => Date.UTC(2027, 2, 4, 18) + minutes * minute + seconds * 1000;
const person = (personKey: string) => ({
  personKey,
  name: personKey,
  email: `${personKey}@example.org`,
  role: "attendee" as const,
  isRegistered: true,
  questions: 0,
  votes: 0,
  hands: 0,
  checks: 0,
});
const here = (personKey: string, from: number, to: number) => ({
  entryKey: `${personKey}-${from}`,
  personKey,
  role: "attendee" as const,
  device: "laptop",
  inAt: from,
  outAt: to,
  lastSignAt: to,
});

/** Four people before a curtain that rises at 18:00:30, falls for five minutes at 18:20, and falls for good at 19:00. */
const evening = (played: ReportInput["played"]): ReportInput => ({
  connections: [
    here("ada", at(-8), at(60)),
    here("bo", at(-3), at(19)),
    here("cy", at(-1), at(40)),
    here("di", at(22), at(60)),
  ],
  people: ["ada", "bo", "cy", "di"].map(person),
  curtainSpans: [
    { raisedAt: at(0, 30), droppedAt: at(20), isStruck: false },
    { raisedAt: at(25), droppedAt: at(60), isStruck: false },
  ],
  played,
  credit: null,
  now: at(90),
});
const retained = (startAt: number, endAt: number) => {
  const [one] = attendanceReport(evening([{ segmentId: "a", startAt, endAt }])).retention;
  return [one!.atStart, one!.stillThere];
};

describe("who stays through a segment", () => {
  it("counts one that was cued a moment before the curtain rose from the rise on", () => {
    // by hand: at 18:00:30 ada, bo and cy are there; just before 18:15 all three still are
    expect(retained(at(0), at(15))).toEqual([3, 3]);
  });
  it("counts one that ended behind the curtain to the fall", () => {
    // at 18:10 three; just before the fall at 18:20 bo has gone at 18:19
    expect(retained(at(10), at(23))).toEqual([3, 2]);
  });
  it("counts one that began behind the dropped curtain from the next rise, whoever came meanwhile", () => {
    // at 18:25 ada, cy and di; at 18:50 cy has gone at 18:40
    expect(retained(at(21), at(50))).toEqual([3, 2]);
  });
  it("has no base for one that the house never saw", () => {
    expect(retained(at(21), at(24))).toEqual([0, 0]);
  });
});

describe("credit for segments (rule 13)", () => {
  const credit = { points: 2, thresholdPercent: 75, checks: null };
  const played = [
    { segmentId: "law", startAt: at(0), endAt: at(15) },
    { segmentId: "cases", startAt: at(25), endAt: at(60) },
  ];
  const points = (ids: readonly string[], spans: ReportInput["played"] = played) =>
    attendanceReport({ ...evening(spans), credit, creditSegmentIds: new Set(ids) }).lines.map((one) => [
      one.personKey,
      one.creditPoints,
    ]);
  it("is measured against those that carry it, as far as the house saw them", () => {
    // law: 18:00:30–18:15: ada, bo and cy all along; cases: 18:25–19:00: ada and di all along, cy 15 of 35 minutes
    expect(points(["law"])).toEqual([
      ["ada", 2],
      ["bo", 2],
      ["cy", 2],
      ["di", 0],
    ]);
    expect(points(["cases"])).toEqual([
      ["ada", 2],
      ["bo", 0],
      ["cy", 0],
      ["di", 2],
    ]);
  });
  it("is for the whole show where none carries it, or none of those was played", () => {
    // of 54.5 minutes: di 35 (64 %), cy 34.5
    expect(points([])).toEqual([
      ["ada", 2],
      ["bo", 0],
      ["cy", 0],
      ["di", 0],
    ]);
    expect(points(["law"], [])).toEqual(points([]));
  });
});
