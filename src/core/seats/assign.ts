import { inOrderOfStart, type LicenceClass, type SeatClaim } from "./licences";

/**
 * Single licences within one class. Never more claims run at once than there are licences, so in the order of the
 * starts each takes one that is free; of a licence that is held by somebody all are that one's.
 */
function assignClass(claims: readonly SeatClaim[], ids: readonly string[]): ReadonlyMap<string, string> {
  const out = new Map<string, string>();
  const freeAt = new Map(ids.map((id) => [id, Number.NEGATIVE_INFINITY]));
  for (const claim of [...claims].sort(inOrderOfStart)) {
    const free = claim.heldLicenceId ?? ids.find((id) => freeAt.get(id)! <= claim.startAt);
    if (free === undefined) continue;
    out.set(claim.id, free);
    freeAt.set(free, Math.max(freeAt.get(free) ?? 0, claim.endAt));
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
