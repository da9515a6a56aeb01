"use client";
import type { ReactNode } from "react";
import { useTranslations } from "use-intl";
import type { DeskView } from "@/core/room";
import { Note, Progress } from "@/ui";
import { languageName } from "../languages";
import { PagePicture } from "./page-picture";

type Deck = DeskView["decks"][string];

/** How far a deck's pages are, or why there are none. */
function DeckState({ deck }: { deck: Deck }) {
  const t = useTranslations("slides");
  const made = deck.pictureIds.filter((id) => id !== null).length + deck.failedPages.length;
  if (deck.state === "waiting") return <p className="text-label text-ink-2">{t("waiting")}</p>;
  if (deck.state === "making") {
    const words = t("making", { made, count: deck.pageCount });
    return (
      <div className="text-label text-ink-2">
        <p role="status">{words}</p>
        <Progress done={made} all={Math.max(1, deck.pageCount)} label={words} />
      </div>
    );
  }
  if (deck.state === "failed") {
    const why = ({ "locked-pdf": "locked", "broken-pdf": "broken", "too-many-pages": "tooMany" } as const)[
      deck.failure ?? "broken-pdf"
    ];
    return (
      <Note tone="wrong">
        {t("failed")} {why && t(why)}
      </Note>
    );
  }
  return (
    <>
      <p className="text-label text-ink-2">{t("pages", { count: deck.pageCount })}</p>
      {deck.failedPages.length > 0 && (
        <Note tone="attention">{t("pagesFailed", { pages: deck.failedPages.join(", ") })}</Note>
      )}
      {deck.missingFonts.length > 0 && (
        <Note tone="attention">{t("fontsMissing", { fonts: deck.missingFonts.join(", ") })}</Note>
      )}
    </>
  );
}

/** The decks of a date, each with its first page, its language, how far it is, and what may be done about it. */
export function DeckList({ decks, acts }: { decks: DeskView["decks"]; acts: (id: string, deck: Deck) => ReactNode }) {
  const t = useTranslations("slides");
  const all = Object.entries(decks);
  if (all.length === 0) return <p className="text-ink-2">{t("none")}</p>;
  return (
    <ul aria-label={t("title")}>
      {all.map(([id, deck]) => (
        <li key={id} className="flex flex-wrap items-start gap-3 border-t border-rule py-2">
          <PagePicture
            pictureId={deck.pictureIds[0] ?? null}
            page={1}
            pageCount={deck.pageCount}
            isSmall
            className="h-14 w-24 shrink-0 bg-raised"
          />
          <div className="min-w-40 flex-1">
            <p className="font-medium" dir="auto">
              {deck.title}{" "}
              <span className="text-label font-normal text-ink-2">
                {languageName(deck.language)}
                {deck.versionOfId &&
                  decks[deck.versionOfId] &&
                  ` · ${t("another", { title: decks[deck.versionOfId]!.title })}`}
              </span>
            </p>
            <DeckState deck={deck} />
          </div>
          <div className="flex flex-wrap items-center gap-2">{acts(id, deck)}</div>
        </li>
      ))}
    </ul>
  );
}
