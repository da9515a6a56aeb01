"use client";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useEffect, useRef } from "react";
import { useTranslations } from "use-intl";
import type { Role } from "@/core/people";
import { marksPages, type StageView } from "@/core/room";
import { classes, IconButton, Press } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import type { InkSeat } from "../board/ink-pad";
import { MarkedPage } from "../board/marked-page";
import { PagePicture, usePageText } from "./page-picture";

type Seen = Pick<StageView, "shown" | "decks" | "turners">;
type Send = RoomLink<StageView>["send"];
interface Page {
  readonly deckId: string;
  readonly page: number;
}

const isSame = (a: Page | null, b: Page | null): boolean => a?.deckId === b?.deckId && a?.page === b?.page;

/**
 * Turns from the page that is seen, or from one's own turns that are still on their way: three quick presses are three
 * pages. Somebody else's turn in between puts one's own expectations aside: the server judges what was seen.
 * @param by the desk shows, whoever leads turns
 */
export function useTurning(view: Seen, send: Send, by: "slides.show" | "slides.turn") {
  const now = view.shown["it"] ?? null;
  const expected = useRef<readonly Page[]>([]);
  const nowKey = now && `${now.deckId}/${now.page}`;
  useEffect(() => {
    const at = expected.current.findIndex((one) => `${one.deckId}/${one.page}` === nowKey);
    expected.current = expected.current.slice(at < 0 ? expected.current.length : at + 1);
  }, [nowKey]);
  return async (to: (from: Page | null) => Page | null) => {
    const seen = expected.current.at(-1) ?? now;
    const page = to(seen);
    if (!page || isSame(page, seen)) return;
    expected.current = [...expected.current, page];
    const receipt = await send({ type: by, ...page, seen });
    if (!receipt.ok) expected.current = [];
  };
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest("input, textarea, select, [contenteditable]") !== null;

/** Arrow keys and page keys turn, wherever nothing is being typed. */
function useTurnKeys(isOn: boolean, by: (step: 1 | -1) => void): void {
  useEffect(() => {
    if (!isOn) return;
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const step = { ArrowRight: 1, PageDown: 1, ArrowLeft: -1, PageUp: -1 }[event.key] as 1 | -1 | undefined;
      if (!step) return;
      event.preventDefault();
      by(step);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [isOn, by]);
}

function Strip({
  deck,
  page,
  isDisabled,
  onPage,
}: {
  deck: StageView["decks"][string];
  page: number;
  isDisabled: boolean;
  onPage: (page: number) => void;
}) {
  const t = useTranslations("slides");
  return (
    <ol aria-label={deck.title} className="flex gap-2 overflow-x-auto pb-2">
      {deck.pictureIds.map((id, i) => (
        <li key={id ?? i} className="shrink-0">
          <Press
            disabled={isDisabled}
            aria-current={i + 1 === page ? "true" : undefined}
            aria-label={t("page", { page: i + 1, count: deck.pageCount })}
            onClick={() => onPage(i + 1)}
            className={classes("block border-2", i + 1 === page ? "border-action" : "border-transparent")}
          >
            <PagePicture
              pictureId={id}
              page={i + 1}
              pageCount={deck.pageCount}
              isSmall
              className="h-14 w-24 bg-raised"
            />
          </Press>
        </li>
      ))}
    </ol>
  );
}

/** The page that is on with the next beside it, the notes, and every page as a small picture. */
export function TurnSlides({
  view,
  send,
  by,
  mayTurn,
  seat,
  role,
}: {
  view: Seen;
  send: Send;
  by: "slides.show" | "slides.turn";
  mayTurn: boolean;
  seat: InkSeat;
  role: Role;
}) {
  const t = useTranslations("slides");
  const turn = useTurning(view, send, by);
  const shown = view.shown["it"];
  const deck = shown && view.decks[shown.deckId];
  const step = (by: 1 | -1) =>
    void turn((from) => {
      if (!from) return null;
      const page = from.page + by;
      return page >= 1 && page <= (view.decks[from.deckId]?.pageCount ?? 0) ? { ...from, page } : null;
    });
  useTurnKeys(mayTurn && by === "slides.turn", step);
  const notes = usePageText((shown && deck?.notesIds[shown.page - 1]) ?? null);
  if (!shown || !deck) return null;
  const marking = view.turners["it"]?.marking ?? "nobody";
  const mayMark = marksPages(marking, { role, isTurner: mayTurn });
  const next = shown.page < deck.pageCount ? (deck.pictureIds[shown.page] ?? null) : undefined;
  return (
    <section aria-label={deck.title} className="flex flex-col gap-2 bg-sheet p-3">
      <div className="flex items-center gap-2">
        <h2 className="min-w-0 flex-1 truncate font-semibold" dir="auto">
          {deck.title}
        </h2>
        <IconButton
          label={t("previous")}
          icon={<ChevronLeft size={18} aria-hidden className="rtl:rotate-180" />}
          disabled={!mayTurn || shown.page <= 1}
          onClick={() => step(-1)}
        />
        <span role="status" className="mono">
          {t("page", { page: shown.page, count: deck.pageCount })}
        </span>
        <IconButton
          label={t("next")}
          icon={<ChevronRight size={18} aria-hidden className="rtl:rotate-180" />}
          disabled={!mayTurn || shown.page >= deck.pageCount}
          onClick={() => step(1)}
        />
      </div>
      {mayTurn && by === "slides.turn" && <p className="text-label text-ink-2">{t("yourTurn")}</p>}
      <div className="grid grid-cols-[2fr_1fr] gap-3">
        <MarkedPage
          seat={seat}
          shown={shown}
          mayMark={mayMark}
          isOfStage
          page={
            <PagePicture
              pictureId={deck.pictureIds[shown.page - 1] ?? null}
              page={shown.page}
              pageCount={deck.pageCount}
              className="absolute inset-0 size-full bg-ground"
            />
          }
        />
        <div className="flex min-w-0 flex-col gap-2">
          {next !== undefined && (
            <>
              <p className="text-label text-ink-2">{t("nextPage")}</p>
              <PagePicture
                pictureId={next}
                page={shown.page + 1}
                pageCount={deck.pageCount}
                isSmall
                className="aspect-video w-full bg-ground"
              />
            </>
          )}
        </div>
      </div>
      <div>
        <h3 className="text-label text-ink-2">{t("notes")}</h3>
        <p className="text-lead whitespace-pre-line" dir="auto">
          {notes || <span className="text-base text-ink-2">{t("noNotes")}</span>}
        </p>
      </div>
      <Strip
        deck={deck}
        page={shown.page}
        isDisabled={!mayTurn}
        onPage={(page) => void turn(() => ({ deckId: shown.deckId, page }))}
      />
    </section>
  );
}
