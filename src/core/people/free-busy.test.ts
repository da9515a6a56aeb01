import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { covers, hourMs, minuteMs, unionOf, wallTimeAt, weeklyRule, type IntervalSet } from "../time";
import { busyTimes, findSlots, slotReasons, type BusyEntry, type SlotPerson } from ".";

const at = (local: string) => Date.parse(`${local}:00Z`);
const entry = (part: Partial<BusyEntry>): BusyEntry => ({
  startLocal: "2027-03-01T10:00",
  zone: "Europe/Lisbon",
  durationMinutes: 60,
  rule: null,
  exdates: [],
  rdates: [],
  overrides: new Map(),
  ...part,
});
const range = { start: at("2027-03-01T00:00"), end: at("2027-04-05T00:00") };
const times = (set: IntervalSet) =>
  set.map(
    (span) => `${new Date(span.start).toISOString().slice(5, 16)}/${new Date(span.end).toISOString().slice(11, 16)}`,
  );

describe("rule 4: busy times", () => {
  it("expand rules in wall time through a clock change, without what was taken out, moved or called off", () => {
    const weekly = entry({
      startLocal: "2026-01-05T10:00",
      rule: weeklyRule(),
      exdates: ["2027-03-08T10:00"],
      overrides: new Map([
        ["2027-03-15T10:00", { startLocal: "2027-03-16T15:00", durationMinutes: 30 }],
        ["2027-03-22T10:00", null],
      ]),
    });
    // Lisbon changes its clocks on 28 March 2027
    expect(times(busyTimes([{ entries: [weekly], spans: [] }], range))).toEqual([
      "03-01T10:00/11:00",
      "03-16T15:00/15:30",
      "03-29T09:00/10:00",
    ]);
  });

  it("add named spans, RDATE and what overlaps, clipped to the range", () => {
    const spans = [
      { start: at("2027-02-28T22:00"), end: at("2027-03-01T01:00") },
      { start: at("2027-03-01T10:30"), end: at("2027-03-01T11:30") },
    ];
    expect(times(busyTimes([{ entries: [entry({ rdates: ["2027-03-03T10:00"] })], spans }], range))).toEqual([
      "03-01T00:00/01:00",
      "03-01T10:00/11:30",
      "03-03T10:00/11:00",
    ]);
  });

  it("stop at a bound for a rule that never ends", () => {
    const ancient = entry({ startLocal: "1601-01-01T10:00", rule: weeklyRule({ freq: "DAILY" }) });
    expect(busyTimes([{ entries: [ancient], spans: [] }], range)).toEqual([]);
    expect(
      busyTimes(
        [{ entries: [entry({ startLocal: "2000-01-01T10:00", rule: weeklyRule({ freq: "DAILY" }) })], spans: [] }],
        range,
      ),
    ).toHaveLength(35);
  });
});

describe("rule 4: find a time", () => {
  const busy = fc
    .array(fc.tuple(fc.integer({ min: 0, max: 47 }), fc.integer({ min: 1, max: 8 })), { maxLength: 6 })
    .map((list) =>
      unionOf(
        list.map(([start, length]) => ({
          start: at("2027-03-27T00:00") + start * 30 * minuteMs,
          end: at("2027-03-27T00:00") + (start + length) * 30 * minuteMs,
        })),
      ),
    );
  const person = fc.record({
    zone: fc.constantFrom("Europe/Lisbon", "America/New_York", "Australia/Adelaide", "Asia/Kathmandu"),
    isRequired: fc.boolean(),
    busy,
  });

  const clocks = new Map<string, string>();
  const clockAt = (minute: number, zone: string): string => {
    const key = `${minute}|${zone}`;
    if (!clocks.has(key)) clocks.set(key, wallTimeAt(minute, zone).local.slice(11));
    return clocks.get(key)!;
  };

  it("agrees with looking at each slot minute by minute, on 2,000 generated cases", () => {
    let compared = 0;
    fc.assert(
      fc.property(
        fc.array(person, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(15, 30, 60, 90),
        (list, duration) => {
          const people = list.map((one, i): SlotPerson => ({ ...one, id: `p${i}` }));
          const span = { start: at("2027-03-27T20:00"), end: at("2027-03-28T06:00") };
          const naive = [];
          for (let start = span.start; start + duration * minuteMs <= span.end; start += 15 * minuteMs) {
            const minutes = Array.from({ length: duration }, (_, i) => start + i * minuteMs);
            const isFree = (one: SlotPerson) => !minutes.some((minute) => covers(one.busy, minute));
            const isAtWork = (one: SlotPerson) =>
              minutes.every((minute) => clockAt(minute, one.zone) >= "09:00" && clockAt(minute, one.zone) < "18:00");
            if (!people.filter((one) => one.isRequired).every(isFree)) continue;
            naive.push({
              startAt: start,
              freeOptional: people.filter((one) => !one.isRequired && isFree(one)).length,
              withinHours: people.filter(isAtWork).length,
            });
          }
          naive.sort(
            (a, b) => b.freeOptional - a.freeOptional || b.withinHours - a.withinHours || a.startAt - b.startAt,
          );
          expect(
            findSlots(people, duration, span).map(({ startAt, freeOptional, withinHours }) => ({
              startAt,
              freeOptional,
              withinHours,
            })),
          ).toEqual(naive);
          compared += 1;
        },
      ),
      { numRuns: 2000, seed: 20261125 },
    );
    console.log(`find a time: ${compared} cases as minute by minute`);
  });

  it("says who is busy and for whom it lies outside working hours", () => {
    const lisbon: SlotPerson = { id: "l", zone: "Europe/Lisbon", isRequired: true, busy: [] };
    const away: SlotPerson = {
      id: "n",
      zone: "America/New_York",
      isRequired: false,
      busy: [{ start: at("2027-03-10T15:00"), end: at("2027-03-10T16:00") }],
    };
    const [best] = findSlots([lisbon, away], 60, { start: at("2027-03-10T09:00"), end: at("2027-03-10T18:00") }, 1);
    expect(best).toMatchObject({ startAt: at("2027-03-10T14:00"), freeOptional: 1, withinHours: 2 });
    expect(slotReasons([lisbon, away], best!)).toEqual({ busyIds: [], outsideHoursIds: [] });
    expect(
      slotReasons([lisbon, away], { startAt: at("2027-03-10T11:00"), endAt: at("2027-03-10T12:00") }).outsideHoursIds,
    ).toEqual(["n"]);
    const slots = findSlots([lisbon, away], 60, {
      start: at("2027-03-10T15:00"),
      end: at("2027-03-10T15:00") + hourMs,
    });
    expect(slots[0]).toMatchObject({ freeOptional: 0 });
    expect(slotReasons([lisbon, away], slots[0]!).busyIds).toEqual(["n"]);
  });

  it("counts working hours on working days alone, each person in their own week; other days come last, none is ruled out", () => {
    const of = (zone: string): SlotPerson => ({ id: zone, zone, isRequired: true, busy: [] });
    const week = ["MO", "TU", "WE", "TH", "FR"] as const;
    // 2027-03-12 is a Friday
    const weekend = { start: at("2027-03-12T17:00"), end: at("2027-03-15T12:00") };
    const slots = findSlots([of("Europe/Lisbon")], 60, weekend, undefined, week);
    expect([slots[0]!.startAt, slots[0]!.withinHours]).toEqual([at("2027-03-12T17:00"), 1]);
    expect(slots[1]!.startAt).toBe(at("2027-03-15T09:00"));
    expect(slots.find((one) => one.startAt === at("2027-03-13T10:00"))).toMatchObject({ withinHours: 0 });
    // Sunday 22:00 in Lisbon is Monday 11:00 in Auckland (UTC+13 in March)
    const sunday = { startAt: at("2027-03-14T22:00"), endAt: at("2027-03-14T23:00") };
    expect(slotReasons([of("Pacific/Auckland"), of("Europe/Lisbon")], sunday, week).outsideHoursIds).toEqual([
      "Europe/Lisbon",
    ]);
    const fridayThere = { startAt: at("2027-03-12T21:00"), endAt: at("2027-03-12T22:00") };
    expect(slotReasons([of("Pacific/Auckland")], fridayThere, week).outsideHoursIds).toEqual(["Pacific/Auckland"]);
    expect(slotReasons([of("Pacific/Auckland")], fridayThere).outsideHoursIds).toEqual([]);
  });
});
