import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ALL_FORMATS, BufferSource, EncodedPacketSink, Input } from "mediabunny";
import { afterAll, describe, expect, it } from "vitest";
import { composedPieces } from "../../../tests/support/pieces";
import { durationMsOf, kindOfBytes, timescalesOf } from ".";

const folder = mkdtempSync(join(tmpdir(), "durations-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** As a demuxer of its own (mediabunny) reads them: the longest of both tracks. */
async function readByDemuxer(init: Uint8Array, piece: Uint8Array): Promise<number> {
  const input = new Input({ source: new BufferSource(Buffer.concat([init, piece])), formats: ALL_FORMATS });
  let longest = 0;
  for (const track of await input.getTracks()) {
    let seconds = 0;
    for await (const packet of new EncodedPacketSink(track).packets()) seconds += packet.duration;
    longest = Math.max(longest, seconds);
  }
  return longest * 1000;
}

describe("how long a piece is, by its bytes (ISO/IEC 14496-12)", () => {
  it("is what a demuxer reads, for one piece and for several that go as one", async () => {
    const { initPath, piecePaths } = await composedPieces(folder, "a", 5);
    const init = readFileSync(initPath);
    const scales = timescalesOf(init);
    expect(scales.size).toBe(2);
    const pieces = piecePaths.map((path) => readFileSync(path));
    for (const piece of pieces) {
      const own = durationMsOf(piece, scales)!;
      expect(Math.abs(own - (await readByDemuxer(init, piece)))).toBeLessThan(25);
      // the last one is what was left
      if (piece !== pieces.at(-1)) expect(own).toBeGreaterThan(900);
    }
    const three = Buffer.concat(pieces.slice(0, 3));
    expect(kindOfBytes(three)).toBe("piece");
    expect(Math.abs(durationMsOf(three, scales)! - (await readByDemuxer(init, three)))).toBeLessThan(25);
    expect(durationMsOf(three, scales)).toBeGreaterThan(2900);
  });

  it("is not known of bytes that are broken off, of a track that nothing reads, or of none at all", async () => {
    const { initPath, piecePaths } = await composedPieces(folder, "b", 2);
    const scales = timescalesOf(readFileSync(initPath));
    const piece = readFileSync(piecePaths[0]!);
    expect(durationMsOf(piece.subarray(0, 40), scales)).toBeNull();
    expect(durationMsOf(piece, new Map())).toBeNull();
    expect(durationMsOf(new Uint8Array(0), scales)).toBeNull();
    expect(timescalesOf(piece).size).toBe(0);
    // as if it were played a thousand times slower: no piece is so long, and no column holds it
    const slow = new Map([...scales].map(([track, scale]) => [track, scale / 1000]));
    expect(durationMsOf(piece, slow)).toBeNull();
  });
});
