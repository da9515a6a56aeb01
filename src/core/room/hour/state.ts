import type { CurtainSpan } from "../../attendance";
import type { Phase, SwitchName, Switches, SwitchSet } from "../../people";
import { Book } from "../../shared";

export interface HourState {
  readonly phase: Phase;
  readonly areDoorsHeld: boolean;
  readonly doorsOpenedAt: number | null;
  readonly curtainSpans: readonly CurtainSpan[];
  readonly endedAt: number | null;
  /** the show was held elsewhere: its entries are a file's, and nothing of them ended here */
  readonly isImported: boolean;
  /** what was turned during the hour; the rest stands as the event has it */
  readonly turned: Partial<Switches>;
  /** by whom each was turned last, and when */
  readonly turnedBy: Readonly<Record<string, { readonly byId: string; readonly at: number }>>;
  /** shown out, and barred until let back */
  readonly barred: Book<true>;
  /** let in by hand */
  readonly letIn: Book<true>;
}

export const emptyHour: HourState = {
  phase: "scheduled",
  areDoorsHeld: false,
  doorsOpenedAt: null,
  curtainSpans: [],
  endedAt: null,
  isImported: false,
  turned: {},
  turnedBy: {},
  barred: Book.empty(),
  letIn: Book.empty(),
};

export type HourEntry =
  | { type: "hour.backstage-opened" }
  | { type: "hour.backstage-closed" }
  | { type: "hour.doors-opened" }
  | { type: "hour.doors-held" }
  | { type: "hour.doors-released" }
  | { type: "hour.curtain-raised" }
  | { type: "hour.curtain-dropped" }
  | { type: "hour.curtain-struck"; index: number; isStruck: boolean }
  | ({ type: "hour.switch-set" } & SwitchSet)
  | { type: "hour.shown-out"; ticketId: string }
  | { type: "hour.bar-lifted"; ticketId: string }
  | { type: "hour.people-let-in"; ticketIds: readonly string[] }
  | { type: "hour.show-imported"; raisedAt: number; droppedAt: number }
  /** the plan was edited: words are to be read again */
  | { type: "hour.plan-changed" }
  | { type: "hour.ended"; curtainFellAt: number | null }
  | { type: "hour.cancelled" }
  | { type: "hour.restored" }
  | { type: "hour.not-held" };

export const isCurtainUp = (hour: HourState): boolean => {
  const last = hour.curtainSpans.at(-1);
  return last !== undefined && last.droppedAt === null;
};

/** The first rise that was not struck out: the show's start. */
export const showStartedAt = (hour: HourState): number | null =>
  hour.curtainSpans.find((span) => !span.isStruck)?.raisedAt ?? null;

/** People at the door that one act lets in: a command carries 16 kB, and an id 39 bytes. */
export const mostLetInAtOnce = 300;
/** Whether somebody who waits need not be let in by hand any more (rule 28, at the door). */
export const isLetIn = (hour: HourState, event: Switches, ticketId: string): boolean =>
  !switchesNow(hour, event).door.on || hour.letIn.has(ticketId);

/** The switches as they stand now. */
export const switchesNow = (hour: HourState, event: Switches): Switches =>
  // rows of before a switch had all its parts leave them as they are planned
  Object.keys(hour.turned).length === 0
    ? event
    : (Object.fromEntries(
        Object.entries(event).map(([name, value]) => [name, { ...value, ...hour.turned[name as SwitchName] }]),
      ) as unknown as Switches);
