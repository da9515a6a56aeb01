import { writeFileSync } from "node:fs";
import { join } from "node:path";
import {
  ALL_FORMATS,
  EncodedAudioPacketSource,
  EncodedPacket,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  FilePathSource,
  Input,
  Mp4OutputFormat,
  NullTarget,
  Output,
} from "mediabunny";

/** A decoder's configuration (ISO/IEC 14496-15 §5.3.3.1): baseline, level 3.1, one SPS and one PPS of a few bytes. */
const avcC = new Uint8Array([1, 0x42, 0xc0, 0x1f, 0xff, 0xe1, 0, 4, 0x67, 0x42, 0xc0, 0x1f, 1, 0, 2, 0x68, 0xce]);
/** OpusHead without its name (RFC 7845 §5.1): two channels, 312 samples to skip, 48 kHz. */
const opusHead = new Uint8Array([
  ...new TextEncoder().encode("OpusHead"),
  ...[1, 2, 0x38, 1, 0x80, 0xbb, 0, 0, 0, 0, 0],
]);
/** One picture that carries its number, filled up to so many bytes (ISO/IEC 14496-15: a length, then its unit). */
function picture(n: number, bytes: number): Uint8Array {
  const out = new Uint8Array(4 + Math.max(5, bytes)).fill(0x11, 9);
  new DataView(out.buffer).setUint32(0, out.length - 4);
  out.set([n % 15 === 0 ? 0x65 : 0x41, n & 255, n >> 8], 4);
  return out;
}
const sound = (n: number) => new Uint8Array([0xfc, n & 255, n >> 8]);

/** Pieces of a second as a composer posts them, and what reads them: files in a folder. */
export async function composedPieces(
  folder: string,
  name: string,
  seconds: number,
  /** a second, pictures and sound together; least where it is left out */
  bytesASecond = 0,
): Promise<{ initPath: string; piecePaths: string[] }> {
  let [ftyp, moof, init] = [new Uint8Array(0), new Uint8Array(0), ""];
  const piecePaths: string[] = [];
  const write = (file: string, parts: Uint8Array[]) => {
    const path = join(folder, file);
    const bytes = Buffer.concat(parts);
    writeFileSync(path, bytes);
    return path;
  };
  const output = new Output({
    format: new Mp4OutputFormat({
      fastStart: "fragmented",
      minimumFragmentDuration: 0.95,
      onFtyp: (bytes) => (ftyp = bytes.slice()),
      onMoov: (bytes) => (init = write(`${name}-init.mp4`, [ftyp, bytes])),
      onMoof: (bytes) => (moof = bytes.slice()),
      onMdat: (bytes) => piecePaths.push(write(`${name}-${piecePaths.length}.m4s`, [moof, bytes])),
    }),
    target: new NullTarget(),
  });
  const [video, audio] = [new EncodedVideoPacketSource("avc"), new EncodedAudioPacketSource("opus")];
  output.addVideoTrack(video, { frameRate: 15 });
  output.addAudioTrack(audio);
  await output.start();
  const config = { codec: "avc1.42c01f", codedWidth: 960, codedHeight: 540, description: avcC };
  const soundConfig = { codec: "opus", sampleRate: 48_000, numberOfChannels: 2, description: opusHead };
  for (let n = 0, heard = 0; n < seconds * 15; n += 1) {
    const at = n / 15;
    await video.add(
      new EncodedPacket(picture(n, Math.floor(bytesASecond / 15)), n % 15 === 0 ? "key" : "delta", at, 1 / 15),
      {
        decoderConfig: config,
      },
    );
    for (; heard * 0.02 < at + 1 / 15; heard += 1)
      await audio.add(new EncodedPacket(sound(heard), "key", heard * 0.02, 0.02), { decoderConfig: soundConfig });
  }
  await output.finalize();
  return { initPath: init, piecePaths };
}

/** Length and packets of a file, as a demuxer reads them. */
export async function readMedia(path: string) {
  const input = new Input({ source: new FilePathSource(path), formats: ALL_FORMATS });
  const [video, audio] = [(await input.getPrimaryVideoTrack())!, await input.getPrimaryAudioTrack()];
  const at = async (track: typeof audio | typeof video) => {
    if (!track) return [];
    const out: { at: number; isKey: boolean; bytes: Uint8Array }[] = [];
    for await (const packet of new EncodedPacketSink(track).packets())
      out.push({ at: packet.timestamp, isKey: packet.type === "key", bytes: packet.data });
    return out;
  };
  return { duration: await input.computeDuration(), video: await at(video), audio: await at(audio) };
}
