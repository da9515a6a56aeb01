"use client";
import { useEffect, useRef, useState } from "react";
import { useLocale, useTranslations } from "use-intl";
import { alongWith } from "@/core/programme";
import { screeningMsAt, type ScreeningItem } from "@/core/room";
import { Button } from "@/ui";
import { languageName } from "../languages";
import { spanText } from "../times";
import type { MediaAddress } from "./programme-video";

const lookEveryMs = 500;

/** In which languages the recording is captioned; asked once. */
function useCaptionLanguages({ base, query }: MediaAddress): readonly string[] {
  const [languages, setLanguages] = useState<readonly string[]>([]);
  useEffect(() => {
    let isOver = false;
    void fetch(`${base}screening-captions?${query}`)
      .then((answer) => (answer.ok ? (answer.json() as Promise<{ languages: string[] }>) : { languages: [] }))
      .catch(() => ({ languages: [] }))
      .then((found) => !isOver && setLanguages(found.languages));
    return () => {
      isOver = true;
    };
  }, [base, query]);
  return languages;
}

/** Keeps the element where all are. @returns whether the browser wants an act for the sound */
function useAlong(item: ScreeningItem, ahead: number) {
  const video = useRef<HTMLVideoElement>(null);
  const [isMuted, setMuted] = useState(false);
  useEffect(() => {
    const one = video.current;
    if (!one) return;
    const look = () => {
      const wanted = screeningMsAt(item, Date.now() + ahead) / 1000;
      if (one.readyState === 0) return;
      const along = alongWith(one.currentTime, wanted);
      if (along.kind === "jump") one.currentTime = along.to;
      else one.playbackRate = along.rate;
      if (item.runsSince === null) return one.pause();
      if (one.paused && !one.ended)
        void one.play().catch(() => {
          one.muted = true;
          setMuted(true);
        });
    };
    const timer = setInterval(look, lookEveryMs);
    return () => clearInterval(timer);
  }, [item, ahead]);
  const soundOn = () => {
    if (video.current) video.current.muted = false;
    setMuted(false);
  };
  return { video, isMuted, soundOn };
}

/** A recording that is watched together: every screen shows the same instant of it. */
export function ScreeningVideo(props: {
  media: MediaAddress;
  item: ScreeningItem;
  /** server time minus this browser's */
  ahead: number;
  now: number;
  /** the picture alone */
  isSilent?: boolean;
}) {
  const { media, item } = props;
  const t = useTranslations("watch");
  const locale = useLocale();
  const languages = useCaptionLanguages(media);
  const { video, isMuted, soundOn } = useAlong(item, props.ahead);
  const own = languages.find((one) => one === locale) ?? languages[0];
  return (
    <section
      data-theme="desk"
      aria-label={t("screening")}
      className="flex w-full flex-col self-start bg-ground p-2 sm:p-3"
    >
      <p className="mb-1 flex gap-3 text-label text-ink-2">
        <span className="truncate" dir="auto">
          {t("screeningOf", { title: item.title })}
        </span>
        <span className="mono ms-auto shrink-0">
          {spanText(screeningMsAt(item, props.now))} / {spanText(item.lengthMs)}
        </span>
      </p>
      <div className="relative aspect-video">
        <video
          ref={video}
          src={`${media.base}screening?${media.query}`}
          aria-label={item.title}
          playsInline
          muted={props.isSilent ?? false}
          preload="auto"
          crossOrigin="use-credentials"
          className="size-full object-contain"
        >
          {languages.map((language) => (
            <track
              key={language}
              kind="captions"
              srcLang={language}
              label={languageName(language, locale)}
              default={language === own}
              src={`${media.base}screening-captions?${media.query}&language=${language}`}
            />
          ))}
        </video>
        {isMuted && !props.isSilent && (
          <Button weight="act" className="absolute inset-0 m-auto h-fit w-fit" onClick={soundOn}>
            {t("soundOn")}
          </Button>
        )}
      </div>
    </section>
  );
}
