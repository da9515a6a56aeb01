import { isStageRole, type Role } from "../people";
import { intersectionOf, unionOf, type IntervalSet } from "../time";
import { spanOf, type Connection } from "./presence";

/** What a producer put right by hand after a date; each can be undone, none changes what was written down live. */
export type Correction =
  /** two lines are one person: what the first did counts as the other's */
  | { readonly kind: "merge"; readonly personKey: string; readonly intoKey: string }
  /** somebody was there to try: they count in no figure */
  | { readonly kind: "test"; readonly personKey: string }
  /** one entry was from and to another instant than the room thought */
  | { readonly kind: "entry"; readonly entryKey: string; readonly inAt: number; readonly outAt: number };

/** A connection that can be named, to be put right. */
export interface EntryKeyed extends Connection {
  readonly entryKey: string;
  readonly role: Role;
}

export type MergeFault = "same" | "merged-already" | "on-stage-at-once";

/** Whose line somebody's doings stand in, after what was merged by hand; a merge into one that was merged goes on. */
export function keyAfter(corrections: readonly Correction[]): (personKey: string) => string {
  const into = new Map(
    corrections.flatMap((one) => (one.kind === "merge" ? [[one.personKey, one.intoKey] as const] : [])),
  );
  return (personKey) => {
    let key = personKey;
    // never more steps than merges: a circle ends
    for (let steps = into.size; steps > 0 && into.has(key); steps -= 1) key = into.get(key)!;
    return key;
  };
}

/**
 * Why two lines cannot be one person; null where they can. People who stood on stage at the same time are two:
 * a person may have several devices, but has one place on stage.
 */
export function mergeFault(
  entries: readonly EntryKeyed[],
  corrections: readonly Correction[],
  personKey: string,
  intoKey: string,
): MergeFault | null {
  const after = keyAfter(corrections);
  if (after(personKey) === after(intoKey)) return "same";
  if (after(personKey) !== personKey) return "merged-already";
  const onStage = (key: string): IntervalSet =>
    unionOf(entries.filter((one) => isStageRole(one.role) && after(one.personKey) === after(key)).map(spanOf));
  return intersectionOf(onStage(personKey), onStage(intoKey)).length > 0 ? "on-stage-at-once" : null;
}

/** The entries as they count: put right, and each under the line it belongs to. */
export function corrected<E extends EntryKeyed>(entries: readonly E[], corrections: readonly Correction[]): E[] {
  const after = keyAfter(corrections);
  const spans = new Map(corrections.flatMap((one) => (one.kind === "entry" ? [[one.entryKey, one] as const] : [])));
  const tests = new Set(corrections.flatMap((one) => (one.kind === "test" ? [after(one.personKey)] : [])));
  return entries.map((entry) => {
    const personKey = after(entry.personKey);
    const span = spans.get(entry.entryKey);
    return {
      ...entry,
      personKey,
      ...(span && { inAt: span.inAt, outAt: span.outAt }),
      ...(tests.has(personKey) && { role: "test-guest" as const }),
    };
  });
}
