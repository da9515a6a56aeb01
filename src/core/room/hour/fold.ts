import type { By, Capability } from "../capability";
import type { HourShape } from "./shape";
import { isCurtainUp, type HourState } from "./state";

function dropCurtain(hour: HourState, at: number): HourState {
  if (!isCurtainUp(hour)) return hour;
  const last = hour.curtainSpans.at(-1)!;
  const fell = { ...last, droppedAt: Math.max(last.raisedAt, at) };
  return { ...hour, curtainSpans: [...hour.curtainSpans.slice(0, -1), fell] };
}

export const foldHour: Capability<HourShape>["fold"] = {
  "hour.backstage-opened": (hour) => ({ ...hour, phase: "backstage" }),
  "hour.backstage-closed": (hour) => ({ ...hour, phase: "scheduled" }),
  "hour.doors-opened": (hour, _, { at }) => ({ ...hour, phase: "open", doorsOpenedAt: at }),
  "hour.doors-held": (hour) => ({ ...hour, areDoorsHeld: true }),
  "hour.doors-released": (hour) => ({ ...hour, areDoorsHeld: false }),
  "hour.curtain-raised": (hour, _, { at }) => ({
    ...hour,
    curtainSpans: [...hour.curtainSpans, { raisedAt: at, droppedAt: null, isStruck: false }],
  }),
  "hour.curtain-dropped": (hour, _, { at }) => dropCurtain(hour, at),
  "hour.curtain-struck": (hour, { index, isStruck }) => ({
    ...hour,
    curtainSpans: hour.curtainSpans.map((span, i) => (i === index ? { ...span, isStruck } : span)),
  }),
  "hour.switch-set": (hour, { name, value }, { ticketId, at }) => ({
    ...hour,
    turned: { ...hour.turned, [name]: value },
    turnedBy: { ...hour.turnedBy, [name]: { byId: ticketId, at } },
  }),
  "hour.shown-out": (hour, { ticketId }) => ({ ...hour, barred: hour.barred.with(ticketId, true) }),
  "hour.bar-lifted": (hour, { ticketId }) => ({ ...hour, barred: hour.barred.without(ticketId) }),
  "hour.people-let-in": (hour, { ticketIds }) => ({
    ...hour,
    letIn: ticketIds.reduce((book, id) => book.with(id, true), hour.letIn),
  }),
  "hour.show-imported": (hour, { raisedAt, droppedAt }) => ({
    ...hour,
    phase: "ended",
    endedAt: droppedAt,
    isImported: true,
    curtainSpans: [...hour.curtainSpans, { raisedAt, droppedAt, isStruck: false }],
  }),
  "hour.plan-changed": (hour) => hour,
  "hour.ended": (hour, { curtainFellAt }, { at }: By) => ({
    ...dropCurtain(hour, curtainFellAt ?? at),
    phase: "ended",
    endedAt: curtainFellAt ?? at,
  }),
  "hour.cancelled": (hour) => ({ ...hour, phase: "cancelled" }),
  "hour.restored": (hour) => ({ ...hour, phase: "scheduled" }),
  "hour.not-held": (hour) => ({ ...hour, phase: "not-held" }),
};
