import { getStroke } from "perfect-freehand";
import { inkPaint, inkSpan, type Mark } from "./ink";

/** The size that a surface is drawn in: everything else scales it. */
export const inkSize = { width: 1600, height: 900 } as const;

/** What a mark looks like, for whatever draws: paths in the words of SVG, or lines of text. */
export type Shape =
  | {
      readonly kind: "path";
      readonly d: string;
      /** filled, or drawn as a line of this width */
      readonly strokeWidth: number | null;
      readonly paint: string;
      readonly opacity: number;
    }
  | {
      readonly kind: "text";
      readonly x: number;
      readonly y: number;
      readonly size: number;
      readonly lines: readonly string[];
      readonly paint: string;
    };

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** The points of a mark in the size that it is drawn in. */
export function pointsOf(mark: Mark): readonly Point[] {
  const points: Point[] = [];
  for (let i = 0; i + 1 < mark.points.length; i += 2) {
    points.push({
      x: (mark.points[i]! * inkSize.width) / inkSpan,
      y: (mark.points[i + 1]! * inkSize.height) / inkSpan,
    });
  }
  return points;
}
export const widthOf = (mark: Mark): number => (mark.width * inkSize.width) / inkSpan;
/** Letters grow with the width that was chosen. */
export const textSizeOf = (mark: Mark): number => Math.round(20 + widthOf(mark) * 2.5);
export const textLinesOf = (mark: Mark): readonly string[] => mark.text.split("\n");

const round = (n: number): string => String(Math.round(n * 10) / 10);
const at = ({ x, y }: Point): string => `${round(x)} ${round(y)}`;
const straight = (points: readonly Point[]): string =>
  points.map((one, i) => `${i === 0 ? "M" : "L"}${at(one)}`).join("");

/** Smooth through the middles of what was touched. */
function smooth(points: readonly Point[]): string {
  const [first] = points;
  if (!first) return "";
  if (points.length < 3) return straight(points.length === 1 ? [first, first] : points);
  const middles = points.slice(1, -1).map((one, i) => {
    const next = points[i + 2]!;
    return `Q${at(one)} ${at({ x: (one.x + next.x) / 2, y: (one.y + next.y) / 2 })}`;
  });
  return `M${at(first)}${middles.join("")}L${at(points.at(-1)!)}`;
}

/** A pen's stroke is an area: thin where the hand was quick. */
function penOutline(mark: Mark): string {
  const outline = getStroke(
    pointsOf(mark).map(({ x, y }) => [x, y]),
    { size: widthOf(mark) * 1.4, thinning: 0.45, smoothing: 0.5, streamline: 0.35, simulatePressure: true },
  );
  const [first, ...rest] = outline;
  if (!first) return "";
  const parts = rest.map(([x, y], i) => {
    const [nextX, nextY] = rest[i + 1] ?? first;
    return `Q${round(x!)} ${round(y!)} ${round((x! + nextX!) / 2)} ${round((y! + nextY!) / 2)}`;
  });
  return `M${round(first[0]!)} ${round(first[1]!)}${parts.join("")}Z`;
}

function arrowHead(from: Point, to: Point, size: number): readonly Point[] {
  const angle = Math.atan2(to.y - from.y, to.x - from.x);
  const wing = (turn: number): Point => ({
    x: to.x - size * Math.cos(angle + turn),
    y: to.y - size * Math.sin(angle + turn),
  });
  return [wing(0.45), to, wing(-0.45)];
}

function ellipse(a: Point, b: Point): string {
  const [rx, ry] = [Math.abs(b.x - a.x) / 2, Math.abs(b.y - a.y) / 2];
  const y = (a.y + b.y) / 2;
  const [left, right] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
  const arc = `A${round(rx)} ${round(ry)} 0 1 1`;
  return `M${round(left)} ${round(y)}${arc} ${round(right)} ${round(y)}${arc} ${round(left)} ${round(y)}Z`;
}

/** The corners of what lies between two points. */
export const cornersOf = (a: Point, b: Point): readonly Point[] => [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }];

/** How a mark is drawn: one truth for the screen, the vector file and the picture file. */
export function shapeOf(mark: Mark): Shape {
  const paint = inkPaint[mark.colour];
  const points = pointsOf(mark);
  const width = widthOf(mark);
  const [a = { x: 0, y: 0 }, b = a] = points;
  const line = (d: string, strokeWidth = width, opacity = 1): Shape => ({
    kind: "path",
    d,
    strokeWidth,
    paint,
    opacity,
  });
  switch (mark.tool) {
    case "pen":
      return { kind: "path", d: penOutline(mark), strokeWidth: null, paint, opacity: 1 };
    case "highlighter":
      return line(smooth(points), width * 3, 0.35);
    case "line":
      return line(straight([a, b]));
    case "arrow":
      return line(straight([a, b]) + straight(arrowHead(a, b, 14 + width * 2.5)));
    case "rectangle":
      return line(`${straight(cornersOf(a, b))}Z`);
    case "ellipse":
      return line(ellipse(a, b));
    case "text":
      return { kind: "text", ...a, size: textSizeOf(mark), lines: textLinesOf(mark), paint };
  }
}
/** Lines of a text stand so far apart, in its size. */
export const textLeading = 1.25;
