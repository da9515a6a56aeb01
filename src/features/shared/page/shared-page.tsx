"use client";
import { useEffect, useRef } from "react";
import { useTranslations } from "use-intl";
import type { PageItem } from "@/core/room";
import type { RoomLink } from "../room-link/use-room";
import { ShownPage } from "./shown-page";
import { usePlace } from "./use-place";

type Link = Pick<RoomLink<never>, "send" | "whisper" | "scrolling">;
const toldEveryMs = 250;
const restsAfterMs = 600;

/** The leader's hand: said in passing while it moves, kept where it comes to rest. */
function useLeading({ send, whisper }: Link, page: PageItem): (place: number) => void {
  const toldAt = useRef(0);
  const rest = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  useEffect(() => () => clearTimeout(rest.current), []);
  return (place) => {
    const now = Date.now();
    if (now - toldAt.current >= toldEveryMs) {
      toldAt.current = now;
      whisper({ type: "page.scrolling", place, seen: page.shows });
    }
    clearTimeout(rest.current);
    rest.current = setTimeout(() => void send({ type: "page.rest", place, seen: page.shows }), restsAfterMs);
  };
}

/** A page that everybody reads together; whoever leads scrolls it here. */
export function SharedPage({ page, link, me }: { page: PageItem; link: Link; me: string }) {
  const t = useTranslations("page");
  const place = usePlace(page, link.scrolling);
  const lead = useLeading(link, page);
  const isLeading = page.leaderId === me;
  return (
    <section aria-label={t("title")} className="mt-3">
      <p className="mb-1 flex flex-wrap justify-between gap-x-4 text-label text-ink-2">
        <span>
          <bdi className="font-medium text-ink">{page.title}</bdi> ·{" "}
          {isLeading ? t("youLead") : t("leads", { name: page.leaderName })}
        </span>
        <a href={page.path} target="_blank" rel="noreferrer">
          {t("own")}
        </a>
      </p>
      <ShownPage page={page} place={place} {...(isLeading ? { onScroll: lead } : {})} />
    </section>
  );
}
