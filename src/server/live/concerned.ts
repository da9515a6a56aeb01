import { concernedOf, type JournalEntry, type RoomState } from "@/core/room";
import { Book } from "@/core/shared";

/** Those whose own part changed between two states of a room. */
export function concerned(before: RoomState, after: RoomState): ReadonlySet<string> {
  const out = new Set<string>(concernedOf(before, after));
  for (const [, was, is] of Book.changes(before.questions.asked, after.questions.asked)) {
    const askerId = is?.askerId ?? was?.askerId;
    if (askerId) out.add(askerId);
  }
  for (const [id, was, is] of Book.changes(before.stage.people, after.stage.people)) {
    if (was?.place !== is?.place) out.add(id);
  }
  for (const [id] of Book.changes(before.hour.letIn, after.hour.letIn)) out.add(id);
  return out;
}

/** Whether whoever waits in the foyer waits for something else now: they are told, and looked at again. */
export const isDoorOther = ({ hour: before }: RoomState, { hour: after }: RoomState): boolean =>
  before.phase !== after.phase ||
  before.areDoorsHeld !== after.areDoorsHeld ||
  before.turned.door?.on !== after.turned.door?.on;

/** The capabilities that these rows are of; undefined where the hour itself is among them, which all others read. */
export function actingCapabilities(rows: readonly JournalEntry[]): ReadonlySet<string> | undefined {
  const names = new Set(rows.map(({ body }) => body.type.slice(0, body.type.indexOf("."))));
  return names.has("hour") ? undefined : names;
}
