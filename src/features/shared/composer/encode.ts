import { CanvasSource, MediaStreamAudioTrackSource, Mp4OutputFormat, NullTarget, Output } from "mediabunny";
import { joinedBytes } from "./joined-bytes";

/** What the encoder gives out: what reads its pieces, once, then a piece each second. */
export interface EncodedPorts {
  init(bytes: Uint8Array): void;
  piece(bytes: Uint8Array): void;
  failed(error: unknown): void;
}

export const framesPerSecond = 15;
/** of one voice alone */
export const voiceBits = 32_000;

/** What takes encoded tracks and gives out pieces of a second, each to be read by what came first (rule 26). */
function piecesTo(ports: EncodedPorts): Output {
  let ftyp: Uint8Array = new Uint8Array(0);
  let moof: Uint8Array = new Uint8Array(0);
  // what it hands over lies in a buffer of its own that it writes into again
  const own = (bytes: Uint8Array) => bytes.slice();
  return new Output({
    format: new Mp4OutputFormat({
      fastStart: "fragmented",
      minimumFragmentDuration: 0.95,
      onFtyp: (bytes) => (ftyp = own(bytes)),
      onMoov: (bytes) => ports.init(joinedBytes([ftyp, bytes])),
      onMoof: (bytes) => (moof = own(bytes)),
      onMdat: (bytes) => ports.piece(joinedBytes([moof, bytes])),
    }),
    target: new NullTarget(),
  });
}
function addSound(output: Output, sound: MediaStreamAudioTrack, bitrate: number, ports: EncodedPorts): void {
  const voices = new MediaStreamAudioTrackSource(sound, { codec: "opus", bitrate });
  voices.errorPromise.catch((error: unknown) => ports.failed(error));
  output.addAudioTrack(voices);
}

/** Encodes sound alone, as the programme's sound is: an interpreter's channel, or the programme without its picture. */
export class VoiceEncoder {
  private readonly output: Output;
  constructor(sound: MediaStreamAudioTrack, bits: number, ports: EncodedPorts) {
    this.output = piecesTo(ports);
    addSound(this.output, sound, bits, ports);
  }
  start(): Promise<void> {
    return this.output.start();
  }
  async stop(): Promise<void> {
    await this.output.cancel().catch(() => {});
  }
}

/**
 * Encodes a canvas and a sound into pieces of a second, each beginning with a key frame (rule 26): H.264 and Opus in
 * fragmented MP4. Opus in MP4 plays in Chromium and Firefox; the codec stands here alone.
 */
export class Encoder {
  private readonly output: Output;
  private readonly picture: CanvasSource;

  constructor(
    canvas: HTMLCanvasElement,
    sound: MediaStreamAudioTrack,
    /** bits a second */
    bits: { readonly picture: number; readonly sound: number },
    ports: EncodedPorts,
  ) {
    this.output = piecesTo(ports);
    this.picture = new CanvasSource(canvas, {
      codec: "avc",
      bitrate: bits.picture,
      keyFrameInterval: 1,
      latencyMode: "realtime",
    });
    // no frame rate: the muxer's clock would have no finer steps than that, and a late picture's piece would end after
    // the next one begins
    this.output.addVideoTrack(this.picture);
    addSound(this.output, sound, bits.sound, ports);
  }
  start(): Promise<void> {
    return this.output.start();
  }
  /** The canvas as it stands is the next picture. @param atSeconds since the beginning */
  async frame(atSeconds: number): Promise<void> {
    await this.picture.add(atSeconds, 1 / framesPerSecond);
  }
  async stop(): Promise<void> {
    await this.output.cancel().catch(() => {});
  }
}

export const canEncode = (): boolean => typeof VideoEncoder === "function" && typeof AudioEncoder === "function";
