"use client";
import { MicOff } from "lucide-react";
import type { ReactNode } from "react";
import { classes, initialsOf } from "@/ui";

export interface TilePerson {
  readonly name: string;
  readonly portraitId: string | null;
  readonly isMicrophoneOpen: boolean;
}

/** A tile narrower than this holds a name without the sign of a closed microphone. */
const leastIconWidth = 90;
/** A tile lower than this holds a name alone. */
const leastFaceHeight = 64;

/** Somebody on the picture: their portrait or their initials, and under it their name where it can be read. */
export function PersonTile(props: {
  person: TilePerson;
  /** of the tile, in pixels: what is too small to be read is left out */
  size: { readonly width: number; readonly height: number };
  mutedWords: string;
  /** their camera's picture, in place of the portrait */
  live?: ReactNode;
  /** an act of one's own, in a corner */
  act?: ReactNode;
}) {
  const { person, size } = props;
  const isSmall = size.width < 220;
  const isNarrow = size.width < leastIconWidth;
  const bar = isSmall ? 24 : 34;
  const face = Math.min(size.height - bar, size.width) * 0.72;
  return (
    <div className="group relative flex size-full flex-col overflow-hidden bg-sheet">
      {props.live ? (
        <div className="min-h-0 flex-1 overflow-hidden">{props.live}</div>
      ) : size.height >= leastFaceHeight ? (
        <div className="grid min-h-0 flex-1 place-items-center">
          {person.portraitId ? (
            <img
              src={`/pictures/${person.portraitId}`}
              alt=""
              className="rounded-sheet object-cover"
              style={{ width: face, height: face }}
            />
          ) : (
            <span
              aria-hidden
              className="grid place-items-center rounded-sheet bg-raised font-semibold"
              style={{ width: face, height: face, fontSize: face / 3 }}
            >
              {initialsOf(person.name)}
            </span>
          )}
        </div>
      ) : (
        <span className="flex-1" />
      )}
      <p
        className={classes(
          "flex shrink-0 items-center gap-1.5 font-medium",
          isNarrow ? "px-1" : "px-2",
          isSmall && "text-label",
        )}
        style={{ height: bar }}
      >
        {!person.isMicrophoneOpen && (
          <>
            {!isNarrow && <MicOff size={14} aria-hidden className="shrink-0 text-ink-2" />}
            <span className="sr-only">{props.mutedWords} </span>
          </>
        )}
        <bdi className="truncate">{person.name}</bdi>
      </p>
      {props.act && <div className="absolute end-1 top-1">{props.act}</div>}
    </div>
  );
}
