"use client";
import { MicOff } from "lucide-react";
import type { ReactNode } from "react";
import { classes, initialsOf } from "@/ui";

export interface TilePerson {
  readonly name: string;
  readonly portraitId: string | null;
  readonly isMicrophoneOpen: boolean;
}

/** Somebody on the picture: their portrait or their initials, and their name where it can be read. */
export function PersonTile(props: {
  person: TilePerson;
  /** of the tile, in pixels: what is too small to be read is left out */
  width: number;
  mutedWords: string;
  /** an act of one's own, in a corner */
  act?: ReactNode;
}) {
  const { person, width } = props;
  const isSmall = width < 150;
  const face = "size-[min(44%,9rem)] min-w-8";
  return (
    <div className="group relative grid size-full place-items-center overflow-hidden bg-sheet">
      <div className={classes("grid aspect-square place-items-center", face)}>
        {person.portraitId ? (
          <img
            src={`/pictures/${person.portraitId}`}
            alt=""
            className="aspect-square size-full rounded-sheet object-cover"
          />
        ) : (
          <span
            aria-hidden
            className="grid aspect-square size-full place-items-center rounded-sheet bg-raised text-title font-semibold"
          >
            {initialsOf(person.name)}
          </span>
        )}
      </div>
      <p
        className={classes(
          "absolute inset-x-0 bottom-0 flex items-center gap-1.5 truncate bg-ground/80 px-2 font-medium",
          isSmall ? "py-0.5 text-label" : "py-1",
        )}
      >
        {!person.isMicrophoneOpen && (
          <>
            <MicOff size={14} aria-hidden className="shrink-0 text-ink-2" />
            <span className="sr-only">{props.mutedWords} </span>
          </>
        )}
        <bdi className="truncate">{person.name}</bdi>
      </p>
      {props.act && <div className="absolute end-1 top-1">{props.act}</div>}
    </div>
  );
}
