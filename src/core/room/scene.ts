import type { DateTimes } from "../dates";
import type { Interpreting } from "./channels/state";
import type { SceneKind } from "./scenes/state";
import type { SegmentSlides } from "./slides/state";
import type { Actor, Switches } from "../people";

/** What deciding a command needs to know beside the journal: ids, hours and switches, no words. */
export interface Scene {
  readonly actor: Actor;
  readonly times: DateTimes;
  /** the event's own; the hour's rows may have turned some of them since */
  readonly switches: Switches;
  readonly earlyEntry: boolean;
  /** microphones of the stage are open from the first entry on */
  readonly stageMicrophonesOpen: boolean;
  /** and cameras */
  readonly stageCamerasOpen: boolean;
  /** the run sheet's segments in order */
  readonly segmentIds: readonly string[];
  /** polls that belong to this date */
  readonly pollIds: ReadonlySet<string>;
  /** decks of this date whose pages stand, and how many they have */
  readonly deckPages: ReadonlyMap<string, number>;
  /** who leads each segment, and what the run sheet ties to it */
  readonly segmentSlides: ReadonlyMap<string, SegmentSlides>;
  /** the event's public page is read without a code */
  readonly hasEventPage: boolean;
  /** pictures among the files that the audience is shown */
  readonly pictureFileIds: ReadonlySet<string>;
  /** how the picture is arranged when a segment begins, where the run sheet says so */
  readonly segmentScenes: ReadonlyMap<string, SceneKind>;
  /** which languages are interpreted, and by whom */
  readonly interpreting: Interpreting;
  readonly stageTicketIds: ReadonlySet<string>;
  /** what the capability's own server part looked up for this command */
  readonly about: unknown;
}
