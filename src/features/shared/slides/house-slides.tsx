"use client";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import { useLocale, useTranslations } from "use-intl";
import { bestVersion, type HouseView } from "@/core/room";
import { IconButton, TextButton } from "@/ui";
import type { InkSeat } from "../board/ink-pad";
import { Fitted } from "../board/fitted";
import { MarkedPage } from "../board/marked-page";
import { PagePicture } from "./page-picture";

type Shown = HouseView["slides"][string];

/** The reader's own languages, the page's first. */
function useWishes(): readonly string[] {
  const locale = useLocale();
  return [locale, ...(typeof navigator === "undefined" ? [] : navigator.languages)];
}

/** Other pages for oneself: the stage's is never far, and come back to by one act. */
function Pager({ shown, own, look }: { shown: Shown; own: number; look: (page: number | null) => void }) {
  const t = useTranslations("slides");
  const to = (page: number) => look(page === shown.page ? null : page);
  return (
    <div className="flex items-center gap-2 text-ink-2">
      <IconButton
        label={t("previous")}
        icon={<ChevronLeft size={18} aria-hidden className="rtl:rotate-180" />}
        disabled={own <= 1}
        onClick={() => to(own - 1)}
      />
      <span role="status">{t("page", { page: own, count: shown.pageCount })}</span>
      <IconButton
        label={t("next")}
        icon={<ChevronRight size={18} aria-hidden className="rtl:rotate-180" />}
        disabled={own >= shown.pageCount}
        onClick={() => to(own + 1)}
      />
      {own !== shown.page && (
        <span className="ms-auto flex flex-wrap gap-x-3">
          {t("elsewhere", { page: shown.page })}
          <TextButton className="text-action" onClick={() => look(null)}>
            {t("back")}
          </TextButton>
        </span>
      )}
    </div>
  );
}

/** The slides on the picture: everybody's page in one's own language, or one's own page where that is allowed. */
export function HouseSlides({ shown, seat }: { shown: Shown; seat: InkSeat }) {
  const t = useTranslations("slides");
  const wishes = useWishes();
  const [elsewhere, setElsewhere] = useState<{ readonly deckId: string; readonly page: number } | null>(null);
  const version = bestVersion(shown.versions, wishes);
  const own = shown.paging && elsewhere?.deckId === shown.deckId ? elsewhere.page : shown.page;
  const pages = shown.paging && bestVersion(shown.paging, wishes)?.pictureIds;
  const pictureId = own === shown.page ? (version?.pictureId ?? null) : (pages?.[own - 1] ?? null);
  const picture = (
    <PagePicture
      pictureId={pictureId}
      page={own}
      pageCount={shown.pageCount}
      isRead
      className="absolute inset-0 size-full"
    />
  );
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <Fitted>
        {own === shown.page ? (
          <MarkedPage seat={seat} shown={shown} mayMark={shown.isForMarks} isOfStage={false} page={picture} />
        ) : (
          <div className="relative aspect-video">{picture}</div>
        )}
      </Fitted>
      <div className="flex flex-wrap items-center gap-3">
        {shown.paging && (
          <Pager
            shown={shown}
            own={own}
            look={(page) => setElsewhere(page === null ? null : { deckId: shown.deckId, page })}
          />
        )}
        {version?.handOutId && (
          <a href={`/slides/${version.handOutId}/file`} className="ms-auto text-label">
            {t("take")}
          </a>
        )}
      </div>
    </div>
  );
}
