import { Book } from "../../shared";

export type StagePlace = "backstage" | "standby" | "stage";
export interface StagePerson {
  readonly place: StagePlace;
  readonly isMicrophoneOpen: boolean;
  /** asked by the desk to open it, and not yet answered */
  readonly isAskedToOpen: boolean;
}
export interface StageState {
  readonly people: Book<StagePerson>;
}
export const emptyStage: StageState = { people: Book.empty() };
export const arrivedBackstage: StagePerson = { place: "backstage", isMicrophoneOpen: false, isAskedToOpen: false };
