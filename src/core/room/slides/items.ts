import type { Markers } from "../../people";
import type { Shown } from "./state";

/** One version of the shown page, as the house gets it: its address, never those of pages to come. */
export interface PageVersion {
  readonly language: string;
  readonly pictureId: string | null;
  /** of the file, where people may take it with them */
  readonly handOutId: string | null;
}
/** What the house sees of the slides. */
export interface HouseSlidesItem extends Shown {
  readonly title: string;
  readonly pageCount: number;
  readonly versions: readonly PageVersion[];
  /** every page by version, where one may look elsewhere for oneself; null where not */
  /** people draw on it */
  readonly isForMarks: boolean;
  readonly paging: readonly { readonly language: string; readonly pictureIds: readonly (string | null)[] }[] | null;
}
/** Which page is on, and who turns, for the team. */
export interface ShownItem extends Shown {
  readonly turnerId: string | null;
}
/** A deck, for the team: its pages as far as they are made. */
export interface DeckItem {
  readonly title: string;
  readonly language: string;
  readonly versionOfId: string | null;
  readonly state: "waiting" | "making" | "ready" | "failed";
  readonly failure: string | null;
  readonly isHandOut: boolean;
  readonly pageCount: number;
  /** null: not made yet, or it failed */
  readonly pictureIds: readonly (string | null)[];
  readonly notesIds: readonly (string | null)[];
  readonly failedPages: readonly number[];
  /** fonts that the file only names */
  readonly missingFonts: readonly string[];
}
/** Who may turn, by ticket: the leaders of the segment or whom the desk named. */
export interface TurnersItem {
  readonly ids: readonly string[];
  readonly namedId: string | null;
  /** who draws on the page that is on */
  readonly marking: Markers;
}
