"use client";
import type { Done } from "@/contracts";
import type { Messages } from "@/contracts/messages";
import { Button, Checkbox, Press } from "@/ui";
import { useRef } from "react";
import { HeatLine } from "./heat-line";
import { Player } from "./player";
import type { PageBeside } from "@/core/watching";
import { PagesBeside, type PagesWords } from "./pages-beside";
import { useSoundAlone } from "./use-sound-alone";
import { usePlayCount } from "./use-play-count";
import { useResume } from "./use-resume";
import { spanText } from "@/features/shared/times";
import { AskOnDemand, type AskWords } from "./ask-on-demand";

/** A recording with its chapters on the rail. */
export function Recording(props: {
  src: string;
  /** the sound alone; null: there is none */
  soundSrc: string | null;
  /** slides as they were shown */
  pages: readonly PageBeside[];
  /** stands before it plays */
  poster: string | null;
  chaptersSrc: string;
  captions: readonly { readonly language: string; readonly label: string; readonly src: string }[];
  chapters: readonly { title: string; startSeconds: number; endSeconds: number }[];
  /** how often each part was watched; empty: not shown */
  heat: readonly number[];
  /** where it is told what is played; null: nothing is told */
  countUrl: string | null;
  /** tells it apart from others in this browser, and how long it is */
  name: string;
  seconds: number;
  /** null: nobody is asked here */
  ask: ((text: string, atSeconds: number) => Promise<Done<unknown>>) | null;
  words: { chapters: string; heat: string; goOn: string; player: Messages["player"]; soundAlone: string } & AskWords &
    PagesWords;
}) {
  const video = useRef<HTMLVideoElement>(null);
  usePlayCount(video, props.countUrl);
  const resume = useResume(video, props.name, props.seconds);
  const jump = (seconds: number) => {
    if (!video.current) return;
    video.current.currentTime = seconds;
    void video.current.play();
  };
  const sound = useSoundAlone(video, props.src, props.soundSrc);
  const player = (
    <div className="min-w-0">
      <Player
        video={video}
        src={sound.playing}
        isSoundAlone={sound.isAlone}
        poster={props.poster}
        hasCaptions={props.captions.length > 0}
        words={props.words.player}
      >
        <track kind="chapters" src={props.chaptersSrc} default />
        {props.captions.map(({ language, src, label }) => (
          <track key={language} kind="captions" srcLang={language} label={label} src={src} />
        ))}
      </Player>
      {props.soundSrc !== null && (
        <label className="mt-2 flex w-fit items-center gap-2">
          <Checkbox checked={sound.isAlone} onChange={(event) => sound.change(event.target.checked)} />
          {props.words.soundAlone}
        </label>
      )}
    </div>
  );
  return (
    <>
      {props.pages.length === 0 ? (
        player
      ) : (
        <div className="grid gap-x-4 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
          {player}
          <PagesBeside video={video} pages={props.pages} words={props.words} onJump={jump} />
        </div>
      )}
      {resume !== null && (
        <Button weight="act" className="mt-2" onClick={() => jump(resume)}>
          {props.words.goOn.replace("{time}", spanText(resume * 1000))}
        </Button>
      )}
      {props.chapters.length > 0 && (
        <section className="mt-4" aria-label={props.words.chapters}>
          {props.heat.length > 0 && (
            <HeatLine figures={props.heat} highest={Math.max(...props.heat)} words={props.words.heat} />
          )}
          <div className="flex w-full border-y border-rule">
            {props.chapters.map((chapter) => (
              <Press
                key={chapter.startSeconds}
                onClick={() => jump(chapter.startSeconds)}
                style={{ flexGrow: Math.max(1, chapter.endSeconds - chapter.startSeconds) }}
                className="min-w-8 basis-0 overflow-hidden border-s border-rule bg-sheet px-2 py-2 text-start hover:bg-raised"
              >
                <span className="mono block text-label text-ink-2">{spanText(chapter.startSeconds * 1000)}</span>
                <span className="line-clamp-2">{chapter.title}</span>
              </Press>
            ))}
          </div>
        </section>
      )}
      {props.ask && (
        <AskOnDemand ask={props.ask} at={() => Math.floor(video.current?.currentTime ?? 0)} words={props.words} />
      )}
    </>
  );
}
