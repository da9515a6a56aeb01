import type { LicenceClass, SeatClaim } from "./licences";

/** How many states a search may look at before it gives up undecided. */
export interface Budget {
  left: number;
}

/** One way so far: the classes of the claims that are still running, and what it has cost. */
interface Way {
  /** classes of the running claims, as digits */
  readonly key: number;
  readonly surplus: number;
  /** place among the ways of this step in the order of their choices so far: smaller means smaller first */
  readonly rank: number;
  readonly before: Way | null;
  readonly choice: number;
}

export type SearchResult =
  { readonly found: readonly number[]; readonly surplus: number } | { readonly failedAt: number } | "not-decided";

/** Running claims beyond this many at once would not fit into a number's digits to this base. */
const mostAtOnce = (base: number): number => Math.floor(Math.log(Number.MAX_SAFE_INTEGER) / Math.log(base));

const classIndexOf = (classes: readonly LicenceClass[], claim: SeatClaim): number =>
  classes.findIndex((one) => claim.heldLicenceId !== null && one.ids.includes(claim.heldLicenceId));

/** The classes that a claim may take. */
function choicesOf(classes: readonly LicenceClass[], claim: SeatClaim): readonly number[] {
  const held = classIndexOf(classes, claim);
  if (held >= 0) return [held];
  return classes.flatMap((one, i) => (one.size >= claim.need ? [i] : []));
}

const surplusOf = (classes: readonly LicenceClass[], claim: SeatClaim, choice: number): number =>
  Math.max(0, classes[choice]!.size - claim.need);

/** A bound from above: each claim takes the smallest class that has room when it starts. */
function greedySurplus(
  claims: readonly SeatClaim[],
  classes: readonly LicenceClass[],
  choices: readonly (readonly number[])[],
): number {
  const running: { endAt: number; choice: number }[] = [];
  let sum = 0;
  for (const [i, claim] of claims.entries()) {
    const used = classes.map(() => 0);
    for (const one of running) if (one.endAt > claim.startAt) used[one.choice]! += 1;
    const choice = choices[i]!.find((one) => used[one]! < classes[one]!.ids.length);
    if (choice === undefined) return Number.POSITIVE_INFINITY;
    running.push({ endAt: claim.endAt, choice });
    sum += surplusOf(classes, claim, choice);
  }
  return sum;
}

/** What the claims from each index on cost at the very least. */
function leastSurplus(
  claims: readonly SeatClaim[],
  classes: readonly LicenceClass[],
  choices: readonly (readonly number[])[],
): number[] {
  const out = new Array<number>(claims.length + 1).fill(0);
  for (let i = claims.length - 1; i >= 0; i -= 1)
    out[i] = out[i + 1]! + Math.min(...choices[i]!.map((choice) => surplusOf(classes, claims[i]!, choice)));
  return out;
}

/** Keeps of the ways to the same future the cheapest, then the one whose earlier dates have the smaller. */
function keepBest(ways: Map<number, Way>, way: Way): void {
  const known = ways.get(way.key);
  if (
    !known ||
    way.surplus < known.surplus ||
    (way.surplus === known.surplus && (way.rank - known.rank || way.choice - known.choice) < 0)
  )
    ways.set(way.key, way);
}

function ranked(ways: Iterable<Way>): Way[] {
  const sorted = [...ways].sort((a, b) => a.rank - b.rank || a.choice - b.choice);
  return sorted.map((way, rank) => ({ ...way, rank }));
}

/** The digits of running claims in a key, those that ended left out. */
function withoutEnded(key: number, base: number, stays: readonly boolean[]): { key: number; digits: number[] } {
  const digits: number[] = [];
  let rest = key;
  for (const stay of stays) {
    if (stay) digits.push(rest % base);
    rest = Math.floor(rest / base);
  }
  let out = 0;
  for (let i = digits.length - 1; i >= 0; i -= 1) out = out * base + digits[i]!;
  return { key: out, digits };
}

/**
 * Exact search over one chain of claims in order of start: which class each takes, with the least
 * total surplus of seats. Goes claim by claim and keeps one best way for each set of running classes,
 * so nothing that could still lead to an assignment is ever dropped.
 * @returns the classes, the index of the claim at which every way ends, or "not-decided"
 */
export function searchChain(
  claims: readonly SeatClaim[],
  classes: readonly LicenceClass[],
  budget: Budget,
): SearchResult {
  const base = classes.length + 1;
  const choices = claims.map((claim) => choicesOf(classes, claim));
  const impossible = choices.findIndex((list) => list.length === 0);
  if (impossible >= 0) return { failedAt: impossible };
  const most = greedySurplus(claims, classes, choices);
  const least = leastSurplus(claims, classes, choices);
  let running: SeatClaim[] = [];
  let ways: Way[] = [{ key: 0, surplus: 0, rank: 0, before: null, choice: -1 }];
  for (const [i, claim] of claims.entries()) {
    const stays = running.map((one) => one.endAt > claim.startAt);
    running = running.filter((_, at) => stays[at]!);
    if (running.length >= mostAtOnce(base)) return "not-decided";
    const weight = base ** running.length;
    const next = new Map<number, Way>();
    for (const way of ways) {
      const { key, digits } = withoutEnded(way.key, base, stays);
      for (const choice of choices[i]!) {
        const inWay = running.filter((_, at) => digits[at] === choice);
        // live dates stay where they are, whatever else live holds the same
        const areAllHeld = claim.heldLicenceId !== null && inWay.every((one) => one.heldLicenceId !== null);
        if (inWay.length >= classes[choice]!.ids.length && !areAllHeld) continue;
        const surplus = way.surplus + surplusOf(classes, claim, choice);
        if (surplus + least[i + 1]! > most) continue;
        keepBest(next, { key: key + choice * weight, surplus, rank: way.rank, before: way, choice });
      }
    }
    running.push(claim);
    budget.left -= next.size;
    if (budget.left < 0) return "not-decided";
    if (next.size === 0) return { failedAt: i };
    ways = ranked(next.values());
  }
  const best = ways.reduce((a, b) => (b.surplus < a.surplus || (b.surplus === a.surplus && b.rank < a.rank) ? b : a));
  const found: number[] = [];
  for (let way: Way | null = best; way && way.before; way = way.before) found.push(way.choice);
  return { found: found.reverse(), surplus: best.surplus };
}
