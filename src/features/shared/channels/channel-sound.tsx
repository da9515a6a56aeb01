"use client";
import { useEffect, useRef, useState } from "react";
import { useTranslations } from "use-intl";
import { Button } from "@/ui";
import { FeedPlayer, type PlayerState } from "../watch/player";

/** What an interpreter says, as it comes; where the browser wants an act for sound, it is offered. */
export function ChannelSound({ url, label }: { url: string; label: string }) {
  const t = useTranslations("watch");
  const audio = useRef<HTMLAudioElement>(null);
  const [state, setState] = useState<PlayerState>("waiting");
  useEffect(() => {
    if (!audio.current) return;
    audio.current.muted = false;
    const player = new FeedPlayer(audio.current, url, { told: setState });
    return () => player.close();
  }, [url]);
  return (
    <>
      <audio ref={audio} aria-label={label} data-state={state} />
      {state === "silent" && (
        <Button
          weight="act"
          onClick={() => {
            if (audio.current) audio.current.muted = false;
            setState("playing");
          }}
        >
          {t("soundOn")}
        </Button>
      )}
    </>
  );
}
