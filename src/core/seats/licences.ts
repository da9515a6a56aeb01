import { minuteMs } from "../time";

/** One room of a size at a time: what the organisation owns (rule 3). */
export interface Licence {
  readonly id: string;
  readonly size: number;
}

/** A date as the seats see it: its house size and how long it holds a licence, half-open. */
export interface SeatClaim {
  readonly id: string;
  readonly need: number;
  readonly startAt: number;
  readonly endAt: number;
  /** a live date keeps the licence it holds */
  readonly heldLicenceId: string | null;
}

export const defaultOverrunMinutes = 15;

/** From its call time to its end plus the overrun margin (rule 3). */
export const holdOf = (
  times: { callAt: number; endAt: number },
  overrunMinutes: number = defaultOverrunMinutes,
): { startAt: number; endAt: number } => ({
  startAt: times.callAt,
  endAt: times.endAt + overrunMinutes * minuteMs,
});

/** Licences that are as good as each other: of one size and held by no date; each held one is a class of its own. */
export interface LicenceClass {
  readonly size: number;
  readonly ids: readonly string[];
}

/** The classes for these claims, the smaller sizes first. */
export function classesOf(licences: readonly Licence[], claims: readonly SeatClaim[]): readonly LicenceClass[] {
  const held = new Set(claims.map((one) => one.heldLicenceId));
  const bySize = new Map<number, string[]>();
  for (const { id, size } of licences) if (!held.has(id)) bySize.set(size, [...(bySize.get(size) ?? []), id]);
  const free = [...bySize].map(([size, ids]) => ({ size, ids: ids.sort() }));
  const alone = licences.filter(({ id }) => held.has(id)).map(({ id, size }) => ({ size, ids: [id] }));
  return [...free, ...alone].sort((a, b) => a.size - b.size);
}

/** The order in which ties are settled: the earlier date gets the smaller licence. */
export const inOrderOfStart = (a: SeatClaim, b: SeatClaim): number =>
  a.startAt - b.startAt || a.endAt - b.endAt || (a.id < b.id ? -1 : 1);

/** Groups of claims that overlap in a chain; claims of different groups never meet. */
export function chainsOf(claims: readonly SeatClaim[]): readonly (readonly SeatClaim[])[] {
  const out: SeatClaim[][] = [];
  let until = Number.NEGATIVE_INFINITY;
  for (const claim of [...claims].sort(inOrderOfStart)) {
    if (claim.startAt >= until) out.push([]);
    out.at(-1)!.push(claim);
    until = Math.max(until, claim.endAt);
  }
  return out;
}
