import { layoutOf } from "@/core/room";
import { pictureSize, type Painted } from "./draw";
import { framesPerSecond } from "./encode";

/** A picture that stays the same is given to the encoder no seldomer. */
const leastEverySeconds = 0.2;

const sourceOf = (image: HTMLImageElement | null): string | null => image?.src ?? null;

/**
 * What a picture is drawn from, written down: two that read the same look the same. Null where that cannot be told:
 * what is being drawn by hand stands in canvases of its own.
 */
export function signOf(painted: Painted): string | null {
  const { picture, question, result } = painted;
  if (picture.kind === "holding") return JSON.stringify(painted.holding);
  if (result) return JSON.stringify([result, question]);
  const boxes = layoutOf(picture, pictureSize, painted.shares, 8);
  const parts: unknown[] = [];
  for (const box of boxes) {
    if (box.part === "person") {
      const { name, portrait, frame, isSpeaking } = painted.person(box.id!);
      parts.push([box, name, sourceOf(portrait), frame, isSpeaking]);
    } else if (box.part === "screen") {
      const { name, frame } = painted.screen(box.id!);
      parts.push([box, name, frame]);
    } else if (painted.ink.length > 0) return null;
    else parts.push([box, sourceOf(painted.document)]);
  }
  return JSON.stringify([parts, question]);
}

/**
 * Whether a picture is to be made now. What is new always is; what is not, five times a second, and on both sides of
 * every whole second: there a piece ends and the next begins (rule 26), with no gap between their pictures.
 */
export function isDue(atSeconds: number, lastAtSeconds: number, isNew: boolean): boolean {
  const second = Math.floor(atSeconds);
  return (
    isNew ||
    atSeconds - lastAtSeconds >= leastEverySeconds ||
    second !== Math.floor(lastAtSeconds) ||
    second !== Math.floor(atSeconds + 1 / framesPerSecond)
  );
}
