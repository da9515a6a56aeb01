"use client";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useEffect, useState, type RefObject } from "react";
import type { PageBeside } from "@/core/watching";
import { usePageText } from "@/features/shared/slides/page-picture";
import { IconButton } from "@/ui";
import { spanText } from "@/features/shared/times";

export interface PagesWords {
  readonly slides: string;
  readonly slidePage: string;
  readonly slideNone: string;
  readonly slideBefore: string;
  readonly slideNext: string;
}

/** Which page stands at an instant; −1 where none does. */
export const pageAt = (pages: readonly PageBeside[], seconds: number): number =>
  pages.findIndex((one) => one.startSeconds <= seconds && seconds < one.endSeconds);
/** The page before and the one after an instant, whether one stands there or not. */
export function pagesAround(pages: readonly PageBeside[], seconds: number) {
  const at = pageAt(pages, seconds);
  const before = pages.findLast((one, i) => (at < 0 ? one.endSeconds <= seconds : i < at)) ?? null;
  return { before, next: pages.find((one) => one.startSeconds > seconds) ?? null };
}

function useSeconds(video: RefObject<HTMLVideoElement | null>): number {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const one = video.current;
    if (!one) return;
    const follow = () => setSeconds(one.currentTime);
    for (const name of ["timeupdate", "seeking"]) one.addEventListener(name, follow);
    return () => {
      for (const name of ["timeupdate", "seeking"]) one.removeEventListener(name, follow);
    };
  }, [video]);
  return seconds;
}

/** The slides as they were shown, in step with the recording, sharp enough to be read; turning a page goes there. */
export function PagesBeside(props: {
  video: RefObject<HTMLVideoElement | null>;
  pages: readonly PageBeside[];
  words: PagesWords;
  onJump: (seconds: number) => void;
}) {
  const { pages, words } = props;
  const seconds = useSeconds(props.video);
  const on = pages[pageAt(pages, seconds)] ?? null;
  const { before, next } = pagesAround(pages, seconds);
  const text = usePageText(on?.pictureId ?? null);
  const name = (one: PageBeside) =>
    words.slidePage.replace("{page}", String(one.page)).replace("{count}", String(one.pageCount));
  return (
    <section aria-label={words.slides} className="mt-4 self-start border border-rule bg-sheet">
      <div className="grid aspect-video place-items-center bg-raised">
        {on ? (
          <img
            src={`/slides/${on.pictureId}/800`}
            srcSet={`/slides/${on.pictureId}/800 800w, /slides/${on.pictureId}/1600 1600w`}
            sizes="(max-width: 1024px) 100vw, 40vw"
            alt={name(on)}
            className="size-full object-contain"
          />
        ) : (
          <p className="p-4 text-ink-2">{words.slideNone}</p>
        )}
      </div>
      <p className="sr-only" aria-live="polite" dir="auto">
        {text}
      </p>
      <div className="flex items-center gap-2 px-2 py-1 text-label text-ink-2">
        <IconButton
          label={words.slideBefore}
          icon={<ChevronLeft size={18} aria-hidden className="rtl:rotate-180" />}
          disabled={!before}
          onClick={() => before && props.onJump(before.startSeconds)}
        />
        <span className="flex-1 text-center">{on ? name(on) : ""}</span>
        {next && <span className="mono">{spanText(next.startSeconds * 1000)}</span>}
        <IconButton
          label={words.slideNext}
          icon={<ChevronRight size={18} aria-hidden className="rtl:rotate-180" />}
          disabled={!next}
          onClick={() => next && props.onJump(next.startSeconds)}
        />
      </div>
    </section>
  );
}
