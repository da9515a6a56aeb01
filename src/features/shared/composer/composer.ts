import { bitsOfVariant, leaseLostAfterMs, leaseRenewedEveryMs, programmeFeed } from "@/core/programme";
import { steadyTimer } from "../room-link/signs";
import { pictureSize } from "./draw";
import { Drawing, type DrawingPorts } from "./drawing";
import { Encoder, framesPerSecond } from "./encode";
import { keepLease } from "./keep-lease";
import { carriesLighter, Lighter } from "./lighter";
import { Mix } from "./mix";
import { PostPieces } from "./post-pieces";
import { isDue } from "./repeats";
import { WeakLine } from "./weak-line";

export interface ComposerPorts extends DrawingPorts {
  /** addresses of a feed's lease and of its pieces, with the device and who asks */
  leaseUrl(feed: string): string;
  piecesUrl(feed: string): string;
  /** how long to wait for whoever is before this page in turn */
  waitsMs(): number;
  /** somebody else makes the picture now */
  isTaken(): boolean;
  told(state: ComposerState): void;
}
export type ComposerState = "waits" | "makes" | "needs-act";

/** An encoder that gives out nothing for so long is stuck: its sound may have stopped, which holds the pictures up. */
const stuckAfterMs = 8000;
/** Somebody whose line is too weak leaves the picture to others for so long. */
const offeredMs = 6000;
/** Where nobody took it then, it is not offered again at once: a weak line is better than none. */
const aloneMs = 120_000;

/** The programme, made on this page: drawn, mixed, encoded, posted, for as long as it holds the lease (rule 26). */
export class Composer {
  private readonly canvas = document.createElement("canvas");
  private readonly pen: CanvasRenderingContext2D;
  private run: { stop(): void; health(): { frames: number; bytes: number; waiting: number } } | null = null;
  private isOver = false;
  private isTrying = false;
  private freeSince: number | null = null;
  private notBefore = 0;
  private isOffered = false;
  private aloneUntil = 0;
  private readonly stopLooking: () => void;

  private readonly leaseUrl: string;

  constructor(private readonly ports: ComposerPorts) {
    this.leaseUrl = ports.leaseUrl(programmeFeed);
    [this.canvas.width, this.canvas.height] = [pictureSize.width, pictureSize.height];
    this.pen = this.canvas.getContext("2d", { alpha: false })!;
    ports.told("waits");
    this.stopLooking = steadyTimer(leaseRenewedEveryMs / 2, () => void this.look());
  }
  get preview(): HTMLCanvasElement {
    return this.canvas;
  }
  health() {
    return this.run?.health() ?? null;
  }

  /** Reaches for a lease that is free once those before this page had their turn. */
  private async look(): Promise<void> {
    if (this.run || this.isOver || this.isTrying || Date.now() < this.notBefore) return;
    if (this.ports.isTaken()) {
      [this.freeSince, this.isOffered] = [null, false];
      return;
    }
    this.freeSince ??= Date.now();
    if (Date.now() - this.freeSince < this.ports.waitsMs()) return;
    this.isTrying = true;
    // a page that may not make sound yet leaves the lease to those behind it
    const mix = new Mix();
    const isReady = await mix.start();
    if (!isReady) this.ports.told("needs-act");
    const answer = isReady && (await fetch(this.leaseUrl, { method: "POST" }).catch(() => null));
    if (answer && answer.ok && !this.isOver) await this.begin(mix);
    else mix.close();
    // whoever was quicker may not have sent a piece yet; whoever holds it may give it back at any time
    if (answer && answer.status === 409) this.notBefore = Date.now() + leaseRenewedEveryMs;
    this.isTrying = false;
  }

  private async begin(mix: Mix): Promise<void> {
    let pieceAt = performance.now();
    const post = new PostPieces(this.ports.piecesUrl(programmeFeed), () => this.lose());
    const drawing = new Drawing(this.pen, mix, this.ports);
    const isHolding = () => drawing.isHolding;
    const track = mix.track as MediaStreamAudioTrack;
    const encoder = this.encoderFor(track, (bytes, isInit) => {
      if (!isInit) pieceAt = performance.now();
      post.push({ bytes, isInit, isHolding: isInit || drawing.isHolding });
    });
    if (this.isOffered) [this.aloneUntil, this.isOffered] = [Date.now() + aloneMs, false];
    drawing.draw();
    try {
      await encoder.start();
    } catch {
      mix.close();
      return;
    }
    const lighter = !carriesLighter() ? null : new Lighter(this.canvas, track, { ...this.ports, isHolding });
    const startedAt = performance.now();
    let [lastAtSeconds, kept] = [-1, 0];
    const line = new WeakLine();
    let isBusy = false;
    // the worker's clock goes on in a tab that nobody looks at
    const stopFrames = steadyTimer(1000 / framesPerSecond, () => {
      const now = performance.now();
      if (now - pieceAt > stuckAfterMs) return this.giveUp(leaseLostAfterMs);
      if (line.note(now, post.waitedMs) && Date.now() > this.aloneUntil) return this.giveUp(offeredMs);
      if (isBusy) return;
      kept += 1;
      const isNew = drawing.draw();
      lighter?.frame(isNew);
      const atSeconds = (performance.now() - startedAt) / 1000;
      if (!isDue(atSeconds, lastAtSeconds, isNew)) return;
      lastAtSeconds = atSeconds;
      isBusy = true;
      encoder
        .frame(atSeconds)
        .catch(() => this.lose())
        .finally(() => (isBusy = false));
    });
    const stopKeeping = keepLease(
      this.leaseUrl,
      () => post.takenAt,
      () => this.lose(),
    );
    this.run = {
      stop: () => {
        stopFrames();
        lighter?.close();
        stopKeeping();
        post.stop();
        mix.close();
        void encoder.stop();
      },
      // a picture that stays the same is kept up with as well
      health: () => ({ frames: kept, bytes: post.sentBytes, waiting: post.waitingCount }),
    };
    this.ports.told("makes");
  }
  private encoderFor(track: MediaStreamAudioTrack, push: (bytes: Uint8Array, isInit: boolean) => void): Encoder {
    return new Encoder(this.canvas, track, bitsOfVariant.full, {
      init: (bytes) => push(bytes, true),
      piece: (bytes) => push(bytes, false),
      failed: () => this.lose(),
    });
  }
  /** Gives the lease back for others to take first: this page begins anew where nobody does. */
  private giveUp(forMs: number): void {
    navigator.sendBeacon(`${this.leaseUrl}&release=1`);
    this.notBefore = Date.now() + forMs;
    this.isOffered = true;
    this.lose();
  }
  private lose(): void {
    this.run?.stop();
    this.run = null;
    this.freeSince = null;
    if (!this.isOver) this.ports.told("waits");
  }

  close(): void {
    this.isOver = true;
    this.stopLooking();
    if (this.run) navigator.sendBeacon(`${this.leaseUrl}&release=1`);
    this.lose();
  }
}
