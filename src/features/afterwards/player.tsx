"use client";
import dynamic from "next/dynamic";
import { useEffect, useState, type CSSProperties, type HTMLAttributes, type ReactNode, type RefObject } from "react";
import { classes } from "@/ui";
import type { Messages } from "@/contracts/messages";
import { playerWords } from "./player-words";

declare module "react" {
  // eslint-disable-next-line @typescript-eslint/no-namespace -- how React's types take an element of somebody's own
  namespace JSX {
    interface IntrinsicElements {
      "media-controller": HTMLAttributes<HTMLElement> & { class: string; noautohide: string };
    }
  }
}

/** The controls speak the reader's language from the first: words are set before they are made. */
const controlsIn = (words: Messages["player"]) =>
  dynamic(
    async () => {
      const [{ addTranslation, setLanguage }, controls] = await Promise.all([
        import("media-chrome/dist/utils/i18n.js"),
        import("./player-controls"),
      ]);
      addTranslation("own", playerWords(words));
      setLanguage("own");
      return controls;
    },
    { ssr: false },
  );
const look = {
  "--media-primary-color": "var(--ink)",
  "--media-secondary-color": "var(--sheet)",
  "--media-control-background": "var(--sheet)",
  "--media-text-color": "var(--ink)",
  "--media-range-track-background": "var(--rule)",
  "--media-time-range-buffered-color": "var(--ink-2)",
  "--media-control-hover-background": "var(--raised)",
  "--media-range-bar-color": "var(--action)",
  "--media-range-thumb-background": "var(--action)",
  "--media-focus-box-shadow": "inset 0 0 0 2px var(--action)",
  "--media-font-family": "inherit",
  "--media-control-height": "22px",
} as CSSProperties;

/** A recording in a player of this product's: speed, captions, chapters on its line, keys. */
export function Player({
  video,
  src,
  isSoundAlone,
  poster,
  hasCaptions,
  words,
  children,
}: {
  video: RefObject<HTMLVideoElement | null>;
  src: string;
  /** the picture is off: no room is kept for it */
  isSoundAlone: boolean;
  poster: string | null;
  hasCaptions: boolean;
  words: Messages["player"];
  /** its tracks */
  children: ReactNode;
}) {
  const [Controls] = useState(() => controlsIn(words));
  const [isReady, setReady] = useState(false);
  useEffect(() => {
    let isOver = false;
    void customElements.whenDefined("media-play-button").then(() => !isOver && setReady(true));
    return () => {
      isOver = true;
    };
  }, []);
  return (
    // the controls have a place of their own under the picture: nothing of it is covered, and nothing hides
    <media-controller class="mt-4 block w-full bg-sheet pb-21" noautohide="" dir="ltr" style={look}>
      <video
        ref={video}
        slot="media"
        controls={!isReady}
        preload="metadata"
        className={classes("w-full bg-black", isSoundAlone ? "h-24" : "aspect-video")}
        src={src}
        {...(poster === null ? {} : { poster })}
      >
        {children}
      </video>
      <Controls hasCaptions={hasCaptions} />
    </media-controller>
  );
}
