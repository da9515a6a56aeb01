import { Book } from "../../shared";

export type StagePlace = "backstage" | "standby" | "stage";
export interface StagePerson {
  readonly place: StagePlace;
  readonly isMicrophoneOpen: boolean;
  /** asked by the desk to open it, and not yet answered */
  readonly isAskedToOpen: boolean;
  readonly isCameraOpen: boolean;
  /** asked by the desk for their picture, and not yet answered */
  readonly isAskedForCamera: boolean;
}
export interface StageState {
  readonly people: Book<StagePerson>;
  /** who shares their screen, the one who began last at the end */
  readonly screens: readonly string[];
}
export const emptyStage: StageState = { people: Book.empty(), screens: [] };
/** Nothing of one's own is open, and nothing is asked. */
export const closed = {
  isMicrophoneOpen: false,
  isAskedToOpen: false,
  isCameraOpen: false,
  isAskedForCamera: false,
} as const;
export const arrivedBackstage: StagePerson = { place: "backstage", ...closed };
