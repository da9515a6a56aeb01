import { mayComeBackstage } from "../../dates";
import { audience, live, onStage, running, team } from "../../people";
import { fail, ok, type Result } from "../../shared";
import type { By, Capability, Now } from "../capability";
import type { HourEntry } from "../hour/state";
import { isInHouse, isOfTheStage } from "../standing";
import { beginScreen, endScreen, withoutScreen, withScreen, type ScreenCommand, type ScreenEntry } from "./screens";
import { arrivedBackstage, closed, emptyStage, type StagePerson, type StagePlace, type StageState } from "./state";
import { audienceOf, castOf, houseScreens, screensOf, stagePeople } from "./views";

export { mostScreens } from "./screens";

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
  | { type: "stage.keep-camera-closed" }
  | ScreenCommand;

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
  | { type: "stage.camera-kept-closed"; ticketId: string }
  | ScreenEntry;

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
  ...stage,
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
const microphone = {
  isOpen: "isMicrophoneOpen",
  isAsked: "isAskedToOpen",
  rows: { set: "stage.microphone-set", asked: "stage.asked-to-open", kept: "stage.kept-closed" },
} as const;
const camera = {
  isOpen: "isCameraOpen",
  isAsked: "isAskedForCamera",
  rows: { set: "stage.camera-set", asked: "stage.asked-for-camera", kept: "stage.camera-kept-closed" },
} as const;
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

type Decided = Result<StageEntry[]>;
/** By its owner. */
const setOwn =
  (device: Device) =>
  (own: StageState, command: { type: string; isOpen: boolean }, _: Now, { ticketId }: By): Decided =>
    isOpen(own, device, ticketId) === command.isOpen
      ? done(command.type)
      : ok([{ type: device.rows.set, ticketId, isOpen: command.isOpen }]);
/** Of somebody, by the desk. */
const close =
  (device: Device) =>
  (own: StageState, { type, ticketId }: { type: string; ticketId: string }): Decided =>
    isOpen(own, device, ticketId) ? ok([{ type: device.rows.set, ticketId, isOpen: false }]) : done(type);
/** A question on their own screen, answered there. */
const ask =
  (device: Device) =>
  (own: StageState, { type, ticketId }: { type: string; ticketId: string | null }): Decided => {
    const ticketIds = askable(own, device, ticketId);
    return ticketIds.length > 0 ? ok([{ type: device.rows.asked, ticketIds }]) : done(type);
  };
const keepClosed =
  (device: Device) =>
  (own: StageState, { type }: { type: string }, _: Now, { ticketId }: By): Decided =>
    isAsked(own, device, ticketId) ? ok([{ type: device.rows.kept, ticketId }]) : done(type);

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
    "stage.share-screen": { roles: onStage, phases: live },
    "stage.put-screen": { roles: audience, phases: ["open"] },
    "stage.end-screen": { roles: [...onStage, ...audience], phases: live },
    "stage.close-screen": ofPeople,
    "stage.drop-screen": ofPeople,
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
    "stage.set-microphone": setOwn(microphone),
    "stage.close-microphone": close(microphone),
    "stage.close-microphones": (_, { exceptId }) => ok([{ type: "stage.microphones-closed", exceptId }]),
    "stage.ask-to-open": ask(microphone),
    "stage.keep-closed": keepClosed(microphone),
    "stage.set-camera": setOwn(camera),
    "stage.close-camera": close(camera),
    "stage.close-cameras": (_, { exceptId }) => ok([{ type: "stage.cameras-closed", exceptId }]),
    "stage.ask-for-camera": ask(camera),
    "stage.keep-camera-closed": keepClosed(camera),
    // whoever waits backstage shows nothing to anybody yet
    "stage.share-screen": (own, { type, overId }, _, { ticketId }) =>
      own.people.get(ticketId)?.place === "stage"
        ? beginScreen(own, ticketId, overId, type)
        : fail({ code: "not-allowed", action: type }),
    "stage.put-screen": (own, { type, ticketId, overId }) => beginScreen(own, ticketId, overId, type),
    "stage.end-screen": (own, { type }, _, { ticketId }) => endScreen(own, ticketId, type),
    "stage.close-screen": (own, { type, ticketId }) => endScreen(own, ticketId, type),
    "stage.drop-screen": (own, { type, ticketId }) =>
      own.screens.includes(ticketId) ? endScreen(own, ticketId, type) : ok([]),
  },
  fold: {
    "stage.entered": (own, { ticketId }) => withPerson(own, ticketId, {}),
    "stage.moved": (own, { ticketId, place }) =>
      place === "stage"
        ? withPerson(own, ticketId, { place })
        : withoutScreen(withPerson(own, ticketId, { place, ...closed }), ticketId),
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
    "stage.screen-begun": (own, { ticketId, overId }) => withScreen(own, ticketId, overId),
    "stage.screen-ended": (own, { ticketId }) => withoutScreen(own, ticketId),
  },
  hears: (own, entry) => {
    if (entry.type === "hour.shown-out") return withoutScreen(own, entry.ticketId);
    return entry.type === "hour.ended" ? { ...own, screens: [] } : own;
  },
  views: {
    "stage:team": {
      isFor: isOfTheStage,
      reads: ["people", "present", "callers", "devices"],
      make: (sight) => ({ stage: stagePeople(sight), screens: screensOf(sight) }),
    },
    "stage:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["people", "present", "callers"],
      make: (sight) => ({ audience: audienceOf(sight) }),
    },
    "stage:house": {
      isFor: isInHouse,
      reads: ["people", "present"],
      make: (sight) => ({ cast: castOf(sight), screens: houseScreens(sight) }),
    },
  },
  // the house never gets a level
  whispers: { "stage.level": { isFor: isOfTheStage } },
} as const satisfies Capability<StageShape>;
