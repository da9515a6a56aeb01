import type { Run } from "../overtaken";

/** What is read together: the event's own page, or a picture among the files of the date. */
export type PageSource = "event" | { readonly fileId: string };
/** How far down it is read: ten-thousandths of its height that lie above the screen. */
export const wholePage = 10_000;

export interface PageState {
  readonly shown: { readonly what: PageSource; readonly leaderId: string; readonly place: number } | null;
  /** grows with every page that is shown or put away: of two who do so at once the second is told */
  readonly shows: number;
  readonly run?: Run | undefined;
}
