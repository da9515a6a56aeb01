import { bitsOfVariant, feedOfVariant, sizeOfVariant } from "@/core/programme";
import { Encoder, VoiceEncoder } from "./encode";
import { FeedSender } from "./feed-sender";
import { isDue } from "./repeats";

/** A machine that draws fewer pictures a second than that, for so long, has no room for a second picture. */
const leastFramesPerSecond = 10;
const slowForMs = 8000;

/** One core for the whole picture, one for the links of the stage, and room for what else the page does. */
const leastCores = 4;
/** Whether this machine is let make more than the whole picture; what it comes to is watched all the same. */
export const carriesLighter = (): boolean => navigator.hardwareConcurrency >= leastCores;

export interface LighterPorts {
  leaseUrl(feed: string): string;
  piecesUrl(feed: string): string;
  isHolding(): boolean;
}

/**
 * The programme once more for weak lines, beside the whole one: a picture of 270 lines, and the sound alone. The small
 * picture is left out for good where the machine does not keep up: the whole one matters more.
 */
export class Lighter {
  private readonly canvas = document.createElement("canvas");
  private readonly pen: CanvasRenderingContext2D;
  private readonly sound: FeedSender;
  private picture: FeedSender | null;
  private encoder: { readonly of: Encoder; readonly startedAt: number; lastAtSeconds: number } | null = null;
  private isBusy = false;
  private counted = { since: performance.now(), frames: 0 };

  constructor(
    private readonly whole: HTMLCanvasElement,
    track: MediaStreamAudioTrack,
    ports: LighterPorts,
  ) {
    const { width, height } = sizeOfVariant.small;
    [this.canvas.width, this.canvas.height] = [width, height];
    this.pen = this.canvas.getContext("2d", { alpha: false })!;
    const sender = (variant: "small" | "sound", encoder: ConstructorParameters<typeof FeedSender>[0]["encoder"]) => {
      const feed = feedOfVariant(variant);
      const isHolding = () => ports.isHolding();
      return new FeedSender({ leaseUrl: ports.leaseUrl(feed), piecesUrl: ports.piecesUrl(feed), encoder, isHolding });
    };
    this.sound = sender("sound", (to) => new VoiceEncoder(track, bitsOfVariant.sound.sound, to));
    this.picture = sender("small", (to) => {
      const of = new Encoder(this.canvas, track, bitsOfVariant.small, to);
      this.encoder = { of, startedAt: performance.now(), lastAtSeconds: -1 };
      return of;
    });
  }

  /** The whole picture's turn came. @param isNew it looks different from before */
  frame(isNew: boolean): void {
    this.count();
    if (!this.encoder || this.isBusy) return;
    const atSeconds = (performance.now() - this.encoder.startedAt) / 1000;
    if (!isDue(atSeconds, this.encoder.lastAtSeconds, isNew)) return;
    this.encoder.lastAtSeconds = atSeconds;
    this.isBusy = true;
    const { width, height } = sizeOfVariant.small;
    this.pen.drawImage(this.whole, 0, 0, width, height);
    this.encoder.of
      .frame(atSeconds)
      // it was stopped meanwhile: its sender begins another
      .catch(() => {})
      .finally(() => (this.isBusy = false));
  }
  private count(): void {
    this.counted.frames += 1;
    const ms = performance.now() - this.counted.since;
    if (ms < slowForMs) return;
    if ((this.counted.frames * 1000) / ms < leastFramesPerSecond) this.leaveOutPicture();
    this.counted = { since: performance.now(), frames: 0 };
  }
  private leaveOutPicture(): void {
    this.picture?.close();
    [this.picture, this.encoder] = [null, null];
  }

  close(): void {
    this.leaveOutPicture();
    this.sound.close();
  }
}
