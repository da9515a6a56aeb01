import { assignLicences } from "./assign";
import { chainsOf, classesOf, type Licence, type SeatClaim } from "./licences";
import { searchChain, type Budget } from "./search";

export type Allocation =
  | { readonly verdict: "fits"; readonly licenceOf: ReadonlyMap<string, string>; readonly surplus: number }
  /** dropping any one of these dates makes the rest of them fit */
  | { readonly verdict: "clash"; readonly clashing: readonly string[] }
  /** the search ran out of its budget: never a "no" */
  | { readonly verdict: "not-decided" };

export const searchBudget = 400_000;

/** Whether an assignment exists; null where the search could not decide. */
function fits(claims: readonly SeatClaim[], licences: readonly Licence[]): boolean | null {
  const budget = { left: searchBudget };
  let isUndecided = false;
  for (const chain of chainsOf(claims)) {
    const result = searchChain(chain, classesOf(licences, chain), budget);
    if (result === "not-decided") isUndecided = true;
    else if ("failedAt" in result) return false;
  }
  return isUndecided ? null : true;
}

/** Drops what is not needed for the clash, one by one, until every remaining date is. */
function minimalClash(claims: readonly SeatClaim[], last: SeatClaim, licences: readonly Licence[]): readonly string[] {
  const meeting = claims.filter((one) => one.startAt < last.endAt && last.startAt < one.endAt);
  let kept = fits(meeting, licences) === false ? meeting : [...claims];
  for (const claim of [...kept]) {
    const without = kept.filter((one) => one !== claim);
    if (without.length > 0 && fits(without, licences) === false) kept = without;
  }
  return kept.map((one) => one.id);
}

/**
 * Rule 3: a licence for every date, with the least total surplus of seats, ties to the earlier date;
 * or an inclusion-minimal set of dates that clash. Exact: a larger licence may serve a smaller house,
 * and no assignment that exists is missed.
 */
export function allocate(
  claims: readonly SeatClaim[],
  licences: readonly Licence[],
  budget: number = searchBudget,
): Allocation {
  const left: Budget = { left: budget };
  const licenceOf = new Map<string, string>();
  let surplus = 0;
  let isUndecided = false;
  for (const chain of chainsOf(claims)) {
    const classes = classesOf(licences, chain);
    const result = searchChain(chain, classes, left);
    if (result === "not-decided") isUndecided = true;
    else if ("failedAt" in result)
      return {
        verdict: "clash",
        clashing: minimalClash(chain.slice(0, result.failedAt + 1), chain[result.failedAt]!, licences),
      };
    else {
      surplus += result.surplus;
      for (const [id, licence] of assignLicences(chain, result.found, classes)) licenceOf.set(id, licence);
    }
  }
  return isUndecided ? { verdict: "not-decided" } : { verdict: "fits", licenceOf, surplus };
}
