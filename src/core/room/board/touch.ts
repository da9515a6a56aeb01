import type { Mark } from "./ink";
import { cornersOf, pointsOf, textLeading, textLinesOf, textSizeOf, widthOf, type Point } from "./outline";

/** How far a point is from the line between two others. */
function toSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length = dx * dx + dy * dy;
  const t = length === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}

const side = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
const doCross = (a: Point, b: Point, c: Point, d: Point): boolean =>
  side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;

/** How far two lines are from each other at their nearest; 0 where they cross. */
function between(a: Point, b: Point, c: Point, d: Point): number {
  if (doCross(a, b, c, d)) return 0;
  return Math.min(toSegment(a, c, d), toSegment(b, c, d), toSegment(c, a, b), toSegment(d, a, b));
}

const steps = 48;
function around(a: Point, b: Point): readonly Point[] {
  const [x, y] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  const [rx, ry] = [Math.abs(b.x - a.x) / 2, Math.abs(b.y - a.y) / 2];
  return Array.from({ length: steps + 1 }, (_, i) => {
    const angle = (i / steps) * 2 * Math.PI;
    return { x: x + rx * Math.cos(angle), y: y + ry * Math.sin(angle) };
  });
}

/** Letters are about half as wide as high: enough to know what is touched. */
function textBox(mark: Mark, at: Point): readonly [Point, Point] {
  const [size, lines] = [textSizeOf(mark), textLinesOf(mark)];
  const width = Math.max(...lines.map((line) => line.length)) * size * 0.55;
  return [
    { x: at.x, y: at.y - size },
    { x: at.x + width, y: at.y + (lines.length - 1) * size * textLeading },
  ];
}

/** The line that a mark leaves. */
function lineOf(mark: Mark): readonly Point[] {
  const points = pointsOf(mark);
  const [a, b] = points;
  if (!a) return [];
  if (mark.tool === "text") {
    const corners = cornersOf(...textBox(mark, a));
    return [...corners, corners[0]!];
  }
  if (!b) return [a, a];
  if (mark.tool === "rectangle") return [...cornersOf(a, b), a];
  return mark.tool === "ellipse" ? around(a, b) : points;
}

const isInside = (p: Point, [a, b]: readonly [Point, Point]): boolean =>
  p.x >= a.x && p.x <= b.x && p.y >= a.y && p.y <= b.y;

/**
 * Whether the eraser, moved from one point to another, touches a mark: not farther from its line than half of both
 * widths together (rule 22). A text is touched anywhere between its first letter and its last.
 * @param eraserWidth in the size that marks are drawn in, as the points
 */
export function doesTouch(mark: Mark, from: Point, to: Point, eraserWidth: number): boolean {
  const line = lineOf(mark);
  if (mark.tool === "text" && line.length > 0) {
    const box = textBox(mark, pointsOf(mark)[0]!);
    if (isInside(from, box) || isInside(to, box)) return true;
  }
  const own = mark.tool === "highlighter" ? widthOf(mark) * 3 : mark.tool === "text" ? 0 : widthOf(mark);
  const reach = (own + eraserWidth) / 2;
  return line.some((point, i) => i > 0 && between(line[i - 1]!, point, from, to) <= reach);
}
