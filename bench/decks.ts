import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { makeDeck } from "../src/server/workers/deck-maker";
import { deckOf } from "../tests/support/pdf";
import { record } from "./figures";

const pages = 60;

/** The same pages by poppler, drawn 1600 px wide and packed as WebP in both widths. */
async function bare(path: string, folder: string): Promise<number> {
  const from = performance.now();
  execFileSync("pdftoppm", ["-png", "-scale-to-x", "1600", "-scale-to-y", "900", path, join(folder, "page")]);
  for (const name of readdirSync(folder).filter((one) => one.endsWith(".png"))) {
    const drawn = sharp(readFileSync(join(folder, name)));
    await Promise.all([1600, 800].map((width) => drawn.clone().resize({ width }).webp({ quality: 82 }).toBuffer()));
  }
  return performance.now() - from;
}

/** Rule 20: a deck of 60 pages, from the file to its last picture, beside another program doing the same. */
export async function decksBench(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "deck-bench-"));
  const path = join(folder, "deck.pdf");
  writeFileSync(path, await deckOf(Array.from({ length: pages }, (_, i) => ({ text: `Page ${i + 1} of the count` }))));
  const at: number[] = [];
  const from = performance.now();
  for await (const word of makeDeck(path)) if (word.kind === "page") at.push(performance.now() - from);
  const whole = at.at(-1) ?? Number.NaN;
  const bareMs = await bare(path, folder);
  record(
    {
      name: "deck-of-60",
      n: at.length,
      median: whole,
      p99: whole,
      cpu: null,
      bare: { median: bareMs, p99: bareMs, cpu: null },
    },
    `≤ 20 s; first page after ${Math.round(at[0] ?? Number.NaN)} ms`,
  );
}
