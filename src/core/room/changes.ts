/** A view seen generically: sections of items by id. */
export type PlainView = Readonly<Record<string, Readonly<Record<string, unknown>>>>;

/** One item put or dropped (`null`): section, id, item. */
export type ViewChange = readonly [section: string, id: string, item: unknown];

function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  const keys = Object.keys(a);
  if (keys.length !== Object.keys(b).length) return false;
  return keys.every((key) => isSame((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]));
}

/** What turns one projection into the next of the same role class. */
export function changesBetween(before: PlainView, after: PlainView): readonly ViewChange[] {
  const changes: ViewChange[] = [];
  for (const section of Object.keys(after)) {
    const was = before[section] ?? {};
    const is = after[section]!;
    for (const id of Object.keys(is)) if (!isSame(was[id], is[id])) changes.push([section, id, is[id]]);
    for (const id of Object.keys(was)) if (!(id in is)) changes.push([section, id, null]);
  }
  return changes;
}

/** The clients' reducer: a view with changes put in. Untouched sections keep their identity. */
export function applyChanges<V extends object>(view: V, changes: readonly ViewChange[]): V {
  const next: Record<string, Record<string, unknown>> = { ...(view as Record<string, Record<string, unknown>>) };
  const touched = new Set<string>();
  for (const [section, id, item] of changes) {
    if (!touched.has(section)) {
      next[section] = { ...next[section] };
      touched.add(section);
    }
    if (item === null) delete next[section]![id];
    else next[section]![id] = item;
  }
  return next as V;
}
