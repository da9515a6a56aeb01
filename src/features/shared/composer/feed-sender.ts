import { leaseRenewedEveryMs } from "@/core/programme";
import { steadyTimer } from "../room-link/signs";
import type { EncodedPorts } from "./encode";
import { keepLease } from "./keep-lease";
import { PostPieces } from "./post-pieces";

export interface FeedSenderPorts {
  readonly leaseUrl: string;
  readonly piecesUrl: string;
  /** makes what encodes, anew for each lease */
  encoder(ports: EncodedPorts): { start(): Promise<void>; stop(): Promise<void> };
  /** nothing of the stage is in what is encoded now */
  isHolding(): boolean;
}

/** Sends one feed from this page, for as long as it is open: by the lease of that feed (rule 26). */
export class FeedSender {
  private run: { stop(): void } | null = null;
  private isOver = false;
  private isTrying = false;
  private readonly stopLooking: () => void;

  constructor(private readonly ports: FeedSenderPorts) {
    this.stopLooking = steadyTimer(leaseRenewedEveryMs / 2, () => void this.look());
  }

  /** The one who sent before may hold the feed for a moment yet: asked again until it is free. */
  private async look(): Promise<void> {
    if (this.run || this.isOver || this.isTrying) return;
    this.isTrying = true;
    const answer = await fetch(this.ports.leaseUrl, { method: "POST" }).catch(() => null);
    if (answer?.ok && !this.isOver) await this.begin().catch(() => this.lose());
    this.isTrying = false;
  }
  private async begin(): Promise<void> {
    const post = new PostPieces(this.ports.piecesUrl, () => this.lose());
    const push = (bytes: Uint8Array, isInit: boolean) =>
      post.push({ bytes, isInit, isHolding: this.ports.isHolding() });
    const encoder = this.ports.encoder({
      init: (bytes) => push(bytes, true),
      piece: (bytes) => push(bytes, false),
      failed: () => this.lose(),
    });
    const stopKeeping = keepLease(
      this.ports.leaseUrl,
      () => post.takenAt,
      () => this.lose(),
    );
    this.run = {
      stop: () => {
        stopKeeping();
        post.stop();
        void encoder.stop();
      },
    };
    await encoder.start();
  }
  private lose(): void {
    this.run?.stop();
    this.run = null;
  }

  close(): void {
    this.isOver = true;
    this.stopLooking();
    if (this.run) navigator.sendBeacon(`${this.ports.leaseUrl}&release=1`);
    this.lose();
  }
}
