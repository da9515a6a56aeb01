import fc from "fast-check";
import jstat from "jstat";
import { describe, expect, it } from "vitest";
import { hourMs, minuteMs } from "../time";
import {
  allocate,
  betaBinomialTail,
  binomialTail,
  expectedHouse,
  fitsAt,
  freeStarts,
  holdOf,
  nearestFits,
  oddsOf,
  type Licence,
  type SeatClaim,
} from ".";

const claim = (
  id: string,
  need: number,
  startAt: number,
  endAt: number,
  heldLicenceId: string | null = null,
): SeatClaim => ({ id, need, startAt, endAt, heldLicenceId });
const owned = (...sizes: number[]): Licence[] => sizes.map((size, i) => ({ id: `l${i}`, size }));
const meet = (a: SeatClaim, b: SeatClaim) => a.startAt < b.endAt && b.startAt < a.endAt;

/** Every way of giving single licences to dates, tried: the cheapest, or null. The reference. */
function bruteForce(claims: readonly SeatClaim[], licences: readonly Licence[]): number | null {
  let best: number | null = null;
  const given: Licence[] = [];
  const go = (i: number, surplus: number): void => {
    if (best !== null && surplus >= best) return;
    const one = claims[i];
    if (!one) {
      best = surplus;
      return;
    }
    for (const licence of licences) {
      if (one.heldLicenceId !== null ? licence.id !== one.heldLicenceId : licence.size < one.need) continue;
      if (given.some((other, j) => other.id === licence.id && meet(claims[j]!, one))) continue;
      given.push(licence);
      go(i + 1, surplus + Math.max(0, licence.size - one.need));
      given.pop();
    }
  };
  go(0, 0);
  return best;
}

const cases = fc.record({
  claims: fc
    .array(fc.tuple(fc.constantFrom(20, 90, 100, 300, 500, 900), fc.nat(14), fc.integer({ min: 1, max: 6 })), {
      minLength: 1,
      maxLength: 7,
    })
    .map((list) => list.map(([need, start, length], i) => claim(`d${i}`, need, start, start + length))),
  licences: fc
    .array(fc.constantFrom(100, 300, 500, 1000), { minLength: 1, maxLength: 4 })
    .map((sizes) => owned(...sizes)),
  live: fc.array(fc.nat(6), { maxLength: 4 }),
});

/** Some dates hold a licence that is large enough: they need not share a moment, one may be backstage a day ahead. */
function withLive(claims: readonly SeatClaim[], licences: readonly Licence[], live: readonly number[]): SeatClaim[] {
  const out = [...claims];
  for (const at of live) {
    const one = out[at];
    const held = out.filter((other) => other.heldLicenceId !== null);
    const big = licences.find(
      ({ id, size }) =>
        one && size >= one.need && !held.some((other) => other.heldLicenceId === id && meet(other, one)),
    );
    if (one && big) out[at] = { ...one, heldLicenceId: big.id };
  }
  return out;
}

describe("rule 3: allocation is exact", () => {
  it("agrees with brute force on 3,000 generated cases, in verdict and in surplus; clashes are minimal", () => {
    let fitting = 0;
    let clashing = 0;
    fc.assert(
      fc.property(cases, ({ claims: raw, licences, live }) => {
        const claims = withLive(raw, licences, live);
        const best = bruteForce(claims, licences);
        const own = allocate(claims, licences);
        expect(own.verdict).toBe(best === null ? "clash" : "fits");
        if (own.verdict === "fits") {
          fitting += 1;
          expect(own.surplus).toBe(best);
          for (const one of claims) {
            const licence = licences.find((two) => two.id === own.licenceOf.get(one.id))!;
            expect(licence.size).toBeGreaterThanOrEqual(one.need);
            if (one.heldLicenceId) expect(licence.id).toBe(one.heldLicenceId);
            for (const other of claims)
              if (other !== one && meet(one, other)) expect(own.licenceOf.get(other.id)).not.toBe(licence.id);
          }
        }
        if (own.verdict === "clash") {
          clashing += 1;
          const set = claims.filter((one) => own.clashing.includes(one.id));
          expect(bruteForce(set, licences)).toBeNull();
          for (const one of set)
            expect(
              bruteForce(
                set.filter((two) => two !== one),
                licences,
              ),
            ).not.toBeNull();
        }
      }),
      { numRuns: 3000, seed: 20261125 },
    );
    console.log(`allocation: ${fitting} cases fit, ${clashing} clash, all as brute force has them`);
    expect(fitting + clashing).toBeGreaterThanOrEqual(2000);
  });

  it("finds the assignment that taking the smallest first would miss", () => {
    // the 100 must not take the only 500 that a later 400 needs: there is a 1000 beside it
    const fitted = allocate([claim("a", 450, 0, 4), claim("b", 100, 2, 10), claim("c", 400, 5, 9)], owned(500, 1000));
    expect(fitted).toMatchObject({ verdict: "fits", surplus: 50 + 900 + 100 });
  });

  it("gives ties to the earlier date", () => {
    const fitted = allocate([claim("late", 90, 1, 5), claim("early", 90, 0, 5)], owned(1000, 100));
    expect(fitted.verdict === "fits" && [fitted.licenceOf.get("early"), fitted.licenceOf.get("late")]).toEqual([
      "l1",
      "l0",
    ]);
  });

  it("lets one start the moment another's hold ends, and holds from the call to 15 min past the end", () => {
    expect(allocate([claim("a", 50, 0, 5), claim("b", 50, 5, 9)], owned(100)).verdict).toBe("fits");
    expect(allocate([claim("a", 50, 0, 5), claim("b", 50, 4, 9)], owned(100))).toEqual({
      verdict: "clash",
      clashing: ["a", "b"],
    });
    expect(holdOf({ callAt: 0, endAt: hourMs })).toEqual({ startAt: 0, endAt: hourMs + 15 * minuteMs });
  });

  it("names a date that no licence is large enough for, and says not decided rather than no", () => {
    expect(allocate([claim("huge", 2000, 0, 1), claim("a", 10, 0, 1)], owned(100, 1000))).toEqual({
      verdict: "clash",
      clashing: ["huge"],
    });
    const many = Array.from({ length: 10 }, (_, i) => claim(`d${i}`, [90, 250, 450][i % 3]!, i, i + 12));
    expect(allocate(many, owned(100, 100, 100, 100, 300, 300, 300, 500, 500, 500), 3).verdict).toBe("not-decided");
  });
});

describe("rule 3: nearest fits", () => {
  const at = (time: string) => Date.parse(`2027-03-10T${time}:00Z`);
  const date = {
    id: "new",
    need: 80,
    startAt: at("18:00"),
    holdBeforeMs: 20 * minuteMs,
    holdAfterMs: 75 * minuteMs,
    zone: "UTC",
  };
  const hours = { from: "09:00", until: "21:00" };
  const other = claim("other", 60, at("17:40"), at("19:15"));
  const time = (instant: number | null) => (instant === null ? null : new Date(instant).toISOString().slice(5, 16));

  it("are the closest starts on the quarter hour that are free, within the hours of day", () => {
    expect(fitsAt(date, at("18:00"), [other], owned(100))).toBe(false);
    const found = nearestFits(date, [other], owned(100), hours, 0);
    // the own hold is 17:40–19:15 too: 16:15 + 75 min = 17:30, 16:30 would end at 17:45; 19:45 − 20 min = 19:25, 19:35 is off the grid
    expect([time(found.earlier), time(found.later)]).toEqual(["03-10T16:15", "03-10T19:45"]);
    expect(time(nearestFits(date, [other], owned(100), { from: "17:00", until: "19:00" }, 0).later)).toBe(
      "03-11T17:00",
    );
    expect(nearestFits(date, [other], owned(100), hours, at("17:00")).earlier).toBeNull();
    expect(nearestFits({ ...date, need: 200 }, [other], owned(100), hours, 0)).toEqual({ earlier: null, later: null });
  });

  it("agree with trying each start by brute force", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 95 }), fc.integer({ min: 1, max: 12 }), fc.constantFrom(50, 400)), {
          maxLength: 8,
        }),
        (list) => {
          const others = list.map(([start, length, need], i) =>
            claim(`o${i}`, need, at("00:00") + start * 15 * minuteMs, at("00:00") + (start + length) * 15 * minuteMs),
          );
          const licences = owned(100, 500);
          for (const cell of freeStarts(date, others, licences, at("00:00"), at("23:00")).filter(
            (_, i) => i % 7 === 0,
          )) {
            const own = claim("new", 80, cell.startAt - date.holdBeforeMs, cell.startAt + date.holdAfterMs);
            const reach = others.filter((one) => Math.abs(one.startAt - cell.startAt) < 20 * hourMs);
            // only what could change by the new date: if the others clash among themselves the date does not fit their chain either
            const all = bruteForce([...reach, own], licences) !== null;
            if (all) expect(cell.isFree).toBe(true);
            else if (bruteForce(reach, licences) !== null) expect(cell.isFree).toBe(false);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("rule 3: expected house", () => {
  it("gives the figures of rules.md", () => {
    expect(expectedHouse(600, 250, { registered: 0, attended: 0 }, null).fullChance).toBeCloseTo(0.43, 2);
    expect(expectedHouse(600, 250, { registered: 200, attended: 80 }, null).fullChance).toBeCloseTo(0.32, 2);
    expect(binomialTail(600, 0.4, 250)).toBeCloseTo(0.1906, 4);
    expect(betaBinomialTail(600, 8e7, 12e7, 250)).toBeCloseTo(0.1906, 3);
  });

  it("agrees with a statistics library (jstat): binomial tails, and the mixture over its Beta by quadrature", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 300 }),
        fc.integer({ min: 2, max: 60 }),
        fc.integer({ min: 2, max: 60 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (n, a, b, part) => {
          const k = Math.floor(part * n);
          expect(binomialTail(n, a / (a + b), k)).toBeCloseTo(1 - jstat.binomial.cdf(k, n, a / (a + b)), 8);
          // Simpson's rule over p of P(X > k | p) · Beta(p; a, b)
          const steps = 400;
          let sum = 0;
          for (let i = 0; i <= steps; i += 1)
            sum +=
              (i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2) *
              (1 - jstat.binomial.cdf(k, n, i / steps)) *
              jstat.beta.pdf(i / steps, a, b);
          expect(betaBinomialTail(n, a, b, k)).toBeCloseTo(sum / (3 * steps), 3);
        },
      ),
      { numRuns: 60 },
    );
  });

  it("scales by the peak share, and says odds as a person would", () => {
    const past = { registered: 400, attended: 200 };
    expect(expectedHouse(500, 250, past, 0.8).fullChance).toBeLessThan(expectedHouse(500, 250, past, null).fullChance);
    expect(expectedHouse(500, 250, past, 0.8).peak).toBeCloseTo(0.8 * 500 * (208 / 420), 6);
    expect([oddsOf(0.32), oddsOf(0.43), oddsOf(0.5), oddsOf(0.75), oddsOf(0.05), oddsOf(0.005)]).toEqual([
      { n: 1, m: 3 },
      { n: 2, m: 5 },
      { n: 1, m: 2 },
      { n: 3, m: 4 },
      { n: 1, m: 20 },
      null,
    ]);
  });

  it("keeps edges: nobody registered, a house larger than all", () => {
    expect(expectedHouse(0, 10, { registered: 0, attended: 0 }, null)).toEqual({ come: 0, peak: 0, fullChance: 0 });
    expect(expectedHouse(10, 10, { registered: 0, attended: 0 }, null).fullChance).toBe(0);
  });
});

describe("rule 3: live dates and the dates around them", () => {
  it("never gets a licence that somebody else holds: two held at different times, a third across both", () => {
    const claims = [claim("now", 90, 0, 2, "l0"), claim("ahead", 90, 3, 5, "l1"), claim("across", 90, 1, 4)];
    const got = allocate(claims, owned(100, 100));
    expect(got.verdict).toBe("clash");
    const three = allocate(claims, owned(100, 100, 100));
    expect(three.verdict === "fits" && Object.fromEntries(three.licenceOf)).toEqual({
      now: "l0",
      ahead: "l1",
      across: "l2",
    });
  });
  it("leaves two that came to hold the same one in peace, and goes on for the others", () => {
    const claims = [claim("a", 90, 0, 3, "l0"), claim("b", 90, 2, 5, "l0"), claim("c", 90, 1, 2)];
    const got = allocate(claims, owned(100, 100));
    expect(got.verdict === "fits" && got.licenceOf.get("c")).toBe("l1");
  });
});
