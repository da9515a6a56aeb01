import { fail, ok, type Result } from "../../shared";
import type { StageState } from "./state";

/** So many screens are shared at once: what the picture can still be read with. */
export const mostScreens = 2;

export type ScreenCommand =
  /** `overId`: whose screen gives way to it; null: beside what is shared, or nothing is */
  | { type: "stage.share-screen"; overId: string | null }
  /** caused by somebody of the audience who has the floor with their screen */
  | { type: "stage.put-screen"; ticketId: string; overId: string | null }
  | { type: "stage.end-screen" }
  | { type: "stage.close-screen"; ticketId: string }
  /** caused by whoever gives the floor back: nothing where they share nothing */
  | { type: "stage.drop-screen"; ticketId: string };

export type ScreenEntry =
  | { type: "stage.screen-begun"; ticketId: string; overId: string | null }
  /** `isLast`: nobody else shares theirs */
  | { type: "stage.screen-ended"; ticketId: string; isLast: boolean };

type Decided = Result<ScreenEntry[]>;

/** Beside others while there is room, or in the place of one; who names somebody whose screen went meanwhile is told. */
export function beginScreen({ screens }: StageState, ticketId: string, overId: string | null, action: string): Decided {
  if (screens.includes(ticketId)) return fail({ code: "already-done", action });
  if (overId !== null && !screens.includes(overId)) return fail({ code: "already-done", action });
  if (overId === null && screens.length >= mostScreens) return fail({ code: "screens-full", most: mostScreens });
  return ok([{ type: "stage.screen-begun", ticketId, overId }]);
}

export const endScreen = ({ screens }: StageState, ticketId: string, action: string): Decided =>
  screens.includes(ticketId)
    ? ok([{ type: "stage.screen-ended", ticketId, isLast: screens.length === 1 }])
    : fail({ code: "already-done", action });

export const withScreen = (stage: StageState, ticketId: string, overId: string | null): StageState => ({
  ...stage,
  screens: [...stage.screens.filter((id) => id !== overId && id !== ticketId), ticketId],
});
export const withoutScreen = (stage: StageState, ticketId: string): StageState =>
  stage.screens.includes(ticketId) ? { ...stage, screens: stage.screens.filter((id) => id !== ticketId) } : stage;
