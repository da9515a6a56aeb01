import { fail, ok } from "../../shared";
import type { Capability } from "../capability";
import type { HourShape } from "./shape";
import { isCurtainUp, switchesNow, type HourEntry } from "./state";

const done = (action: string) => fail({ code: "already-done", action } as const);
/** A switch is, as far as it is named, what is given. */
const has = (now: object, part: object): boolean =>
  Object.entries(part).every(([key, value]) => (now as Record<string, unknown>)[key] === value);

export const decideHour: Capability<HourShape>["decide"] = {
  "hour.open-backstage": () => ok([{ type: "hour.backstage-opened" }]),
  "hour.close-backstage": (_, __, { scene }, { at }) =>
    // from the call time on it would open again by itself
    at < scene.times.callAt
      ? ok([{ type: "hour.backstage-closed" }])
      : fail({ code: "wrong-state", action: "hour.close-backstage", state: "called" }),
  "hour.open-doors": () => ok([{ type: "hour.doors-opened" }]),
  "hour.hold-doors": (hour) => (hour.areDoorsHeld ? done("hour.hold-doors") : ok([{ type: "hour.doors-held" }])),
  "hour.release-doors": (hour) =>
    hour.areDoorsHeld ? ok([{ type: "hour.doors-released" }]) : done("hour.release-doors"),
  "hour.raise-curtain": (hour, { moves }) => {
    if (isCurtainUp(hour)) return done("hour.raise-curtain");
    // of two desks one dropped it in this very moment: whoever did not see that does not undo it
    if (moves !== undefined && moves !== hour.curtainSpans.length) return fail({ code: "curtain-moved" });
    return ok([{ type: "hour.curtain-raised" }]);
  },
  "hour.drop-curtain": (hour) =>
    isCurtainUp(hour) ? ok([{ type: "hour.curtain-dropped" }]) : done("hour.drop-curtain"),
  "hour.strike-curtain": (hour, { index, isStruck }) => {
    const span = hour.curtainSpans[index];
    if (!span) return fail({ code: "not-found", what: "curtain span" });
    return span.isStruck === isStruck
      ? done("hour.strike-curtain")
      : ok([{ type: "hour.curtain-struck", index, isStruck }]);
  },
  "hour.set-switch": (hour, { set, seen }, { scene }) => {
    const now = switchesNow(hour, scene.switches)[set.name];
    if (has(now, set.value)) return done("hour.set-switch");
    if (!has(now, seen)) return fail({ code: "edited-meanwhile", currentVersion: JSON.stringify(now) });
    return ok([{ type: "hour.switch-set", name: set.name, value: { ...now, ...set.value } } as HourEntry]);
  },
  "hour.show-out": (hour, { ticketId }, { scene }) => {
    if (scene.stageTicketIds.has(ticketId)) return fail({ code: "not-allowed", action: "hour.show-out" });
    return hour.barred.has(ticketId) ? done("hour.show-out") : ok([{ type: "hour.shown-out", ticketId }]);
  },
  "hour.let-back": (hour, { ticketId }) =>
    hour.barred.has(ticketId) ? ok([{ type: "hour.bar-lifted", ticketId }]) : done("hour.let-back"),
  "hour.let-in": (hour, { ticketIds }) => {
    const still = ticketIds.filter((id) => !hour.letIn.has(id) && !hour.barred.has(id));
    return still.length > 0 ? ok([{ type: "hour.people-let-in", ticketIds: still }]) : done("hour.let-in");
  },
  "hour.end": () => ok([{ type: "hour.ended", curtainFellAt: null }]),
};
