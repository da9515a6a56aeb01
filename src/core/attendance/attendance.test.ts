import fc from "fast-check";
import { median } from "simple-statistics";
import { describe, expect, it } from "vitest";
import {
  creditPoints,
  houseCurve,
  measure,
  medianOf,
  personKeyOf,
  presenceByPerson,
  presenceOf,
  retentionOf,
  showOf,
  untilEnd,
  type Connection,
} from ".";

const at = (time: string): number => Date.parse(`2026-11-26T${time.length === 5 ? `${time}:00` : time}Z`);
const span = (from: string, to: string) => ({ start: at(from), end: at(to) });
const show = showOf([{ raisedAt: at("18:00"), droppedAt: at("19:00"), isStruck: false }], at("20:00"));

describe("rule 13: attendance", () => {
  it("gives the example of rules.md: 45 min, 75 %", () => {
    const presence = presenceOf(
      [span("17:52", "18:20"), span("18:10", "18:25"), span("18:40", "18:55:10"), span("18:55:30", "19:05")],
      show,
    );
    expect(presence).toEqual([span("18:00", "18:25"), span("18:40", "19:00")]);
    expect(measure(presence, show)).toEqual({ minutes: 45, percent: 75 });
  });

  it("closes a gap of 30 s and not one of 31 s, before the clip is made", () => {
    const stays = (back: string) => presenceOf([span("18:10", "18:20"), span(back, "18:30")], show).length;
    expect([stays("18:20:30"), stays("18:20:31")]).toEqual([1, 2]);
  });

  it("counts nobody on after a date's end: open tabs are cut there, later ones are none", () => {
    const of = (inAt: string, outAt: string | null, lastSignAt: string): Connection => ({
      personKey: "p",
      device: "computer",
      inAt: at(inAt),
      outAt: outAt === null ? null : at(outAt),
      lastSignAt: at(lastSignAt),
    });
    const left = of("18:00", "18:30", "18:30");
    const open = of("18:10", null, "19:46");
    const later = of("19:10", "19:20", "19:20");
    expect(untilEnd([left, open, later], at("19:05"))).toEqual([left, { ...open, outAt: at("19:05") }]);
    expect(untilEnd([open], null)).toEqual([open]);
  });

  it("leaves out struck spans and ends an open one now", () => {
    const spans = [
      { raisedAt: 0, droppedAt: 10, isStruck: true },
      { raisedAt: 20, droppedAt: null, isStruck: false },
    ];
    expect(showOf(spans, 50)).toEqual([{ start: 20, end: 50 }]);
  });

  it("ends a lost connection at its last sign of life", () => {
    const lost: Connection = {
      personKey: "a",
      device: "phone",
      inAt: at("18:00"),
      outAt: null,
      lastSignAt: at("18:12"),
    };
    expect(presenceByPerson([lost], show).get("a")).toEqual([span("18:00", "18:12")]);
  });

  it("finds peak, average and median stay exactly", () => {
    const curve = houseCurve([[span("18:00", "18:30")], [span("18:10", "19:00")], [span("18:10", "18:20")], []], show);
    expect(curve.peak).toEqual({ count: 3, at: at("18:10") });
    expect(curve.averageHouse).toBeCloseTo(90 / 60, 10);
    expect([curve.medianStayMinutes, curve.people]).toEqual([30, 3]);
  });

  it("agrees with a walk minute by minute, and the median with a statistics library", () => {
    const stay = fc.tuple(fc.integer({ min: 0, max: 59 }), fc.integer({ min: 1, max: 60 }));
    fc.assert(
      fc.property(fc.array(stay, { minLength: 1, maxLength: 25 }), (stays) => {
        const sets = stays.map(([from, length]) => [
          { start: at("18:00") + from * 60_000, end: at("18:00") + Math.min(60, from + length) * 60_000 },
        ]);
        const { peak } = houseCurve(sets, show);
        const walked = Math.max(
          ...Array.from(
            { length: 60 },
            (_, m) =>
              sets.filter(([one]) => one!.start <= at("18:00") + m * 60_000 && at("18:00") + m * 60_000 < one!.end)
                .length,
          ),
        );
        expect(peak?.count).toBe(walked);
        const lengths = stays.map(([, length]) => length);
        expect(medianOf(lengths)).toBe(median(lengths));
      }),
      { numRuns: 200 },
    );
  });

  it("measures retention on those present at a segment's start", () => {
    const stayed = retentionOf(
      [[span("18:00", "18:30")], [span("18:00", "18:05"), span("18:12", "18:30")], [span("18:00", "18:03")]],
      at("18:00"),
      at("18:15"),
    );
    expect(stayed).toEqual({ atStart: 3, stillThere: 2, share: 2 / 3 });
  });

  it("matches people by ticket, then proven address, never by name", () => {
    const tickets = new Map([["ines@example.org", "t1"]]);
    expect(personKeyOf({ ticketId: "t9", provenEmail: "ines@example.org", chainId: "c" }, tickets)).toBe("t9");
    expect(personKeyOf({ ticketId: null, provenEmail: "Ines@example.org", chainId: "c" }, tickets)).toBe("t1");
    expect(personKeyOf({ ticketId: null, provenEmail: "new@example.org", chainId: "c" }, tickets)).toBe(
      "address:new@example.org",
    );
    expect(personKeyOf({ ticketId: null, provenEmail: null, chainId: "c" }, tickets)).toBe("guest:c");
  });

  it("gives credit from the threshold on", () => {
    const rule = { points: 2, thresholdPercent: 75, checks: null };
    expect([creditPoints(75, 0, rule), creditPoints(74.99, 9, rule), creditPoints(100, 0, null)]).toEqual([2, 0, null]);
    // … and with as many presence checks as are asked for
    const checked = { ...rule, checks: 2 };
    expect([creditPoints(100, 1, checked), creditPoints(75, 2, checked), creditPoints(70, 2, checked)]).toEqual([
      0, 2, 0,
    ]);
  });
});
