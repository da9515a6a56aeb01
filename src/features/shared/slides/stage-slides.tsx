"use client";
import { useLocale, useTranslations } from "use-intl";
import type { Done } from "@/contracts";
import type { Role } from "@/core/people";
import type { StageView } from "@/core/room";
import { Button, toast } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import type { InkSeat } from "../board/ink-pad";
import { AddDeck } from "./add-deck";
import { DeckList } from "./deck-list";
import { TurnSlides, useTurning } from "./turn-slides";

/** What somebody of the stage may do about slides of their own. */
export interface OwnSlidesActs {
  readonly token: string;
  remove(deckId: string): Promise<Done<unknown>>;
}

/** The slides on stage: turned by whoever leads, with notes and the next page; more are brought here. */
export function StageSlides(props: {
  view: StageView;
  send: RoomLink<StageView>["send"];
  ticketId: string;
  occurrenceId: string;
  own: OwnSlidesActs | null;
  seat: InkSeat;
  role: Role;
}) {
  const { view, send, own } = props;
  const t = useTranslations("slides");
  const locale = useLocale();
  const mayTurn = view.turners["it"]?.ids.includes(props.ticketId) ?? false;
  const turn = useTurning(view, send, "slides.turn");
  const hasDecks = Object.keys(view.decks).length > 0;
  if (!own && !hasDecks) return null;
  return (
    <>
      <TurnSlides view={view} send={send} by="slides.turn" mayTurn={mayTurn} seat={props.seat} role={props.role} />
      <details>
        <summary className="cursor-pointer text-ink-2">{t("title")}</summary>
        <div className="mt-2 flex flex-col gap-3">
          <DeckList
            decks={view.decks}
            acts={(id, deck) =>
              mayTurn &&
              deck.versionOfId === null &&
              deck.pageCount > 0 && (
                <Button
                  aria-label={t("show", { title: deck.title })}
                  onClick={() => void turn(() => ({ deckId: id, page: 1 }))}
                >
                  {t("show", { title: deck.title })}
                </Button>
              )
            }
          />
          {own && (
            <AddDeck
              occurrenceId={props.occurrenceId}
              token={own.token}
              decks={view.decks}
              language={locale}
              onDone={() => toast(t("waiting"))}
            />
          )}
        </div>
      </details>
    </>
  );
}
