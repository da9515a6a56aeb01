import { joinedBytes } from "./joined-bytes";

/** Beyond so many that wait the oldest is left out: a line that is away so long has lost its lease anyway. */
const mostWaiting = 12;

export interface Waiting {
  readonly bytes: Uint8Array;
  readonly isInit: boolean;
  readonly isHolding: boolean;
}

/** Pieces that wait behind one another go as one of several seconds: so somebody who is late catches up. */
const mostTogether = 3;

/** Takes what goes next: a piece, with those behind it that say the same of the curtain. */
export function takeNext<One extends Waiting>(waiting: One[]): One | undefined {
  const first = waiting.shift();
  if (!first || first.isInit) return first;
  const parts = [first.bytes];
  const isLike = (next: One | undefined) => next && !next.isInit && next.isHolding === first.isHolding;
  while (parts.length < mostTogether && isLike(waiting[0])) parts.push(waiting.shift()!.bytes);
  return parts.length === 1 ? first : { ...first, bytes: joinedBytes(parts) };
}

/** Posts pieces in their order, one after the other; whoever lost the lease is told. */
export class PostPieces {
  private waiting: (Waiting & { readonly at: number })[] = [];
  private sendingSince: number | null = null;
  private isSending = false;
  private isOver = false;
  sentBytes = 0;
  /** when the server last took something */
  takenAt = Date.now();

  constructor(
    private readonly url: string,
    private readonly lost: () => void,
  ) {}

  get waitingCount(): number {
    return this.waiting.length;
  }
  /** For how long the oldest piece has been waiting for its way out; null: none waits. */
  get waitedMs(): number | null {
    const since = this.sendingSince ?? this.waiting[0]?.at;
    return since === undefined ? null : Date.now() - since;
  }
  push(one: Waiting): void {
    if (this.isOver) return;
    this.waiting.push({ ...one, at: Date.now() });
    while (this.waiting.length > mostWaiting) {
      const late = this.waiting.findIndex(({ isInit }) => !isInit);
      this.waiting.splice(Math.max(0, late), 1);
    }
    void this.work();
  }
  private async work(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    for (let one = takeNext(this.waiting); one && !this.isOver; one = takeNext(this.waiting)) {
      this.sendingSince = one.at;
      const answer = await this.post(one);
      this.sendingSince = null;
      if (answer === "lost") {
        this.stop();
        this.lost();
      }
      // the line is away: what waits behind it goes on when it is back, as far as it is not too late by then
      if (answer === "again") {
        this.waiting.unshift(one);
        await new Promise((done) => setTimeout(done, 500));
      }
    }
    this.isSending = false;
  }
  private async post({ bytes, isHolding }: Waiting): Promise<"done" | "again" | "lost"> {
    try {
      const answer = await fetch(`${this.url}&holding=${isHolding ? 1 : 0}`, {
        method: "POST",
        headers: { "content-type": "application/octet-stream" },
        body: new Blob([bytes as Uint8Array<ArrayBuffer>]),
        signal: AbortSignal.timeout(4000),
      });
      // an answer that nobody reads is broken off by the browser
      await answer.arrayBuffer().catch(() => null);
      if (answer.ok) {
        this.sentBytes += bytes.length;
        this.takenAt = Date.now();
      }
      if (answer.status >= 500) return "again";
      return answer.ok ? "done" : "lost";
    } catch {
      return "again";
    }
  }
  stop(): void {
    this.isOver = true;
    this.waiting = [];
  }
}
