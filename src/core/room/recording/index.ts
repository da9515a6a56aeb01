import { live, onStage, team } from "../../people";
import { recordedMs } from "../../programme";
import { fail, ok } from "../../shared";
import type { Capability, Sight } from "../capability";
import { isOfTheStage } from "../standing";
import type { OwnRecording, RecordingItem, RecordingSignItem } from "./items";
import { isRecorded, noRecording, settled, type RecordingState, type RecordingWay } from "./state";

export type RecordingCommand =
  /** the desk asks everybody on stage */
  | { type: "recording.ask" }
  | { type: "recording.agree" }
  | { type: "recording.begin"; way: RecordingWay }
  | { type: "recording.pause" }
  | { type: "recording.resume" }
  | { type: "recording.stop" };
export type RecordingEntry =
  | { type: "recording.asked" }
  | { type: "recording.agreed"; ticketId: string }
  | { type: "recording.begun"; way: RecordingWay }
  | { type: "recording.paused" }
  | { type: "recording.resumed" }
  | { type: "recording.stopped" };

export interface RecordingShape {
  state: RecordingState;
  command: RecordingCommand;
  fact: never;
  whisper: never;
  entry: RecordingEntry;
}

const byDesk = { roles: team, duty: "recording", phases: live } as const;
const done = (action: string) => fail({ code: "already-done", action } as const);

/** Who of the stage side is there and has not agreed. */
const missing = ({ own, figures, words }: Sight<RecordingState>): RecordingItem["missing"] =>
  [...figures.present].flatMap(([id, place]) => {
    const person = words.people.get(id);
    return place === "stage" && person && !own.agreed.has(id) ? [{ id, name: person.name }] : [];
  });

const sign = ({ own }: Sight<RecordingState>): RecordingSignItem => ({
  isOn: isRecorded(own),
  isPaused: own.way !== null && own.isPaused,
});

/** The hour is kept (rule 25): with the curtain or by hand, never before everybody on stage has agreed. */
export const recording = {
  rights: {
    "recording.ask": byDesk,
    "recording.agree": { roles: onStage, phases: live },
    "recording.begin": byDesk,
    "recording.pause": byDesk,
    "recording.resume": byDesk,
    "recording.stop": byDesk,
  },
  empty: noRecording,
  decide: {
    "recording.ask": (own) => (own.isAsked ? done("recording.ask") : ok([{ type: "recording.asked" }])),
    "recording.agree": (own, _command, _now, { ticketId }) =>
      own.agreed.has(ticketId) ? done("recording.agree") : ok([{ type: "recording.agreed", ticketId }]),
    "recording.begin": (own, { way }, { scene }) => {
      if (own.way !== null) return done("recording.begin");
      // whom the server found on the stage side
      const left = ((scene.about as readonly string[] | null) ?? []).filter((id) => !own.agreed.has(id));
      if (left.length > 0) return fail({ code: "consent-missing", people: left.length });
      return ok([{ type: "recording.begun", way }]);
    },
    "recording.pause": (own) =>
      own.way === null || own.isPaused ? done("recording.pause") : ok([{ type: "recording.paused" }]),
    "recording.resume": (own) =>
      own.way === null || !own.isPaused ? done("recording.resume") : ok([{ type: "recording.resumed" }]),
    "recording.stop": (own) => (own.way === null ? done("recording.stop") : ok([{ type: "recording.stopped" }])),
  },
  fold: {
    "recording.asked": (own) => ({ ...own, isAsked: true }),
    "recording.agreed": (own, { ticketId }) => ({ ...own, agreed: own.agreed.with(ticketId, true) }),
    "recording.begun": (own, { way }, { at }) => settled({ ...own, way, isPaused: false }, at),
    "recording.paused": (own, _entry, { at }) => settled({ ...own, isPaused: true }, at),
    "recording.resumed": (own, _entry, { at }) => settled({ ...own, isPaused: false }, at),
    "recording.stopped": (own, _entry, { at }) => settled({ ...own, way: null, isPaused: false }, at),
  },
  hears: (own, entry, { at }) => {
    switch (entry.type) {
      case "hour.curtain-raised":
        return settled({ ...own, isCurtainUp: true }, at);
      case "hour.curtain-dropped":
        return settled({ ...own, isCurtainUp: false }, at);
      case "hour.ended":
        return settled({ ...own, way: null, isPaused: false, isCurtainUp: false }, at);
      default:
        return own;
    }
  },
  own: (own, ticketId): OwnRecording | undefined => (own.agreed.has(ticketId) ? { hasAgreed: true } : undefined),
  concerns: (before, after) =>
    before.agreed === after.agreed ? [] : [...after.agreed].map(([id]) => id).filter((id) => !before.agreed.has(id)),
  views: {
    // everybody sees the sign, also who waits in the foyer
    "recording:room": { isFor: () => true, reads: [], make: (sight) => ({ recordingSign: { it: sign(sight) } }) },
    "recording:asked": {
      isFor: isOfTheStage,
      reads: ["event"],
      make: ({ own, words: { event } }) => ({
        recordingAsk: { it: { isAsked: own.isAsked || event.isRecorded, words: event.consentText } },
      }),
    },
    "recording:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["present", "people", "event"],
      make: (sight) => {
        const { way, isPaused, openedAt, spans } = sight.own;
        const isAsked = sight.own.isAsked || sight.words.event.isRecorded;
        const it: RecordingItem = {
          ...{ way, isPaused, openedAt, isAsked },
          keptMs: recordedMs(spans),
          missing: missing(sight),
          space: sight.figures.space,
        };
        return { recording: { it } };
      },
    },
  },
} as const satisfies Capability<RecordingShape>;
