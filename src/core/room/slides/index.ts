import { live, onStage, team } from "../../people";
import { fail, ok, type Result } from "../../shared";
import type { By, Capability, Now } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import { mayTurn, noSlides, type Shown, type SlidesState } from "./state";
import { deckItems, houseSlides, shownItem, turnersItem } from "./views";

/** An act names the page that it saw: of two who turn at once the second skips nothing. */
export type SlidesCommand =
  /** by the desk */
  | { type: "slides.show"; deckId: string; page: number; seen: Shown | null }
  /** by whoever turns */
  | { type: "slides.turn"; deckId: string; page: number; seen: Shown | null }
  | { type: "slides.put-away" }
  /** null: whoever leads the segment */
  | { type: "slides.name-turner"; turnerId: string | null }
  /** what the run sheet ties to a segment: its deck, and who leads it */
  | { type: "slides.follow"; segmentId: string };

export type SlidesEntry =
  /** `opens`: no page of this deck was shown before it */
  | { type: "slides.shown"; deckId: string; page: number; opens?: true }
  | { type: "slides.taken-down" }
  | { type: "slides.turner-named"; turnerId: string | null }
  | { type: "slides.led-by"; leaderIds: readonly string[] }
  /** a deck came, changed or went: its pages are read again */
  | { type: "slides.decks-changed" };

export interface SlidesShape {
  state: SlidesState;
  command: SlidesCommand;
  fact: never;
  whisper: never;
  entry: SlidesEntry;
}

const isSame = (a: Shown | null, b: Shown | null): boolean => a?.deckId === b?.deckId && a?.page === b?.page;
const done = (action: string) => fail({ code: "already-done", action } as const);

const shownEntry = (own: SlidesState, { deckId, page }: Shown): SlidesEntry => ({
  ...({ type: "slides.shown", deckId, page } as const),
  ...(own.shown?.deckId === deckId ? {} : { opens: true as const }),
});

type Showing = Extract<SlidesCommand, { type: "slides.show" | "slides.turn" }>;

function show(own: SlidesState, command: Showing, { scene }: Now): Result<SlidesEntry[]> {
  const { deckId, page, seen } = command;
  const pageCount = scene.deckPages.get(deckId);
  if (pageCount === undefined || page > pageCount) return fail({ code: "not-found", what: "page" });
  if (!isSame(own.shown, seen)) return fail({ code: "page-turned", page: own.shown?.page ?? null });
  if (isSame(own.shown, { deckId, page })) return done(command.type);
  return ok([shownEntry(own, { deckId, page })]);
}

const ofDesk = { roles: team, duty: "cues", phases: live } as const;

/** Slides in step (rule 20): which page everyone sees, and who turns. */
export const slides = {
  rights: {
    "slides.show": ofDesk,
    "slides.put-away": ofDesk,
    "slides.name-turner": ofDesk,
    "slides.follow": ofDesk,
    "slides.turn": { roles: onStage, phases: live },
  },
  empty: noSlides,
  decide: {
    "slides.show": (own, command, now) => show(own, command, now),
    "slides.turn": (own, command, now, { ticketId }: By) =>
      mayTurn(own, ticketId) ? show(own, command, now) : fail({ code: "not-allowed", action: "slides.turn" }),
    "slides.put-away": (own) => (own.shown ? ok([{ type: "slides.taken-down" } as const]) : done("slides.put-away")),
    "slides.name-turner": (own, { turnerId }, { scene }) => {
      if (turnerId !== null && !scene.stageTicketIds.has(turnerId)) {
        return fail({ code: "not-found", what: "stage person" });
      }
      return own.turnerId === turnerId
        ? done("slides.name-turner")
        : ok([{ type: "slides.turner-named", turnerId } as const]);
    },
    // caused by a cue: it never stands in the cue's way
    "slides.follow": (own, { segmentId }, { scene }) => {
      const tied = scene.segmentSlides.get(segmentId);
      if (!tied) return ok([]);
      const entries: SlidesEntry[] = [{ type: "slides.led-by", leaderIds: tied.leaderIds }];
      // whoever was named was named for the segment before
      if (own.turnerId !== null) entries.push({ type: "slides.turner-named", turnerId: null });
      const { deckId, page } = tied;
      if (deckId !== null && page <= (scene.deckPages.get(deckId) ?? 0) && !isSame(own.shown, { deckId, page }))
        entries.push(shownEntry(own, { deckId, page }));
      return ok(entries);
    },
  },
  fold: {
    "slides.shown": (own, { deckId, page }) => ({ ...own, shown: { deckId, page } }),
    "slides.taken-down": (own) => ({ ...own, shown: null }),
    "slides.turner-named": (own, { turnerId }) => ({ ...own, turnerId }),
    "slides.led-by": (own, { leaderIds }) => ({ ...own, leaderIds }),
    "slides.decks-changed": (own) => own,
  },
  views: {
    "slides:team": {
      isFor: isOfTheStage,
      reads: [],
      make: (sight) => ({ shown: shownItem(sight), turners: turnersItem(sight) }),
    },
    // apart from the page that is on: a deck of 500 pages is not compared at every turn
    "slides:decks": { isFor: isOfTheStage, reads: ["decks"], make: (sight) => ({ decks: deckItems(sight) }) },
    "slides:house": { isFor: isInHouse, reads: ["decks"], make: (sight) => ({ slides: houseSlides(sight) }) },
  },
} as const satisfies Capability<SlidesShape>;
