/** The page that everybody reads, as a screen loads it. */
export interface PageItem {
  /** the event's page by its own address, a picture by the file's */
  readonly kind: "event" | "picture";
  /** an address of this house */
  readonly path: string;
  readonly title: string;
  /** ten-thousandths of its height that lie above the screen */
  readonly place: number;
  readonly leaderId: string;
  readonly leaderName: string;
  readonly shows: number;
}

/** For the desk: what an act names as seen, and whether the event has a page that everybody may read. */
export interface PageDeskItem {
  readonly shows: number;
  readonly hasEventPage: boolean;
}
