import { inkSize, shapeOf, textLeading, type Mark, type Shape } from "@/core/room";

const shapes = new WeakMap<Mark, { readonly shape: Shape; readonly path: Path2D | null }>();

function knownShape(mark: Mark) {
  const known = shapes.get(mark);
  if (known) return known;
  const shape = shapeOf(mark);
  const made = { shape, path: shape.kind === "path" ? new Path2D(shape.d) : null };
  shapes.set(mark, made);
  return made;
}

/** Draws a mark with the very paths of the vector file. */
export function paintMark(context: CanvasRenderingContext2D, mark: Mark): void {
  const { shape, path } = knownShape(mark);
  if (shape.kind === "text") {
    context.fillStyle = shape.paint;
    context.font = `${shape.size}px sans-serif`;
    shape.lines.forEach((line, i) => context.fillText(line, shape.x, shape.y + i * shape.size * textLeading));
    return;
  }
  context.globalAlpha = shape.opacity;
  if (shape.strokeWidth === null) {
    context.fillStyle = shape.paint;
    context.fill(path!);
  } else {
    context.strokeStyle = shape.paint;
    context.lineWidth = shape.strokeWidth;
    context.lineCap = "round";
    context.lineJoin = "round";
    context.stroke(path!);
  }
  context.globalAlpha = 1;
}

/** A canvas in the size of its box, scaled so that marks are drawn in theirs. @returns null where there is none */
export function scaled(canvas: HTMLCanvasElement): CanvasRenderingContext2D | null {
  const context = canvas.getContext("2d");
  context?.setTransform(canvas.width / inkSize.width, 0, 0, canvas.height / inkSize.height, 0, 0);
  return context;
}
export function wipe(context: CanvasRenderingContext2D): void {
  context.clearRect(0, 0, inkSize.width, inkSize.height);
}
