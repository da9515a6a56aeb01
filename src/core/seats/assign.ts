import { inOrderOfStart, type LicenceClass, type SeatClaim } from "./licences";

const meet = (a: SeatClaim, b: SeatClaim): boolean => a.startAt < b.endAt && b.startAt < a.endAt;

/**
 * Single licences within one class. Never more claims run at once than there are licences, so taking
 * any free one works, outward from a moment that all held ones share: live dates keep theirs.
 */
function assignClass(claims: readonly SeatClaim[], ids: readonly string[]): ReadonlyMap<string, string> {
  const out = new Map<string, string>();
  const held = claims.filter((one) => one.heldLicenceId !== null);
  for (const one of held) out.set(one.id, one.heldLicenceId!);
  const moment = held.length > 0 ? Math.max(...held.map((one) => one.startAt)) : Number.NEGATIVE_INFINITY;
  const others = claims.filter((one) => one.heldLicenceId === null).sort(inOrderOfStart);
  const across = others.filter((one) => one.startAt <= moment && moment < one.endAt);
  const after = others.filter((one) => one.startAt > moment);
  const before = others
    .filter((one) => one.endAt <= moment)
    .sort((a, b) => b.endAt - a.endAt || (a.id < b.id ? -1 : 1));
  for (const claim of [...across, ...after, ...before]) {
    const taken = new Set(claims.filter((one) => out.has(one.id) && meet(one, claim)).map((one) => out.get(one.id)!));
    const free = ids.find((id) => !taken.has(id));
    if (free !== undefined) out.set(claim.id, free);
  }
  return out;
}

/** The licence of each claim of a chain, from the class that the search gave it. */
export function assignLicences(
  chain: readonly SeatClaim[],
  classOf: readonly number[],
  classes: readonly LicenceClass[],
): ReadonlyMap<string, string> {
  return new Map(
    classes.flatMap((one, i) => [
      ...assignClass(
        chain.filter((_, at) => classOf[at] === i),
        one.ids,
      ),
    ]),
  );
}
