/** What is drawn with. The eraser is an act, not a tool that leaves something. */
export const inkTools = ["pen", "highlighter", "line", "arrow", "rectangle", "ellipse", "text"] as const;
export type InkTool = (typeof inkTools)[number];

/** Colours of the palette, by name: a name stands wherever the colour does. */
export const inkColours = ["black", "blue", "green", "red", "orange", "violet"] as const;
export type InkColour = (typeof inkColours)[number];

/** On white; each with at least 4.5:1 (WCAG 2.2, 1.4.3). */
export const inkPaint: Readonly<Record<InkColour, string>> = {
  black: "#1c2026",
  blue: "#1551a8",
  green: "#1c6b3a",
  red: "#b3202c",
  orange: "#9c4a00",
  violet: "#6b2fa0",
};

/** Thin, middle and thick, in 1/10,000 of the width. */
export const inkWidths = [20, 45, 90] as const;

/** The span of both axes: points are 1/10,000 of the width and of the height (rule 22). */
export const inkSpan = 10_000;
export const mostStrokePoints = 2000;
export const mostTextLength = 200;

/**
 * Something drawn: vectors (rule 22). `points` is x, y, x, y, … A line, an arrow, a rectangle and an ellipse have two
 * points, a text one: where its first line begins.
 */
export interface Mark {
  readonly tool: InkTool;
  readonly colour: InkColour;
  readonly width: number;
  readonly points: readonly number[];
  /** of a text; else empty */
  readonly text: string;
}

/** What is drawn on: a board, or a page of a deck. */
export interface Surface {
  readonly id: string;
  /** of a deck, from 1; 0 for a board */
  readonly page: number;
}
export const isSameSurface = (a: Surface | null, b: Surface | null): boolean => a?.id === b?.id && a?.page === b?.page;

export type InkBody =
  /** `continues`: the act before it of a stroke that was too long for one */
  | { readonly do: "draw"; readonly mark: Mark; readonly continues: string | null }
  | { readonly do: "erase"; readonly ids: readonly string[] }
  | { readonly do: "clear" }
  | { readonly do: "undo" }
  | { readonly do: "redo" };

/** One act on a surface. `n` is its place there: the rows in that order are the picture. */
export interface InkAct {
  readonly n: number;
  readonly id: string;
  readonly authorId: string;
  readonly at: number;
  readonly body: InkBody;
}

/** A stroke in parts of so many points, each beginning where the one before ends. */
export function splitPoints(points: readonly number[], most = mostStrokePoints): readonly (readonly number[])[] {
  if (points.length <= most * 2) return [points];
  const parts: (readonly number[])[] = [];
  for (let from = 0; from + 2 < points.length; from += (most - 1) * 2) parts.push(points.slice(from, from + most * 2));
  return parts;
}
