"use client";
import { Press } from "@/ui";
import { useRef } from "react";
import { spanText } from "@/features/shared/times";

/** A recording with its chapters on the rail. */
export function Recording(props: {
  src: string;
  chaptersSrc: string;
  captions: readonly { readonly language: string; readonly label: string; readonly src: string }[];
  chapters: readonly { title: string; startSeconds: number; endSeconds: number }[];
  words: { chapters: string };
}) {
  const video = useRef<HTMLVideoElement>(null);
  const jump = (seconds: number) => {
    if (!video.current) return;
    video.current.currentTime = seconds;
    void video.current.play();
  };
  return (
    <>
      <video ref={video} controls preload="metadata" className="mt-4 aspect-video w-full bg-ink" src={props.src}>
        <track kind="chapters" src={props.chaptersSrc} default />
        {props.captions.map(({ language, src, label }) => (
          <track key={language} kind="captions" srcLang={language} label={label} src={src} />
        ))}
      </video>
      {props.chapters.length > 0 && (
        <section className="mt-4" aria-label={props.words.chapters}>
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
    </>
  );
}
