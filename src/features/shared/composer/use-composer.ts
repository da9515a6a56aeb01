"use client";
import { useEffect, useRef, useState } from "react";
import { useTranslations } from "use-intl";
import { programmeFeed, waitsMs } from "@/core/programme";
import type { Links } from "../links/use-mesh";
import type { RoomLink } from "../room-link/use-room";
import { Composer, type ComposerState } from "./composer";
import { canEncode } from "./encode";
import { isHeardBy, paintedOf, screenVoice, type ComposedView, type Media } from "./painted";

const healthEveryMs = 2000;
/** Before anybody has made the picture: so long people on stage leave the first to a desk, whose links need a moment. */
const firstLeftToDeskMs = 5000;
const nobody: ReadonlySet<string> = new Set();

/** Elements that play what people send, pictures of pages and portraits, made once each. */
function useMedia(streams: ReadonlyMap<string, MediaStream>) {
  const videos = useRef(new Map<string, { readonly stream: MediaStream; readonly video: HTMLVideoElement }>());
  const pictures = useRef(new Map<string, HTMLImageElement>());
  useEffect(() => {
    for (const [id, one] of videos.current) if (streams.get(id) !== one.stream) videos.current.delete(id);
    for (const [id, stream] of streams) {
      if (videos.current.has(id)) continue;
      const video = document.createElement("video");
      Object.assign(video, { muted: true, playsInline: true, srcObject: stream });
      void video.play().catch(() => {});
      videos.current.set(id, { stream, video });
    }
  }, [streams]);
  const pictureAt = (address: string): HTMLImageElement | null => {
    const known = pictures.current.get(address);
    if (known) return known.complete && known.naturalWidth > 0 ? known : null;
    const image = new Image();
    image.src = address;
    pictures.current.set(address, image);
    return null;
  };
  return {
    video: (id: string) => videos.current.get(id)?.video ?? null,
    screen: (id: string) => videos.current.get(screenVoice(id))?.video ?? null,
    document: (pictureId: string) => pictureAt(`/slides/${pictureId}/1600`),
    portrait: (pictureId: string) => pictureAt(`/pictures/${pictureId}`),
  };
}

/** Everything that comes, and this page's own: people by their ticket, screens beside them. */
function allOf(links: Links, own: Parameters<typeof useComposer>[6], me: string): ReadonlyMap<string, MediaStream> {
  const screens = new Map([...links.screens, ...(own.screen ? [[me, own.screen] as const] : [])]);
  return new Map([
    ...links.streams,
    ...(own.stream ? [[me, own.stream] as const] : []),
    ...[...screens].map(([id, stream]) => [screenVoice(id), stream] as const),
  ]);
}

/** In which order pages reach for the lease: a desk at once, people on stage one after the other. */
function turnOf(view: ComposedView, me: string, isDesk: boolean): number {
  if (isDesk) return 0;
  const maker = view.programme[programmeFeed];
  const onStage = Object.entries(view.stage)
    // whoever is late with it has had their turn
    .filter(([id, one]) => one.place === "stage" && one.isPresent && !(maker?.isLate && maker.holderId === id))
    .map(([id]) => id);
  const at = onStage.indexOf(me);
  // whoever waits backstage comes behind all who are on stage
  return 1 + (at < 0 ? onStage.length : at);
}

/** Tells the desk how the picture goes, for as long as it is made here. @returns how to stop */
function tellHealth(composer: Composer, health: Links["health"], whisper: RoomLink<never>["whisper"]): () => void {
  let before = { frames: 0, bytes: 0 };
  const timer = setInterval(() => {
    const made = composer.health();
    if (!made) return;
    const framesPerSecond = Math.max(0, ((made.frames - before.frames) * 1000) / healthEveryMs);
    const kilobitsPerSecond = Math.max(0, ((made.bytes - before.bytes) * 8) / healthEveryMs);
    before = made;
    const { waiting } = made;
    void health().then((links) =>
      whisper({ type: "programme.health", framesPerSecond, kilobitsPerSecond, waiting, links: [...links] }),
    );
  }, healthEveryMs);
  return () => clearInterval(timer);
}

/**
 * Makes the programme on this page where nobody else does and somebody's devices are on.
 * @param own this page's own sound and picture, and its shared screen @param leftOut people who are not to be seen or heard
 * @returns how it stands here; null while there is nothing to make, or this browser cannot
 */
export function useComposer(
  occurrenceId: string,
  as: string | null,
  me: string,
  room: Pick<RoomLink<never>, "whisper">,
  view: ComposedView | null,
  links: Links,
  own: { readonly stream: MediaStream | null; readonly screen: MediaStream | null },
  leftOut: ReadonlySet<string> = nobody,
): ComposerState | null {
  const t = useTranslations("house");
  const [state, setState] = useState<ComposerState | null>(null);
  const all = allOf(links, own, me);
  const media = useMedia(all);
  const isWanted = view?.status["it"]?.phase === "open" && all.size > 0 && canEncode();
  const latest = useRef({ view, all, media, leftOut, words: t("curtainDown") });
  useEffect(() => {
    latest.current = { view, all, media, leftOut, words: t("curtainDown") };
  });
  const wasMade = useRef(false);
  const { whisper } = room;
  const { device, health } = links;
  useEffect(() => {
    if (!isWanted) return;
    const query = (feed: string) => new URLSearchParams({ feed, device, ...(as && { as }) }).toString();
    const composer = new Composer({
      leaseUrl: (feed) => `/live/${occurrenceId}/lease?${query(feed)}`,
      piecesUrl: (feed) => `/live/${occurrenceId}/pieces?${query(feed)}`,
      waitsMs: () =>
        waitsMs(latest.current.view ? turnOf(latest.current.view, me, as === null) : 0) +
        (as === null || wasMade.current ? 0 : firstLeftToDeskMs),
      streams: () => latest.current.all,
      isHeard: (id) => isHeardBy(latest.current.view!, latest.current.leftOut)(id),
      isTaken: () => {
        const isMade = latest.current.view?.programme[programmeFeed]?.isLate === false;
        wasMade.current ||= isMade;
        return isMade;
      },
      painted: () => {
        const { view: now, media: shown, leftOut: out, words } = latest.current;
        const with_: Media = {
          ...shown,
          ink: [...document.querySelectorAll<HTMLCanvasElement>("[data-programme-ink] canvas")],
          now: Date.now(),
          holdingWords: words,
          leftOut: out,
        };
        return paintedOf(now!, with_);
      },
      told: setState,
    });
    const stopTelling = tellHealth(composer, health, whisper);
    return () => {
      stopTelling();
      composer.close();
      setState(null);
    };
    // health is the same act at every drawing of the page
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isWanted, occurrenceId, as, me, device, whisper]);
  return isWanted ? state : null;
}
