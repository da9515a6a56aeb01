"use client";
import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { useTranslations } from "use-intl";
import type { DeskView } from "@/core/room";
import { Button, toast } from "@/ui";
import { AddDeck } from "./add-deck";
import { DeckList } from "./deck-list";
import type { OwnSlidesActs } from "./stage-slides";

const everyMs = 2000;
/** While pages are being made the page looks again by itself. */
export function useMaking(decks: DeskView["decks"]): void {
  const router = useRouter();
  const isMaking = Object.values(decks).some((deck) => deck.state === "waiting" || deck.state === "making");
  useEffect(() => {
    if (!isMaking) return;
    const timer = setInterval(() => router.refresh(), everyMs);
    return () => clearInterval(timer);
  }, [isMaking, router]);
}

/** A panelist's slides before the hour: brought, looked at, taken away again. */
export function OwnSlides(props: {
  acts: OwnSlidesActs;
  decks: DeskView["decks"];
  occurrenceId: string;
  language: string;
}) {
  const t = useTranslations("slides");
  const router = useRouter();
  useMaking(props.decks);
  const remove = async (id: string) => {
    const done = await props.acts.remove(id);
    if (done.ok) router.refresh();
    else toast.error(done.words);
  };
  return (
    <details className="mt-6 border-s-2 border-rule ps-4" open={Object.keys(props.decks).length > 0}>
      <summary className="cursor-pointer font-medium">{t("title")}</summary>
      <div className="mt-3 flex flex-col gap-3">
        <DeckList
          decks={props.decks}
          acts={(id, deck) => (
            <Button aria-label={`${t("remove")}: ${deck.title}`} onClick={() => void remove(id)}>
              {t("remove")}
            </Button>
          )}
        />
        <AddDeck
          occurrenceId={props.occurrenceId}
          token={props.acts.token}
          decks={props.decks}
          language={props.language}
          onDone={() => router.refresh()}
        />
      </div>
    </details>
  );
}
