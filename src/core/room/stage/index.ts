import { mayComeBackstage } from "../../dates";
import { isStageRole, live, onStage, running, team } from "../../people";
import { fail, ok, type Result } from "../../shared";
import type { By, Capability, Now, Sight } from "../capability";
import { isCurtainUp, type HourEntry } from "../hour/state";
import { isInHouse, isOfTheStage } from "../standing";
import type { AudienceItem, CastItem, Section, StagePersonItem } from "../views";
import { arrivedBackstage, emptyStage, type StagePerson, type StagePlace, type StageState } from "./state";

export type StageCommand =
  | { type: "stage.enter" }
  | { type: "stage.move"; ticketId: string; place: StagePlace }
  | { type: "stage.set-microphone"; isOpen: boolean }
  | { type: "stage.close-microphones"; exceptId: string | null }
  | { type: "stage.close-microphone"; ticketId: string }
  /** a question on their own screen, answered there: nothing opens from outside; null asks all on stage */
  | { type: "stage.ask-to-open"; ticketId: string | null }
  | { type: "stage.keep-closed" };

export type StageEntry =
  | { type: "stage.entered"; ticketId: string }
  | { type: "stage.moved"; ticketId: string; place: StagePlace }
  | { type: "stage.microphone-set"; ticketId: string; isOpen: boolean }
  | { type: "stage.microphones-closed"; exceptId: string | null }
  | { type: "stage.asked-to-open"; ticketIds: string[] }
  | { type: "stage.kept-closed"; ticketId: string };

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
  }
  return entries.length > 0 ? ok(entries) : done("stage.enter");
}

function closeMicrophones(stage: StageState, exceptId: string | null): StageState {
  let people = stage.people;
  for (const [id, one] of stage.people) {
    if (id !== exceptId && one.isMicrophoneOpen) people = people.with(id, { ...one, isMicrophoneOpen: false });
  }
  return { people };
}

/** Who on stage has a closed microphone and was not asked yet. */
const askable = (stage: StageState, ticketId: string | null): string[] =>
  [...stage.people]
    .filter(
      ([id, one]) => one.place === "stage" && !one.isMicrophoneOpen && !one.isAskedToOpen && (ticketId ?? id) === id,
    )
    .map(([id]) => id);

function stagePeople({ own, words, figures }: Sight<StageState>): Section<StagePersonItem> {
  const out: Record<string, StagePersonItem> = {};
  for (const person of words.people.values()) {
    if (!isStageRole(person.role)) continue;
    const { place, isMicrophoneOpen, isAskedToOpen } = own.people.get(person.ticketId) ?? arrivedBackstage;
    const isPresent = figures.present.has(person.ticketId);
    const callerLevel = figures.callers.get(person.ticketId) ?? null;
    const { name, role, duties } = person;
    const portraitId = person.portraitId ?? null;
    // the team has a desk beside its own place, and no sound there
    const isAtWork = role === "producer" || role === "crew";
    const devices = isAtWork ? Number(isPresent) : (figures.devices.get(person.ticketId) ?? Number(isPresent));
    const heard = { isMicrophoneOpen, isAskedToOpen, isPresent, callerLevel, devices };
    out[person.ticketId] = { name, portraitId, role, duties, place, ...heard };
  }
  return out;
}

function audienceOf({ words, figures }: Sight<StageState>): Section<AudienceItem> {
  const out: Record<string, AudienceItem> = {};
  for (const [ticketId, place] of figures.present) {
    const person = words.people.get(ticketId);
    if (!person || place === "stage" || isStageRole(person.role)) continue;
    const callerLevel = figures.callers.get(ticketId) ?? null;
    out[ticketId] = { name: person.name, place, isTest: person.role === "test-guest", callerLevel };
  }
  return out;
}

/** The house sees those on stage while the curtain is up, nobody else and never a level. */
function castOf(sight: Sight<StageState>): Section<CastItem> {
  if (!isCurtainUp(sight.hour)) return {};
  const people = Object.entries(stagePeople(sight)).filter(([, one]) => one.place === "stage" && one.isPresent);
  return Object.fromEntries(
    people.map(([id, { name, portraitId, isMicrophoneOpen }]) => [id, { name, portraitId, isMicrophoneOpen }]),
  );
}

const ofPeople = { roles: team, duty: "people", phases: live } as const;

/** Who is backstage, on standby, on stage, and whose microphone is open (rule 5, rule 19). */
export const stage = {
  rights: {
    "stage.enter": { roles: onStage, phases: running },
    "stage.move": ofPeople,
    "stage.set-microphone": { roles: onStage, phases: live },
    "stage.close-microphones": ofPeople,
    "stage.close-microphone": ofPeople,
    "stage.ask-to-open": ofPeople,
    "stage.keep-closed": { roles: onStage, phases: live },
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
    "stage.set-microphone": (own, { isOpen }, _, { ticketId }) =>
      (own.people.get(ticketId)?.isMicrophoneOpen ?? false) === isOpen
        ? done("stage.set-microphone")
        : ok([{ type: "stage.microphone-set", ticketId, isOpen }]),
    "stage.close-microphones": (_, { exceptId }) => ok([{ type: "stage.microphones-closed", exceptId }]),
    "stage.close-microphone": (own, { ticketId }) =>
      own.people.get(ticketId)?.isMicrophoneOpen
        ? ok([{ type: "stage.microphone-set", ticketId, isOpen: false }])
        : done("stage.close-microphone"),
    "stage.ask-to-open": (own, { ticketId }) => {
      const ticketIds = askable(own, ticketId);
      return ticketIds.length > 0 ? ok([{ type: "stage.asked-to-open", ticketIds }]) : done("stage.ask-to-open");
    },
    "stage.keep-closed": (own, _, __, { ticketId }) =>
      own.people.get(ticketId)?.isAskedToOpen
        ? ok([{ type: "stage.kept-closed", ticketId }])
        : done("stage.keep-closed"),
  },
  fold: {
    "stage.entered": (own, { ticketId }) => withPerson(own, ticketId, {}),
    "stage.moved": (own, { ticketId, place }) =>
      withPerson(own, ticketId, {
        place,
        ...(place === "stage" ? {} : { isMicrophoneOpen: false, isAskedToOpen: false }),
      }),
    "stage.microphone-set": (own, { ticketId, isOpen }) =>
      withPerson(own, ticketId, { isMicrophoneOpen: isOpen, isAskedToOpen: false }),
    "stage.asked-to-open": (own, { ticketIds }) =>
      ticketIds.reduce((stage, id) => withPerson(stage, id, { isAskedToOpen: true }), own),
    "stage.kept-closed": (own, { ticketId }) => withPerson(own, ticketId, { isAskedToOpen: false }),
    "stage.microphones-closed": (own, { exceptId }) => closeMicrophones(own, exceptId),
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
