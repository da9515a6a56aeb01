import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { boxesAt, viewOf } from "@/core/programme/boxes";
import { composedPieces, readMedia } from "../../../tests/support/pieces";
import { joinPieces } from "./join-pieces";

const folder = mkdtempSync(join(tmpdir(), "join-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** How many steps a second the clock of each track has (mdhd, ISO/IEC 14496-12 §8.4.2). */
const clocksOf = (init: Uint8Array): number[] =>
  [...boxesAt(viewOf(init), ["moov", "trak", "mdia", "mdhd"])].map(({ from }) => viewOf(init).getUint32(from + 12));
/** The same piece, on a clock that is so many seconds earlier (tfdt, §8.8.12). */
function earlier(piece: Uint8Array, clocks: readonly number[], seconds: number): Uint8Array {
  const view = viewOf(piece);
  for (const [i, { from }] of [...boxesAt(view, ["moof", "traf", "tfdt"])].entries())
    view.setBigUint64(from + 4, view.getBigUint64(from + 4) - BigInt(Math.round(seconds * clocks[i]!)));
  return piece;
}

describe("pieces of a recording, joined", () => {
  it("are one file: every picture in its order, a pause and another composer without a gap or a jump back", async () => {
    const [first, second] = [await composedPieces(folder, "a", 6), await composedPieces(folder, "b", 4)];
    const runs = [
      { ...first, piecePaths: first.piecePaths.slice(0, 2), seconds: 2, fromSeconds: 0.1 },
      // paused for two pieces, then gone on with; a piece is on its way for a moment
      { ...first, piecePaths: first.piecePaths.slice(4), seconds: 2, fromSeconds: 2.4 },
      { ...second, seconds: 4, fromSeconds: 4.2 },
    ];
    // counted from the pieces themselves, each run read by itself
    let [pictures, keys] = [0, 0];
    for (const [i, run] of runs.entries()) {
      const path = join(folder, `run-${i}.mp4`);
      writeFileSync(path, Buffer.concat([run.initPath, ...run.piecePaths].map((one) => readFileSync(one))));
      const { video } = await readMedia(path);
      pictures += video.length;
      keys += video.filter(({ isKey }) => isKey).length;
    }
    const told: number[] = [];
    const outPath = join(folder, "out.mp4");
    const seconds = await joinPieces({ runs, outPath }, (done) => told.push(done));
    const file = await readMedia(outPath);
    expect(told).toEqual([1, 2, 3]);
    expect(file.video.length).toBe(pictures);
    expect(seconds).toBeCloseTo(pictures / 15, 1);
    expect(file.duration).toBeCloseTo(pictures / 15, 1);
    for (const track of [file.video, file.audio])
      for (let i = 1; i < track.length; i += 1) expect(track[i]!.at).toBeGreaterThan(track[i - 1]!.at - 0.001);
    // no picture stands longer than two of its own, across the seams too
    for (let i = 1; i < file.video.length; i += 1)
      expect(file.video[i]!.at - file.video[i - 1]!.at).toBeLessThan(2 / 15);
    // one can go to every second of it
    expect(file.video.filter(({ isKey }) => isKey).length).toBe(keys);
    expect(file.video[0]!.isKey).toBe(true);
  });

  it("whose clock steps back by a picture or two are laid all the same, every picture of them, in order", async () => {
    const made = await composedPieces(folder, "e", 5);
    const clocks = clocksOf(readFileSync(made.initPath));
    writeFileSync(made.piecePaths[3]!, earlier(readFileSync(made.piecePaths[3]!), clocks, 0.14));
    const whole = join(folder, "whole.mp4");
    writeFileSync(whole, Buffer.concat([made.initPath, ...made.piecePaths].map((one) => readFileSync(one))));
    const posted = (await readMedia(whole)).video;
    const outPath = join(folder, "back.mp4");
    expect(await joinPieces({ runs: [{ ...made, seconds: 5, fromSeconds: 0 }], outPath })).toBeCloseTo(5, 1);
    const { video } = await readMedia(outPath);
    expect(video.map(({ isKey }) => isKey)).toEqual(posted.map(({ isKey }) => isKey));
    for (let i = 1; i < video.length; i += 1) expect(video[i]!.at).toBeGreaterThanOrEqual(video[i - 1]!.at);
  });

  it("stand still where nobody made a picture: what comes after is where the recording's clock has it", async () => {
    const [first, second] = [await composedPieces(folder, "c", 2), await composedPieces(folder, "d", 2)];
    const runs = [
      { ...first, seconds: 2, fromSeconds: 0 },
      { ...second, seconds: 2, fromSeconds: 9 },
    ];
    const outPath = join(folder, "hole.mp4");
    expect(await joinPieces({ runs, outPath })).toBeCloseTo(11, 1);
    const file = await readMedia(outPath);
    expect(file.duration).toBeCloseTo(11, 1);
    const seam = file.video.findIndex(({ at }) => at > 5);
    expect(file.video[seam - 1]!.at).toBeLessThan(2);
    expect(file.video[seam]).toMatchObject({ at: expect.closeTo(9, 2) as number, isKey: true });
    expect(file.audio.some(({ at }) => at > 2.1 && at < 8.9)).toBe(false);
    expect(file.audio.at(-1)!.at).toBeGreaterThan(10.5);
  });
});
