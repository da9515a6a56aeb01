export const funnelSteps = ["invited", "registered", "came", "stayed", "took-part", "watched"] as const;
export type FunnelStep = (typeof funnelSteps)[number];

/** Who of the people known did what, by person; of visits only the number is known (rule 29). */
export type FunnelPeople = Readonly<Record<FunnelStep, ReadonlySet<string>>>;

export interface FunnelLine {
  readonly step: FunnelStep;
  /** people of the base who did this too */
  readonly count: number;
  /** people who did this at all, from wherever they came */
  readonly all: number;
  /** what the rate is of; null for the first line, which has none */
  readonly base: { readonly step: FunnelStep; readonly count: number } | null;
  /** count / base; null without a base */
  readonly rate: number | null;
}

const both = (a: ReadonlySet<string>, b: ReadonlySet<string>): Set<string> =>
  new Set([...a].filter((one) => b.has(one)));

/**
 * Rule 29: each step is a subset of the people of the step before. Whoever registered without being invited stands in
 * no share of the invited; from registration on everybody counts.
 */
export function funnelOf(people: FunnelPeople): readonly FunnelLine[] {
  const lines: FunnelLine[] = [];
  let before: { step: FunnelStep; people: ReadonlySet<string> } | null = null;
  for (const step of funnelSteps) {
    const own = people[step];
    const within: ReadonlySet<string> = before ? both(before.people, own) : own;
    lines.push({
      step,
      count: within.size,
      all: own.size,
      base: before && { step: before.step, count: before.people.size },
      rate: before && before.people.size > 0 ? within.size / before.people.size : null,
    });
    before = { step, people: step === "registered" ? own : within };
  }
  return lines;
}

export interface FunnelCut {
  readonly group: string;
  readonly registered: number;
  readonly came: number;
  readonly stayed: number;
  readonly tookPart: number;
}

/** The same by groups of those who registered: by source, by language, by zone; largest first. */
export function funnelBy(people: FunnelPeople, groupOf: (person: string) => string): readonly FunnelCut[] {
  const cuts = new Map<string, { registered: number; came: number; stayed: number; tookPart: number }>();
  for (const person of people.registered) {
    const group = groupOf(person);
    const cut = cuts.get(group) ?? { registered: 0, came: 0, stayed: 0, tookPart: 0 };
    cuts.set(group, cut);
    cut.registered += 1;
    if (!people.came.has(person)) continue;
    cut.came += 1;
    if (!people.stayed.has(person)) continue;
    cut.stayed += 1;
    if (people["took-part"].has(person)) cut.tookPart += 1;
  }
  return [...cuts]
    .map(([group, cut]) => ({ group, ...cut }))
    .sort((a, b) => b.registered - a.registered || (a.group < b.group ? -1 : 1));
}

const dayMs = 86_400_000;

/** Registrations by days before the start, the last `days` of them; what was earlier stands in the first. */
export function registrationsByDay(registeredAt: readonly number[], startAt: number, days: number): readonly number[] {
  const counts = new Array<number>(days).fill(0);
  for (const at of registeredAt) {
    const before = Math.max(0, Math.ceil((startAt - at) / dayMs) - 1);
    counts[Math.max(0, days - 1 - before)]! += 1;
  }
  return counts;
}
