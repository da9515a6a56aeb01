import { open, rm, type FileHandle } from "node:fs/promises";
import {
  EncodedAudioPacketSource,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  Mp4OutputFormat,
  Output,
} from "mediabunny";
import { mediaFile, mediaTarget } from "./media-file";
import { layStretch, type Tracks } from "./lay-packets";
import type { JoinJob, PieceRun } from "./media-words";

const copiedAtOnceBytes = 256 * 1024;

async function append(path: string, to: FileHandle, buffer: Buffer): Promise<void> {
  const from = await open(path);
  try {
    for (;;) {
      const { bytesRead } = await from.read(buffer, 0, buffer.length);
      if (bytesRead === 0) return;
      for (let at = 0; at < bytesRead;) at += (await to.write(buffer, at, bytesRead - at)).bytesWritten;
    }
  } finally {
    await from.close();
  }
}

/**
 * One file of a run's pieces, in their order: what was posted, byte for byte. By one buffer that is used again and
 * again: an hour has thousands of pieces, and a buffer for each part of them outgrew the whole file in memory.
 */
async function layTogether({ initPath, piecePaths }: PieceRun, path: string): Promise<void> {
  const buffer = Buffer.allocUnsafeSlow(copiedAtOnceBytes);
  const to = await open(path, "w");
  try {
    for (const part of [initPath, ...piecePaths]) await append(part, to, buffer);
  } finally {
    await to.close();
  }
}

/** @returns where the run ends in the file that is being made */
async function addRun(tracks: Tracks, path: string, atSeconds: number): Promise<number> {
  const input = mediaFile(path);
  const [video, audio] = [await input.getPrimaryVideoTrack(), await input.getPrimaryAudioTrack()];
  if (!video) throw new Error("no picture in the pieces");
  const pictures = new EncodedPacketSink(video);
  const first = await pictures.getFirstPacket();
  if (!first) return atSeconds;
  return atSeconds + (await layStretch(tracks, { video, pictures, audio }, { first, toSeconds: Infinity, atSeconds }));
}

/** Room for what reads the file, at its beginning: a player need not look for it at the end. */
const packetsASecond = { video: 40, audio: 60 };

/**
 * So long nothing was made before it shows as a hole: chapters and captions stand on the recording's clock, and stay
 * true after it. Less is what a piece needs on its way.
 */
const leastHoleSeconds = 1.5;

/**
 * One file of all pieces (rule 25): nothing is encoded again; a pause or another composer is a seam without a gap,
 * a time in which nobody made a picture stands still.
 * @returns how long it is, in seconds
 */
export async function joinPieces(
  { runs, outPath }: Omit<JoinJob, "kind">,
  tell: (done: number, all: number) => void = () => {},
): Promise<number> {
  const seconds = Math.ceil(runs.reduce((sum, run) => sum + run.seconds, 0)) + 10;
  const output = new Output({
    format: new Mp4OutputFormat({ fastStart: "reserve" }),
    target: mediaTarget(outPath),
  });
  const tracks = { video: new EncodedVideoPacketSource("avc"), audio: new EncodedAudioPacketSource("opus") };
  output.addVideoTrack(tracks.video, { maximumPacketCount: seconds * packetsASecond.video });
  output.addAudioTrack(tracks.audio, { maximumPacketCount: seconds * packetsASecond.audio });
  await output.start();
  let atSeconds = 0;
  for (const [i, run] of runs.entries()) {
    const path = `${outPath}.run`;
    await layTogether(run, path);
    const isHole = run.fromSeconds - atSeconds > leastHoleSeconds;
    atSeconds = await addRun(tracks, path, isHole ? run.fromSeconds : atSeconds);
    await rm(path, { force: true });
    tell(i + 1, runs.length);
  }
  await output.finalize();
  return atSeconds;
}
