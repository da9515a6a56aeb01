import { describe, expect, it } from "vitest";
import { unwrap } from "../shared";
import { datesOfSeries, instantOf, minuteMs, weeklyRule, type Series } from "../time";
import { planExtent, type ExtentPlan, type PlannedDate, type PlannedSeries } from ".";

const zone = "Europe/Lisbon";
const series: PlannedSeries = {
  id: "s1",
  rule: weeklyRule({ count: 8 }),
  startLocal: "2027-03-02T18:00",
  zone,
  exdates: [],
  rdates: [],
  durationMinutes: 60,
};
const lay = (one: PlannedSeries): PlannedDate[] =>
  unwrap(datesOfSeries(one, "2030-01-01T00:00")).map((local, i) => ({
    id: `d${i + 1}`,
    seriesId: one.id,
    originalStartLocal: local,
    startLocal: local,
    durationMinutes: 60,
    startAt: instantOf({ local, zone }),
    phase: "scheduled",
  }));
const all = lay(series);
const before = instantOf({ local: "2027-03-01T00:00", zone });
const change = (
  marked: string[],
  firstStartLocal: string,
  now = before,
  dates = all,
  durationMinutes: number | null = null,
) => planExtent(dates, [series], marked, { kind: "move", firstStartLocal, durationMinutes }, now);
const plan = (...call: Parameters<typeof change>): ExtentPlan => unwrap(change(...call));
const ids = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => `d${from + i}`);

/** The dates that the series of a plan make must be those that the plan says. */
function expectInStep(outcome: ExtentPlan): void {
  const rows: (Series & { id: string })[] = [
    ...outcome.series,
    ...(outcome.newSeries ? [{ ...outcome.newSeries, id: "new" }] : []),
  ];
  for (const row of rows) {
    const made = unwrap(datesOfSeries(row, "2030-01-01T00:00"));
    const changed = outcome.dates.filter((date) => date.seriesId === row.id).map((date) => date.originalStartLocal);
    const kept = all
      .filter(
        (date) =>
          date.seriesId === row.id &&
          !outcome.dates.some((one) => one.id === date.id) &&
          !outcome.calledOffIds.includes(date.id),
      )
      .map((date) => date.originalStartLocal);
    expect([...changed, ...kept].sort()).toEqual(made);
  }
}

describe("rule 2: a change applies to the dates that were marked", () => {
  it("one date: an override keyed by its original start, the rule untouched", () => {
    const outcome = plan(["d3"], "2027-03-17T19:30");
    expect(outcome).toMatchObject({
      extent: "single",
      newSeries: null,
      calledOffIds: [],
      dates: [{ id: "d3", originalStartLocal: "2027-03-16T18:00", startLocal: "2027-03-17T19:30", seriesId: "s1" }],
    });
    expectInStep(outcome);
  });

  it("a later stretch: the series splits, the old gets an UNTIL, the new the remaining COUNT and its dates", () => {
    const outcome = plan(ids(5, 8), "2027-03-31T19:00");
    expect(outcome.extent).toBe("later");
    expect(outcome.series[0]!.rule).toMatchObject({ count: null, until: "2027-03-23T18:00" });
    expect(outcome.newSeries).toMatchObject({ startLocal: "2027-03-31T19:00", rule: { count: 4 } });
    expect(outcome.dates.map((date) => [date.id, date.startLocal, date.seriesId])).toEqual([
      ["d5", "2027-03-31T19:00", "new"],
      ["d6", "2027-04-07T19:00", "new"],
      ["d7", "2027-04-14T19:00", "new"],
      ["d8", "2027-04-21T19:00", "new"],
    ]);
    expectInStep(outcome);
  });

  it("a later stretch whose override stands before an earlier date leaves no marked date behind", () => {
    const overridden = all.map((date) => (date.id === "d6" ? { ...date, startLocal: "2027-03-29T18:00" } : date));
    const outcome = plan(ids(5, 8), "2027-03-29T19:00", before, overridden);
    expect(outcome.extent).toBe("later");
    expect(outcome.dates.map((date) => date.id).sort()).toEqual(ids(5, 8));
    expect(outcome.dates.find((date) => date.id === "d6")!.startLocal).toBe("2027-03-29T19:00");
    expectInStep(outcome);
  });

  it("all of it: one series moves, overrides by the same difference of wall time", () => {
    const overridden = all.map((date) => (date.id === "d2" ? { ...date, startLocal: "2027-03-10T20:00" } : date));
    const outcome = plan(ids(1, 8), "2027-03-02T17:30", before, overridden);
    expect(outcome.extent).toBe("all");
    expect(outcome.series[0]).toMatchObject({ id: "s1", startLocal: "2027-03-02T17:30" });
    expect(outcome.dates[1]).toMatchObject({ originalStartLocal: "2027-03-09T17:30", startLocal: "2027-03-10T19:30" });
    expect(new Set(outcome.dates.map((date) => date.seriesId))).toEqual(new Set(["s1"]));
    expectInStep(outcome);
  });

  it("all that is left of a running series is a later stretch: what is past stays", () => {
    const now = instantOf({ local: "2027-03-10T00:00", zone });
    const outcome = plan(ids(3, 8), "2027-03-16T19:00", now);
    expect(outcome.extent).toBe("later");
    expect(outcome.dates.map((date) => date.id)).toEqual(ids(3, 8));
    expectInStep(outcome);
  });

  it("several dates in the middle: an override each", () => {
    expect(plan(["d2", "d4"], "2027-03-09T18:30")).toMatchObject({
      extent: "single",
      dates: [
        { id: "d2", startLocal: "2027-03-09T18:30" },
        { id: "d4", startLocal: "2027-03-23T18:30" },
      ],
    });
  });

  it("keeps a longer length on the stretch and on the series alike", () => {
    const outcome = plan(ids(7, 8), "2027-04-13T18:00", before, all, 90);
    expect([outcome.newSeries!.durationMinutes, outcome.dates[0]!.durationMinutes]).toEqual([90, 90]);
  });

  it.each([
    ["one", ["d3"], (outcome: ExtentPlan) => expect(outcome.series[0]!.exdates).toEqual(["2027-03-16T18:00"])],
    [
      "a later stretch",
      ids(6, 8),
      (outcome: ExtentPlan) => expect(outcome.series[0]!.rule.until).toBe("2027-03-30T18:00"),
    ],
    ["all", ids(1, 8), (outcome: ExtentPlan) => expect(outcome.calledOffIds).toHaveLength(8)],
  ])("calls off %s", (_what, marked, check) => {
    const outcome = unwrap(planExtent(all, [series], marked, { kind: "call-off" }, before));
    expect(outcome.calledOffIds).toEqual(marked);
    check(outcome);
    if (marked.length < 8) expectInStep(outcome);
  });

  it("never touches a live or past date", () => {
    const live = all.map((date) => (date.id === "d3" ? { ...date, phase: "open" as const } : date));
    expect(change(["d3"], "2027-03-17T19:30", before, live)).toMatchObject({
      ok: false,
      failure: { code: "date-fixed", phase: "open" },
    });
    expect(change(["d1"], "2027-03-17T19:30", all[0]!.startAt + minuteMs)).toMatchObject({
      ok: false,
      failure: { code: "date-fixed" },
    });
    expect(change(["nobody"], "2027-03-17T19:30")).toMatchObject({ ok: false, failure: { code: "not-found" } });
  });

  it("moves a single date of an event without a rule, its original with it", () => {
    const one: PlannedDate = { ...all[0]!, seriesId: null };
    const outcome = unwrap(
      planExtent([one], [], ["d1"], { kind: "move", firstStartLocal: "2027-03-05T10:00", durationMinutes: 45 }, before),
    );
    expect(outcome.dates).toEqual([
      {
        id: "d1",
        seriesId: null,
        originalStartLocal: "2027-03-05T10:00",
        startLocal: "2027-03-05T10:00",
        durationMinutes: 45,
      },
    ]);
  });
});
