import { fail, ok, type Result } from "../../shared";
import { inkColours, inkSpan, inkTools, mostStrokePoints, mostTextLength, type Mark } from "./ink";
import { inkSize, shapeOf, textLeading, type Shape } from "./outline";

const escapes: Readonly<Record<string, string>> = {
  "&": "&amp;",
  "<": "&lt;",
  ">": "&gt;",
  '"': "&quot;",
  "\n": "&#10;",
};
const escape = (text: string): string => text.replace(/[&<>"\n]/g, (one) => escapes[one]!);
const unescape = (text: string): string =>
  text
    .replace(/&#(\d+);/g, (_, code: string) => String.fromCodePoint(Number(code)))
    .replace(/&#x([0-9a-f]+);/gi, (_, code: string) => String.fromCodePoint(parseInt(code, 16)))
    .replace(/&lt;/g, "<")
    .replace(/&gt;/g, ">")
    .replace(/&quot;/g, '"')
    .replace(/&apos;/g, "'")
    .replace(/&amp;/g, "&");

function element(shape: Shape): string {
  if (shape.kind === "text") {
    const spans = shape.lines.map(
      (line, i) => `<tspan x="${shape.x}" dy="${i === 0 ? 0 : shape.size * textLeading}">${escape(line)}</tspan>`,
    );
    return `<text x="${shape.x}" y="${shape.y}" font-family="sans-serif" font-size="${shape.size}" fill="${shape.paint}">${spans.join("")}</text>`;
  }
  const opacity = shape.opacity === 1 ? "" : ` opacity="${shape.opacity}"`;
  return shape.strokeWidth === null
    ? `<path d="${shape.d}" fill="${shape.paint}"${opacity}/>`
    : `<path d="${shape.d}" fill="none" stroke="${shape.paint}" stroke-width="${shape.strokeWidth}" stroke-linecap="round" stroke-linejoin="round"${opacity}/>`;
}

/** A surface as a vector file (SVG 1.1): every mark drawn, and beside it the mark itself, to be read again. */
export function writeSvg(title: string, marks: readonly Mark[]): string {
  const { width, height } = inkSize;
  const groups = marks.map((mark) => `<g data-mark="${escape(JSON.stringify(mark))}">${element(shapeOf(mark))}</g>`);
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">`,
    `<title>${escape(title)}</title>`,
    `<rect width="${width}" height="${height}" fill="#ffffff"/>`,
    ...groups,
    "</svg>",
    "",
  ].join("\n");
}

const isIn = <T extends string>(list: readonly T[], value: unknown): value is T => list.includes(value as T);

/** A mark as a file says it, where it is one. */
function readMark(text: string): Mark | null {
  try {
    const one = JSON.parse(text) as Partial<Record<keyof Mark, unknown>>;
    const points = Array.isArray(one.points) ? (one.points as unknown[]) : [];
    const isPoint = (n: unknown) => Number.isInteger(n) && (n as number) >= 0 && (n as number) <= inkSpan;
    if (!isIn(inkTools, one.tool) || !isIn(inkColours, one.colour)) return null;
    if (points.length < 2 || points.length % 2 === 1 || points.length > mostStrokePoints * 2) return null;
    if (!points.every(isPoint) || !Number.isInteger(one.width)) return null;
    const [width, words] = [one.width as number, one.text];
    if (width < 1 || width > 500 || typeof words !== "string" || words.length > mostTextLength) return null;
    return { tool: one.tool, colour: one.colour, width, points: points as number[], text: words };
  } catch {
    return null;
  }
}

/** The marks of a vector file that `writeSvg` wrote; other files are refused, and broken marks say so. */
export function readSvg(text: string): Result<readonly Mark[]> {
  if (!/<svg[\s>]/.test(text)) return fail({ code: "not-a-board" });
  const found = [...text.matchAll(/\sdata-mark=(?:"([^"]*)"|'([^']*)')/g)];
  const marks = found.map(([, double, single]) => readMark(unescape(double ?? single ?? "")));
  const whole = marks.filter((mark) => mark !== null);
  return whole.length === 0 || whole.length < marks.length ? fail({ code: "not-a-board" }) : ok(whole);
}
