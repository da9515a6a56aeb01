import type { PlanInput } from "@/contracts";

export type PlanField = keyof PlanInput;

export interface Compared {
  /** changed by the other alone: taken over */
  readonly theirs: readonly PlanField[];
  /** changed by both, to different things: somebody chooses */
  readonly both: readonly PlanField[];
  /** changed here alone: kept */
  readonly mine: readonly PlanField[];
}

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

/** What two people made of one plan, field by field, against what both began from. */
export function comparePlans(base: PlanInput, mine: PlanInput, theirs: PlanInput): Compared {
  const fields = Object.keys(base) as PlanField[];
  const byThem = fields.filter((field) => !isSame(base[field], theirs[field]));
  const byMe = fields.filter((field) => !isSame(base[field], mine[field]));
  const isOpen = (field: PlanField): boolean => byMe.includes(field) && !isSame(mine[field], theirs[field]);
  return {
    theirs: byThem.filter((field) => !byMe.includes(field)),
    both: byThem.filter(isOpen),
    mine: byMe.filter((field) => !byThem.includes(field)),
  };
}

/** The plan that follows: theirs, with what was changed here alone and what is kept of the rest. */
export function mergedPlan(
  { mine: changedHere, both }: Compared,
  mine: PlanInput,
  theirs: PlanInput,
  kept: ReadonlySet<PlanField>,
): PlanInput {
  const own = [...changedHere, ...both.filter((field) => kept.has(field))];
  return { ...theirs, ...Object.fromEntries(own.map((field) => [field, mine[field]])) };
}
