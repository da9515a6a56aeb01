import fc from "fast-check";
import { RRuleTemporal } from "rrule-temporal";
import { describe, expect, it } from "vitest";
import { firstMatch, ruleText, starts, weekdayCodes, weeklyRule, type RecurrenceRule } from "..";

describe("a second recurrence library agrees (rrule-temporal, in UTC: it drops what rule 1 shifts)", () => {
  const weekdayList = fc.uniqueArray(fc.constantFrom(...weekdayCodes), { minLength: 1, maxLength: 4 });
  const start = fc
    .date({ min: new Date("2020-01-01T00:00:00Z"), max: new Date("2030-12-31T00:00:00Z"), noInvalidDate: true })
    .map((date) => `${date.toISOString().slice(0, 10)}T18:30`);
  const months = fc.oneof(
    fc.constant<number[]>([]),
    fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 4 }),
  );
  const monthDays = fc.uniqueArray(
    fc.integer({ min: -31, max: 31 }).filter((day) => day !== 0),
    { minLength: 1, maxLength: 4 },
  );
  const ordinals = fc.array(fc.tuple(fc.constantFrom(1, 2, 3, 4, 5, -1, -2), fc.constantFrom(...weekdayCodes)), {
    minLength: 1,
    maxLength: 3,
  });
  const base = {
    interval: fc.integer({ min: 1, max: 5 }),
    count: fc.integer({ min: 1, max: 40 }),
    wkst: fc.constantFrom("MO" as const, "SU" as const, "WE" as const),
  };
  const plain = (list: readonly (typeof weekdayCodes)[number][]) => list.map((weekday) => ({ weekday, ordinal: null }));
  const rule: fc.Arbitrary<RecurrenceRule> = fc.oneof(
    fc.record({ ...base, byMonth: months }).map((part) => weeklyRule({ ...part, freq: "DAILY" })),
    fc.record({ ...base, byDay: weekdayList.map(plain) }).map((part) => weeklyRule(part)),
    fc.record({ ...base, byMonthDay: monthDays }).map((part) => weeklyRule({ ...part, freq: "MONTHLY" })),
    fc
      .record({ ...base, byDay: ordinals.map((list) => list.map(([ordinal, weekday]) => ({ ordinal, weekday }))) })
      .map((part) => weeklyRule({ ...part, freq: "MONTHLY" })),
    fc
      .record({ ...base, byDay: weekdayList.map(plain), byMonthDay: monthDays })
      .map((part) => weeklyRule({ ...part, freq: "MONTHLY" })),
    fc
      .record({ ...base, byMonth: months, byDay: weekdayList.map(plain) })
      .map((part) => weeklyRule({ ...part, freq: "YEARLY" })),
    fc
      .record({ ...base, byMonth: months, byMonthDay: monthDays })
      .map((part) => weeklyRule({ ...part, freq: "YEARLY" })),
  );

  it("on 800 generated rules", () => {
    let compared = 0;
    fc.assert(
      fc.property(rule, start, (generated, wanted) => {
        const startLocal = firstMatch(generated, wanted);
        fc.pre(startLocal !== null && startLocal < "2045");
        const own = [...starts(generated, startLocal!)].filter((local) => local < "2060");
        const reference = new RRuleTemporal({
          rruleString: `DTSTART:${startLocal!.replace(/[-:]/g, "")}00Z\nRRULE:${ruleText({ ...generated, count: null, until: "2059-12-31T23:59" }, "UTC")}`,
        });
        const theirs = reference
          .all((_date: unknown, i: number) => i < own.length)
          .map((one: { toString(): string }) => one.toString().slice(0, 16));
        expect(own).toEqual(theirs.slice(0, own.length));
        compared += own.length > 0 ? 1 : 0;
      }),
      { numRuns: 800, seed: 20261125 },
    );
    console.log(`recurrence: ${compared} generated rules compared with the reference`);
    expect(compared).toBeGreaterThanOrEqual(500);
  });
});
