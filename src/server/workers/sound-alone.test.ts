import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ALL_FORMATS, FilePathSource, Input } from "mediabunny";
import { afterAll, expect, it } from "vitest";
import { composedPieces, readMedia } from "../../../tests/support/pieces";
import { joinPieces } from "./join-pieces";
import { soundAlone } from "./sound-alone";

const folder = mkdtempSync(join(tmpdir(), "sound-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it("writes the sound of a recording, packet for packet, without its picture", async () => {
  const [path, outPath] = [join(folder, "whole.mp4"), join(folder, "sound.mp4")];
  const run = await composedPieces(folder, "a", 5);
  await joinPieces({ runs: [{ ...run, seconds: 5, fromSeconds: 0 }], outPath: path });
  const seconds = await soundAlone({ path, outPath });
  expect(seconds).toBeCloseTo(5, 1);
  const input = new Input({ source: new FilePathSource(outPath), formats: ALL_FORMATS });
  expect([await input.getPrimaryVideoTrack(), (await input.getPrimaryAudioTrack())?.codec]).toEqual([null, "opus"]);
  const audio = (await input.getPrimaryAudioTrack())!;
  const whole = await readMedia(path);
  expect(await audio.computePacketStats()).toMatchObject({ packetCount: whole.audio.length });
});
it("says so where a file has none, or is none", async () => {
  const path = join(folder, "none.mp4");
  writeFileSync(path, "not a film");
  await expect(soundAlone({ path, outPath: join(folder, "x.mp4") })).rejects.toThrow();
});
