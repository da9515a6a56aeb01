import { inkSpan, splitPoints, type InkColour, type InkTool, type Mark } from "@/core/room";

/** What is in the hand: a tool that leaves a mark, the eraser, or a pointer that leaves nothing. */
export type Hold = InkTool | "eraser" | "pointer";
export interface Hand {
  readonly hold: Hold;
  readonly colour: InkColour;
  readonly width: number;
}
export interface At {
  readonly x: number;
  readonly y: number;
}

/** A command has at most 16 kB: a stroke goes in parts of so many points. */
const mostPointsAtOnce = 1000;
/** nearer points than this add nothing that is seen */
const leastStep = 12;

const clamp = (n: number): number => Math.max(0, Math.min(inkSpan, Math.round(n)));

/** Where on a surface something happened in its box. */
export const placeIn = (box: DOMRect, clientX: number, clientY: number): At => ({
  x: clamp(((clientX - box.left) / box.width) * inkSpan),
  y: clamp(((clientY - box.top) / box.height) * inkSpan),
});

export const isTwoPoint = (hold: Hold): boolean =>
  hold === "line" || hold === "arrow" || hold === "rectangle" || hold === "ellipse";

/** A path grown by a point, where it went far enough to be seen. */
export function grown(path: readonly At[], at: At): readonly At[] {
  const last = path.at(-1);
  if (last && Math.hypot(at.x - last.x, at.y - last.y) < leastStep) return path;
  return [...path, at];
}

/** The mark that a path of the hand leaves; null where it leaves none. */
export function markOf({ hold, colour, width }: Hand, path: readonly At[], text = ""): Mark | null {
  const [first] = path;
  if (!first || hold === "eraser" || hold === "pointer") return null;
  const last = path.at(-1)!;
  if (hold === "text")
    return text.trim() === "" ? null : { tool: "text", colour, width, points: [first.x, first.y], text };
  if (isTwoPoint(hold) && first.x === last.x && first.y === last.y) return null;
  const kept = isTwoPoint(hold) ? [first, last] : path;
  return { tool: hold, colour, width, points: kept.flatMap(({ x, y }) => [x, y]), text: "" };
}

/** A mark in as many as are sent one by one. */
export const inParts = (mark: Mark): readonly Mark[] =>
  splitPoints(mark.points, mostPointsAtOnce).map((points) => ({ ...mark, points }));
