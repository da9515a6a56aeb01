import { mayComeBackstage } from "../../dates";
import { live, onStage, running, team } from "../../people";
import { fail, ok, type Result } from "../../shared";
import type { By, Capability, Now } from "../capability";
import type { HourEntry } from "../hour/state";
import { isInHouse, isOfTheStage } from "../standing";
import { arrivedBackstage, closed, emptyStage, type StagePerson, type StagePlace, type StageState } from "./state";
import { audienceOf, castOf, stagePeople } from "./views";

export type StageCommand =
  | { type: "stage.enter" }
  | { type: "stage.move"; ticketId: string; place: StagePlace }
  | { type: "stage.set-microphone"; isOpen: boolean }
  | { type: "stage.close-microphones"; exceptId: string | null }
  | { type: "stage.close-microphone"; ticketId: string }
  /** a question on their own screen, answered there: nothing opens from outside; null asks all on stage */
  | { type: "stage.ask-to-open"; ticketId: string | null }
  | { type: "stage.keep-closed" }
  | { type: "stage.set-camera"; isOpen: boolean }
  | { type: "stage.close-cameras"; exceptId: string | null }
  | { type: "stage.close-camera"; ticketId: string }
  | { type: "stage.ask-for-camera"; ticketId: string | null }
  | { type: "stage.keep-camera-closed" };

export type StageEntry =
  | { type: "stage.entered"; ticketId: string }
  | { type: "stage.moved"; ticketId: string; place: StagePlace }
  | { type: "stage.microphone-set"; ticketId: string; isOpen: boolean }
  | { type: "stage.microphones-closed"; exceptId: string | null }
  | { type: "stage.asked-to-open"; ticketIds: string[] }
  | { type: "stage.kept-closed"; ticketId: string }
  | { type: "stage.camera-set"; ticketId: string; isOpen: boolean }
  | { type: "stage.cameras-closed"; exceptId: string | null }
  | { type: "stage.asked-for-camera"; ticketIds: string[] }
  | { type: "stage.camera-kept-closed"; ticketId: string };

export interface StageShape {
  state: StageState;
  command: StageCommand;
  fact: never;
  /** how loud somebody of the stage is, 0–100, measured in their own browser */
  whisper: { type: "stage.level"; level: number };
  entry: StageEntry;
}

const done = (action: string) => fail({ code: "already-done", action } as const);

const withPerson = (stage: StageState, id: string, change: Partial<StagePerson>): StageState => ({
  people: stage.people.with(id, { ...(stage.people.get(id) ?? arrivedBackstage), ...change }),
});

function enter(stage: StageState, { hour, scene }: Now, { ticketId, at }: By): Result<(StageEntry | HourEntry)[]> {
  if (!mayComeBackstage(scene.actor, at, scene.times, hour.phase, scene.earlyEntry)) {
    return fail({ code: "too-early", callAt: scene.times.callAt });
  }
  // the first to enter opens backstage
  const entries: (StageEntry | HourEntry)[] = hour.phase === "scheduled" ? [{ type: "hour.backstage-opened" }] : [];
  if (!stage.people.has(ticketId)) {
    entries.push({ type: "stage.entered", ticketId });
    if (scene.stageMicrophonesOpen) entries.push({ type: "stage.microphone-set", ticketId, isOpen: true });
    if (scene.stageCamerasOpen) entries.push({ type: "stage.camera-set", ticketId, isOpen: true });
  }
  return entries.length > 0 ? ok(entries) : done("stage.enter");
}

/** The two devices that somebody of the stage opens for themselves, never anybody else for them. */
const microphone = { isOpen: "isMicrophoneOpen", isAsked: "isAskedToOpen" } as const;
const camera = { isOpen: "isCameraOpen", isAsked: "isAskedForCamera" } as const;
type Device = typeof microphone | typeof camera;

const isOpen = (stage: StageState, device: Device, id: string): boolean =>
  stage.people.get(id)?.[device.isOpen] ?? false;
const isAsked = (stage: StageState, device: Device, id: string): boolean =>
  stage.people.get(id)?.[device.isAsked] ?? false;

const withOpen = (stage: StageState, device: Device, id: string, open: boolean): StageState =>
  withPerson(stage, id, { [device.isOpen]: open, [device.isAsked]: false });

const withAll = (stage: StageState, ids: Iterable<string>, change: Partial<StagePerson>): StageState =>
  [...ids].reduce((next, id) => withPerson(next, id, change), stage);

const openIds = (stage: StageState, device: Device, exceptId: string | null): string[] =>
  [...stage.people].flatMap(([id, one]) => (id !== exceptId && one[device.isOpen] ? [id] : []));

/** Who on stage has it closed and was not asked yet. */
const askable = (stage: StageState, device: Device, ticketId: string | null): string[] =>
  [...stage.people]
    .filter(
      ([id, one]) => one.place === "stage" && !one[device.isOpen] && !one[device.isAsked] && (ticketId ?? id) === id,
    )
    .map(([id]) => id);

const ofPeople = { roles: team, duty: "people", phases: live } as const;

/** Who is backstage, on standby, on stage, and whose microphone and camera are open (rule 5, rule 19). */
export const stage = {
  rights: {
    "stage.enter": { roles: onStage, phases: running },
    "stage.move": ofPeople,
    "stage.set-microphone": { roles: onStage, phases: live },
    "stage.close-microphones": ofPeople,
    "stage.close-microphone": ofPeople,
    "stage.ask-to-open": ofPeople,
    "stage.keep-closed": { roles: onStage, phases: live },
    "stage.set-camera": { roles: onStage, phases: live },
    "stage.close-cameras": ofPeople,
    "stage.close-camera": ofPeople,
    "stage.ask-for-camera": ofPeople,
    "stage.keep-camera-closed": { roles: onStage, phases: live },
    "stage.level": { roles: onStage, phases: live },
  },
  paces: { "stage.level": { burst: 8, everyMs: 200 } },
  empty: emptyStage,
  decide: {
    "stage.enter": (own, _, now, by) => enter(own, now, by),
    "stage.move": (own, { ticketId, place }, { scene }) => {
      if (!scene.stageTicketIds.has(ticketId)) return fail({ code: "not-found", what: "stage person" });
      return own.people.get(ticketId)?.place === place
        ? done("stage.move")
        : ok([{ type: "stage.moved", ticketId, place }]);
    },
    "stage.set-microphone": (own, command, _, { ticketId }) =>
      isOpen(own, microphone, ticketId) === command.isOpen
        ? done("stage.set-microphone")
        : ok([{ type: "stage.microphone-set", ticketId, isOpen: command.isOpen }]),
    "stage.close-microphones": (_, { exceptId }) => ok([{ type: "stage.microphones-closed", exceptId }]),
    "stage.close-microphone": (own, { ticketId }) =>
      isOpen(own, microphone, ticketId)
        ? ok([{ type: "stage.microphone-set", ticketId, isOpen: false }])
        : done("stage.close-microphone"),
    "stage.ask-to-open": (own, { ticketId }) => {
      const ticketIds = askable(own, microphone, ticketId);
      return ticketIds.length > 0 ? ok([{ type: "stage.asked-to-open", ticketIds }]) : done("stage.ask-to-open");
    },
    "stage.keep-closed": (own, _, __, { ticketId }) =>
      isAsked(own, microphone, ticketId) ? ok([{ type: "stage.kept-closed", ticketId }]) : done("stage.keep-closed"),
    "stage.set-camera": (own, command, _, { ticketId }) =>
      isOpen(own, camera, ticketId) === command.isOpen
        ? done("stage.set-camera")
        : ok([{ type: "stage.camera-set", ticketId, isOpen: command.isOpen }]),
    "stage.close-cameras": (_, { exceptId }) => ok([{ type: "stage.cameras-closed", exceptId }]),
    "stage.close-camera": (own, { ticketId }) =>
      isOpen(own, camera, ticketId)
        ? ok([{ type: "stage.camera-set", ticketId, isOpen: false }])
        : done("stage.close-camera"),
    "stage.ask-for-camera": (own, { ticketId }) => {
      const ticketIds = askable(own, camera, ticketId);
      return ticketIds.length > 0 ? ok([{ type: "stage.asked-for-camera", ticketIds }]) : done("stage.ask-for-camera");
    },
    "stage.keep-camera-closed": (own, _, __, { ticketId }) =>
      isAsked(own, camera, ticketId)
        ? ok([{ type: "stage.camera-kept-closed", ticketId }])
        : done("stage.keep-camera-closed"),
  },
  fold: {
    "stage.entered": (own, { ticketId }) => withPerson(own, ticketId, {}),
    "stage.moved": (own, { ticketId, place }) =>
      withPerson(own, ticketId, { place, ...(place === "stage" ? {} : closed) }),
    "stage.microphone-set": (own, entry) => withOpen(own, microphone, entry.ticketId, entry.isOpen),
    "stage.asked-to-open": (own, { ticketIds }) => withAll(own, ticketIds, { isAskedToOpen: true }),
    "stage.kept-closed": (own, { ticketId }) => withPerson(own, ticketId, { isAskedToOpen: false }),
    "stage.microphones-closed": (own, { exceptId }) =>
      withAll(own, openIds(own, microphone, exceptId), { isMicrophoneOpen: false }),
    "stage.camera-set": (own, entry) => withOpen(own, camera, entry.ticketId, entry.isOpen),
    "stage.asked-for-camera": (own, { ticketIds }) => withAll(own, ticketIds, { isAskedForCamera: true }),
    "stage.camera-kept-closed": (own, { ticketId }) => withPerson(own, ticketId, { isAskedForCamera: false }),
    "stage.cameras-closed": (own, { exceptId }) =>
      withAll(own, openIds(own, camera, exceptId), { isCameraOpen: false }),
  },
  views: {
    "stage:team": {
      isFor: isOfTheStage,
      reads: ["people", "present", "callers", "devices"],
      make: (sight) => ({ stage: stagePeople(sight) }),
    },
    "stage:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["people", "present", "callers"],
      make: (sight) => ({ audience: audienceOf(sight) }),
    },
    "stage:house": { isFor: isInHouse, reads: ["people", "present"], make: (sight) => ({ cast: castOf(sight) }) },
  },
  // the house never gets a level
  whispers: { "stage.level": { isFor: isOfTheStage } },
} as const satisfies Capability<StageShape>;
