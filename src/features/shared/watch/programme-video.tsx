"use client";
import { useEffect, useRef, useState, type RefObject } from "react";
import { useTranslations } from "use-intl";
import { allPlaylists, feedOfVariant, feedPath, variants, type OnAir, type Variant } from "@/core/programme";
import { Button, classes } from "@/ui";
import { FeedPlayer, type PlayerState } from "./player";
import { PlayerActs } from "./player-acts";
import { PlaylistPlayer } from "./playlist-player";
import { useVariant } from "./use-variant";
import { useVolume } from "./use-volume";

const players = { feed: FeedPlayer, playlist: PlaylistPlayer } as const;

/** Where a programme is asked for, and what proves who asks. */
export interface MediaAddress {
  readonly base: string;
  readonly query: string;
}
/** Says which instant is on the screen, by the server's clock; null where no picture plays. */
export type SeenClock = RefObject<(() => number | null) | null>;

/** What comes beside the whole picture just now. */
export const lighterOnAir = (view: { readonly programme: Readonly<Record<string, OnAir>> }): readonly Variant[] =>
  variants.filter((one) => one !== "full" && feedOfVariant(one) in view.programme);

/** A list of lists leaves the choice to the player that reads it. */
const pathOf = (by: "feed" | "playlist", variant: Variant): string =>
  by === "feed" ? feedPath(variant) : allPlaylists;

/**
 * The programme as it comes: sound from the beginning where the browser lets it, else by one act.
 * @param label what it is called where it is read out
 */
export function ProgrammeVideo(props: {
  media: MediaAddress;
  label: string;
  /** the picture alone */
  isSilent?: boolean;
  /** how it comes: as one long answer, or as a playlist through caches */
  by?: "feed" | "playlist";
  lighter?: readonly Variant[];
  /** nothing has come for some seconds: what stands there is the last that came */
  isLate?: boolean;
  seenRef?: SeenClock;
  /** how far it is lowered, 0 or less: under an interpreter's voice */
  levelDb?: () => number;
  className?: string;
}) {
  const { media, label, isSilent = false, by = "feed", isLate = false, seenRef, className } = props;
  const lighter = (props.lighter ?? []).filter((one) => !isSilent || one !== "sound");
  const t = useTranslations("watch");
  const video = useRef<HTMLVideoElement>(null);
  const [state, setState] = useState<PlayerState>("waiting");
  const [isMuted, setMuted] = useState(false);
  const { wish, variant, choose, onStalled } = useVariant(lighter, isLate);
  const url = `${media.base}${pathOf(by, variant)}?${media.query}`;
  const stalled = useRef(onStalled);
  useEffect(() => {
    stalled.current = onStalled;
  }, [onStalled]);
  useEffect(() => {
    const one = video.current;
    if (!one) return;
    one.muted = isSilent;
    const player = new players[by](one, url, { told: setState, stalled: () => stalled.current() });
    if (seenRef) seenRef.current = () => player.instant();
    const follow = () => setMuted(one.muted);
    one.addEventListener("volumechange", follow);
    return () => {
      one.removeEventListener("volumechange", follow);
      if (seenRef) seenRef.current = null;
      player.close();
    };
  }, [url, isSilent, by, seenRef]);
  useVolume(video, props.levelDb);
  const setSound = (isOn: boolean) => {
    if (!video.current) return;
    video.current.muted = !isOn;
    setState((before) => (before === "silent" && isOn ? "playing" : before));
  };
  const isShown = state === "playing" || state === "silent";
  const isComing = isShown ? isLate : state === "waiting";
  const said = isComing ? t("coming") : !isShown ? t(state) : variant === "sound" ? t("soundAlone") : null;
  return (
    <div className={classes("group relative flex min-h-0 bg-ground", className)} data-variant={variant}>
      {/* captions stand under it, in a language of one's own choice */}
      <video ref={video} aria-label={label} playsInline className="size-full object-contain" data-state={state} />
      {said && (
        <p role="status" className="absolute inset-0 m-auto h-fit w-fit bg-ground/80 px-4 py-2">
          {said}
        </p>
      )}
      {isShown && isMuted && !isSilent && (
        <Button weight="act" className="absolute inset-0 m-auto h-fit w-fit" onClick={() => setSound(true)}>
          {t("soundOn")}
        </Button>
      )}
      {isShown && (
        <PlayerActs
          video={video}
          sound={isSilent ? null : { isMuted, set: setSound }}
          hasPicture={variant !== "sound"}
          lighter={lighter}
          wish={wish}
          onWish={choose}
        />
      )}
    </div>
  );
}
