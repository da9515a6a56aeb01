import { live, onStage, team } from "../../people";
import { fail, ok } from "../../shared";
import type { By, Capability } from "../capability";
import { counted, isOvertaken, overtaken } from "../overtaken";
import { isInHouse, isOfTheStage } from "../standing";
import type { Section } from "../views";
import type { PageDeskItem, PageItem } from "./items";
import type { PageSource, PageState } from "./state";
import { pageItem } from "./views";

export type PageCommand =
  | { type: "page.show"; what: PageSource; seen: number }
  /** another scrolls from now on */
  | { type: "page.hand-over"; leaderId: string; seen: number }
  /** where the leader's hand came to rest */
  | { type: "page.rest"; place: number; seen: number }
  | { type: "page.put-away"; seen: number };
export type PageEntry =
  | { type: "page.shown"; what: PageSource; leaderId: string }
  | { type: "page.handed-over"; leaderId: string }
  | { type: "page.rested"; place: number }
  | { type: "page.away" };
/** where the leader is while they scroll */
export type PageWhisper = { type: "page.scrolling"; place: number; seen: number };

export interface PageShape {
  state: PageState;
  command: PageCommand;
  fact: never;
  whisper: PageWhisper;
  entry: PageEntry;
}

const byDesk = { roles: team, duty: "cues", phases: live } as const;
const byStage = { roles: onStage, phases: live } as const;
const done = (action: string) => fail({ code: "already-done", action } as const);

const isBehind = ({ shows, run }: PageState, seen: number, by: By): boolean =>
  isOvertaken({ changes: shows, run }, seen, by);
const oneMore = ({ shows, run }: PageState, by: By): Pick<PageState, "shows" | "run"> => {
  const next = counted({ changes: shows, run }, by);
  return { shows: next.changes, run: next.run };
};

/** A page that everybody reads in step: one scrolls, nobody else touches it. */
export const page = {
  rights: {
    "page.show": byDesk,
    "page.hand-over": byDesk,
    "page.put-away": byDesk,
    "page.rest": byStage,
    "page.scrolling": byStage,
  },
  empty: { shown: null, shows: 0 } satisfies PageState as PageState,
  decide: {
    "page.show": (own, { what, seen }, { scene }, by) => {
      if (what === "event" && !scene.hasEventPage) return fail({ code: "not-found", what: "page" });
      if (what !== "event" && !scene.pictureFileIds.has(what.fileId)) return fail({ code: "not-found", what: "file" });
      return isBehind(own, seen, by) ? overtaken() : ok([{ type: "page.shown", what, leaderId: by.ticketId }]);
    },
    "page.hand-over": (own, { leaderId, seen }, { scene }, by) => {
      if (!own.shown || own.shown.leaderId === leaderId) return done("page.hand-over");
      if (isBehind(own, seen, by)) return overtaken();
      // the team takes it back for itself, or gives it to somebody of the stage
      return leaderId === by.ticketId || scene.stageTicketIds.has(leaderId)
        ? ok([{ type: "page.handed-over", leaderId }])
        : fail({ code: "not-found", what: "stage person" });
    },
    "page.rest": (own, { place, seen }, _, { ticketId }) => {
      if (own.shown && own.shown.leaderId !== ticketId) return fail({ code: "not-allowed", action: "page.rest" });
      // a hand that rests after the page went moves nothing
      return own.shown && seen === own.shows && own.shown.place !== place
        ? ok([{ type: "page.rested", place }])
        : ok([]);
    },
    "page.put-away": (own, { seen }, _, by) => {
      if (!own.shown) return done("page.put-away");
      return isBehind(own, seen, by) ? overtaken() : ok([{ type: "page.away" }]);
    },
  },
  fold: {
    "page.shown": (own, { what, leaderId }, by) => ({ ...oneMore(own, by), shown: { what, leaderId, place: 0 } }),
    "page.handed-over": (own, { leaderId }) => ({ ...own, shown: own.shown && { ...own.shown, leaderId } }),
    "page.rested": (own, { place }) => ({ ...own, shown: own.shown && { ...own.shown, place } }),
    "page.away": (own, _, by) => ({ ...oneMore(own, by), shown: null }),
  },
  hears: (own, entry) => (entry.type === "hour.ended" && own.shown ? { shown: null, shows: own.shows + 1 } : own),
  views: {
    "page:room": {
      isFor: (standing) => isInHouse(standing) || isOfTheStage(standing),
      reads: ["event", "files", "people"],
      make: (sight) => ({ page: pageItem(sight) satisfies Section<PageItem> }),
    },
    "page:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["event"],
      make: ({ own, words }) => ({
        pageDesk: { it: { shows: own.shows, hasEventPage: words.event.path !== null } satisfies PageDeskItem },
      }),
    },
  },
  whispers: { "page.scrolling": { isFor: (standing) => isInHouse(standing) || isOfTheStage(standing) } },
} as const satisfies Capability<PageShape>;
