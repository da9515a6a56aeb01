import type { Locale } from "@/contracts/messages";
import type { Actor } from "@/core/people";
import type { BoardPlaces } from "./board-desk";
import type { DeskFileActs } from "./files-desk";
import type { CrowdActs } from "./crowd";
import type { SetDuties } from "./duties-menu";
import type { LateActs } from "./late-people";
import type { Extend } from "./over-time";
import type { BringSideRooms } from "./side-rooms/fill-rooms";
import type { DeckActs } from "./slides-desk";
import type { KeepSwitches } from "./switches-sheet";

/** What the desk is opened with: whose it is, and which acts of the planning they may do from it. */
export interface DeskProps {
  readonly occurrenceId: string;
  /** what this screen is read in, and how to choose another */
  readonly language: Locale;
  readonly chooseLanguage: (language: string) => Promise<void>;
  readonly ticketId: string;
  readonly actor: Actor;
  readonly frontUrl: string;
  readonly backUrl: string;
  /** to be read out, of a room without fixed time */
  readonly roomCode: string | null;
  /** ends the date later, where its licence is free for it */
  readonly extend: Extend;
  /** keeps the audience's settings for the event's further dates; null for whoever may not plan it */
  readonly keepSwitches: KeepSwitches | null;
  /** null for whoever may not change the run sheet */
  readonly decks: DeckActs | null;
  /** files for the audience; null for whoever may not change the run sheet */
  readonly handOuts: DeskFileActs | null;
  /** null for whoever may not have the date's files */
  readonly boards: BoardPlaces | null;
  /** where it is read how it goes with other places that the programme is sent to */
  readonly outletsUrl: string;
  /** side rooms from a file */
  readonly bringSideRooms: BringSideRooms;
  /** null for whoever may not bring people in */
  readonly late: LateActs | null;
  /** null for whoever may not fill a rehearsal */
  readonly crowd: CrowdActs | null;
  /** null for whoever may not hand duties out */
  readonly setDuties: SetDuties | null;
}
