import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { composedPieces, readMedia } from "../../../tests/support/pieces";
import { cutMedia } from "./cut-media";
import { joinPieces } from "./join-pieces";

const folder = mkdtempSync(join(tmpdir(), "cut-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const span = (from: number, to: number) => ({ from: from * 1000, to: to * 1000 });
let original = "";
beforeAll(async () => {
  original = join(folder, "original.mp4");
  const run = await composedPieces(folder, "a", 12);
  await joinPieces({ runs: [{ ...run, seconds: 12, fromSeconds: 0 }], outPath: original });
});
/** Pictures carry their number: which of the original's are there, by its second. */
const seconds = (pictures: readonly { readonly bytes: Uint8Array }[]) => [
  ...new Set(pictures.map(({ bytes }) => Math.floor((bytes[5]! + bytes[6]! * 256) / 15))),
];

describe("a recording that is cut", () => {
  it("holds what stays, picture for picture, on a clock without holes, and begins each span with a key picture", async () => {
    const outPath = join(folder, "cut.mp4");
    const told: number[] = [];
    const made = await cutMedia({ path: original, kept: [span(2, 5), span(8, 10)], outPath }, (n) => told.push(n));
    expect(told).toEqual([1, 2]);
    expect(made.kept).toEqual([span(2, 5), span(8, 10)]);
    expect(made.durationSeconds).toBeCloseTo(5, 2);
    const file = await readMedia(outPath);
    expect(file.duration).toBeCloseTo(5, 1);
    expect(seconds(file.video)).toEqual([2, 3, 4, 8, 9]);
    expect(file.video).toHaveLength(5 * 15);
    expect([0, 45].map((i) => file.video[i]!.isKey)).toEqual([true, true]);
    for (let i = 1; i < file.video.length; i += 1)
      expect(file.video[i]!.at - file.video[i - 1]!.at).toBeCloseTo(1 / 15, 2);
    // sound goes along: 50 packets a second, none of it beyond its pictures
    expect(file.audio.length).toBeGreaterThan(5 * 50 - 8);
    expect(file.audio.at(-1)!.at).toBeLessThan(5.01);
  });

  it("shows nothing of what was cut: between two key pictures it begins at the next, and says so", async () => {
    const outPath = join(folder, "between.mp4");
    const made = await cutMedia({ path: original, kept: [span(2.4, 6.5)], outPath });
    expect(made.kept).toEqual([{ from: 3000, to: 6500 }]);
    const file = await readMedia(outPath);
    expect(seconds(file.video)).toEqual([3, 4, 5, 6]);
    expect(file.video[0]).toMatchObject({ at: 0, isKey: true });
    expect(file.duration).toBeCloseTo(3.5, 1);
  });

  it("of an uploaded WebM stays a WebM", async () => {
    const outPath = join(folder, "cut.webm");
    const path = resolve("scripts/demo/shore.webm");
    const whole = await readMedia(path);
    const made = await cutMedia({ path, kept: [span(0, whole.duration / 2)], outPath });
    const file = await readMedia(outPath);
    // a picture in each 5 s; the last one of a WebM says no length of its own
    expect(made.durationSeconds - file.duration).toBeLessThanOrEqual(5);
    expect(file.video.map(({ bytes }) => bytes.length)).toEqual(
      whole.video.slice(0, file.video.length).map(({ bytes }) => bytes.length),
    );
    expect(file.video.length).toBeLessThan(whole.video.length);
  });

  it("of which nothing would be left, and what is no video, is refused and leaves the original as it was", async () => {
    const outPath = join(folder, "none.mp4");
    await expect(cutMedia({ path: original, kept: [span(11.9, 11.95)], outPath })).rejects.toThrow(
      /nothing would be left/,
    );
    const text = join(folder, "text.mp4");
    writeFileSync(text, "not a video at all");
    await expect(cutMedia({ path: text, kept: [span(0, 1)], outPath })).rejects.toThrow();
    expect((await readMedia(original)).duration).toBeCloseTo(12, 1);
  });
});
