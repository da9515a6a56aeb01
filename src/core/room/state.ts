import type { CurtainSpan } from "../attendance";
import type { Phase } from "../people";
import type { QuestionState } from "../questions";

export type StagePlace = "backstage" | "standby" | "stage";

export interface StagePerson {
  readonly place: StagePlace;
  readonly isMicrophoneOpen: boolean;
}

export interface RoomQuestion {
  readonly askerId: string;
  readonly askedAt: number;
  readonly state: QuestionState;
  readonly segmentId: string | null;
  readonly takenBy: string | null;
  /** how it was answered: aloud, or in writing to the asker or to all */
  readonly answered: "aloud" | "to-one" | "to-all" | null;
}

export interface RoomPoll {
  readonly state: "prepared" | "open" | "closed";
  readonly isRevealed: boolean;
  readonly openedAt: number | null;
  readonly closedAt: number | null;
}

/** A cue that was given: from `at` on this segment was on. */
export interface CueMark {
  readonly segmentId: string;
  readonly at: number;
}

/** The whole of what the journal says about one date. Ids only: names and texts live elsewhere. */
export interface RoomState {
  readonly seq: number;
  readonly phase: Phase;
  readonly areDoorsHeld: boolean;
  readonly doorsOpenedAt: number | null;
  readonly curtainSpans: readonly CurtainSpan[];
  readonly cues: readonly CueMark[];
  readonly endedAt: number | null;
  readonly people: Readonly<Record<string, StagePerson>>;
  readonly questions: Readonly<Record<string, RoomQuestion>>;
  readonly polls: Readonly<Record<string, RoomPoll>>;
}

export const emptyRoom: RoomState = {
  seq: 0,
  phase: "scheduled",
  areDoorsHeld: false,
  doorsOpenedAt: null,
  curtainSpans: [],
  cues: [],
  endedAt: null,
  people: {},
  questions: {},
  polls: {},
};

export const preparedPoll: RoomPoll = { state: "prepared", isRevealed: false, openedAt: null, closedAt: null };
export const arrivedBackstage: StagePerson = { place: "backstage", isMicrophoneOpen: false };

export const isCurtainUp = (room: RoomState): boolean => {
  const last = room.curtainSpans.at(-1);
  return last !== undefined && last.droppedAt === null;
};

export const currentCue = (room: RoomState): CueMark | null => room.cues.at(-1) ?? null;

/** The first rise that was not struck out: the show's start. */
export const showStartedAt = (room: RoomState): number | null =>
  room.curtainSpans.find((span) => !span.isStruck)?.raisedAt ?? null;
