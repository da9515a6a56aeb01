import { Book } from "../shared";

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

/** A view as it is made: what may hold thousands is a book, which knows what differs from the one before. */
export type MadeView = Readonly<Record<string, Readonly<Record<string, unknown>> | Book<unknown>>>;
type MadeSection = MadeView[string];
const nothing: MadeSection = {};

const plainSection = (section: MadeSection): PlainView[string] =>
  section instanceof Book ? Object.fromEntries(section) : section;

/** The view as it is sent. */
export const plainView = (view: MadeView): PlainView =>
  Object.fromEntries(Object.entries(view).map(([name, section]) => [name, plainSection(section)]));

function* changesOf(section: string, was: MadeSection, is: MadeSection): Iterable<ViewChange> {
  if (was === is) return;
  if (was instanceof Book && is instanceof Book) {
    for (const [id, before, after] of Book.changes(was, is)) {
      if (!isSame(before, after)) yield [section, id, after ?? null];
    }
    return;
  }
  const [before, after] = [plainSection(was), plainSection(is)];
  for (const id of Object.keys(after)) if (!isSame(before[id], after[id])) yield [section, id, after[id]];
  for (const id of Object.keys(before)) if (!(id in after)) yield [section, id, null];
}

/** What turns one projection into the next of the same feed. */
export function changesBetween(before: MadeView, after: MadeView): readonly ViewChange[] {
  return Object.keys(after).flatMap((name) => [...changesOf(name, before[name] ?? nothing, after[name]!)]);
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
