import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";

const css = readFileSync(new URL("./tokens.css", import.meta.url), "utf8");
const side = (block: string) =>
  Object.fromEntries([...block.matchAll(/--([\w-]+): (#[0-9a-f]{6})/g)].map((match) => [match[1]!, match[2]!]));
const [paper, desk] = css.split('[data-theme="desk"]').map(side) as [Record<string, string>, Record<string, string>];

/** Relative luminance and contrast by WCAG 2.2. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
const contrast = (a: string, b: string) => {
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (high + 0.05) / (low + 0.05);
};

const pairs = [
  ...["ink", "ink-2", "action", "wrong"].flatMap((text) =>
    ["ground", "sheet", "raised"].map((ground) => [text, ground] as const),
  ),
  ["attention", "attention-ground"],
  ["attention", "ground"],
  ["on-action", "action"],
  ["on-on-air", "on-air"],
  ["on-air", "sheet"],
] as const;

describe("text pairs keep 4.5:1 on every ground they stand on (WCAG 2.2, 1.4.3)", () => {
  it("is computed rightly: black on white is 21", () => expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 5));
  it.each(pairs)("%s on %s", (text, ground) => {
    for (const tokens of [paper, desk]) expect(contrast(tokens[text]!, tokens[ground]!)).toBeGreaterThanOrEqual(4.5);
  });
});
