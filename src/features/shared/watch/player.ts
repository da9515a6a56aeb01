import { aimSeconds, FeedParts, paceFor, stampOf, typeOf, type FeedPart } from "@/core/programme";
import { instantOf, withMark, type Mark } from "./marks";

/** What is behind the player by more than that is let go. */
const keptSeconds = 20;
const lookEveryMs = 250;
/** a player begins with the newest piece and waits for those that lie between it and its aim: the line is not to blame */
const settlesWithinMs = 8000;
const firstPauseMs = 500;
const longestPauseMs = 8000;

/** `nothing`: nobody sends anything just now */
export type PlayerState = "waiting" | "nothing" | "playing" | "silent" | "unsupported";

export interface PlayerPorts {
  told(state: PlayerState): void;
  /** the picture stood still, though it had begun */
  stalled?(): void;
}

/**
 * Plays a chunked feed: its parts into MediaSource as they come whole, near the end of what came; it comes back by
 * itself when the line breaks.
 */
export class FeedPlayer {
  private isOver = false;
  /** when the first picture of this connection was shown */
  private begunAt: number | null = null;
  private abort: AbortController | null = null;
  private queue: FeedPart[] = [];
  private marks: readonly Mark[] = [];
  private isCatchingUp = false;
  private readonly timer: ReturnType<typeof setInterval>;

  constructor(
    private readonly media: HTMLMediaElement,
    private readonly url: string,
    private readonly ports: PlayerPorts,
  ) {
    this.timer = setInterval(() => this.keepUp(), lookEveryMs);
    media.addEventListener("playing", this.onPlaying);
    media.addEventListener("waiting", this.onWaiting);
    void this.run();
  }
  private onPlaying = () => {
    this.begunAt ??= performance.now();
    this.ports.told(this.media.muted ? "silent" : "playing");
  };
  private onWaiting = () => {
    if (this.begunAt !== null && performance.now() - this.begunAt > settlesWithinMs) this.ports.stalled?.();
  };

  /** Which instant is on the screen, by the server's clock; null where nothing plays. */
  instant(): number | null {
    return this.begunAt !== null ? instantOf(this.marks, this.media.currentTime) : null;
  }

  private async run(): Promise<void> {
    if (typeof MediaSource === "undefined") return this.ports.told("unsupported");
    for (let pause = firstPauseMs; !this.isOver; pause = Math.min(longestPauseMs, pause * 2)) {
      this.ports.told("waiting");
      const hasPlayed = await this.follow().catch(() => false);
      if (hasPlayed) pause = firstPauseMs;
      await new Promise((done) => setTimeout(done, pause * (0.5 + Math.random() / 2)));
    }
  }

  /** One connection, until it ends. @returns whether anything came */
  private async follow(): Promise<boolean> {
    this.abort = new AbortController();
    const answer = await fetch(this.url, { signal: this.abort.signal });
    const reader = answer.ok ? answer.body?.getReader() : null;
    if (!reader) return false;
    [this.queue, this.marks, this.begunAt] = [[], [], null];
    let buffer: SourceBuffer | null = null;
    const parts = new FeedParts();
    for (;;) {
      const { done, value } = await reader.read();
      if (done || this.isOver) return buffer !== null;
      for (const part of parts.take(value)) {
        if (!buffer) {
          const type = part.isInit ? typeOf(part.bytes) : null;
          if (type === null) continue;
          buffer = await this.open(type);
          if (!buffer) return true;
        }
        this.queue.push(part);
        this.work(buffer);
      }
    }
  }
  private async open(type: string): Promise<SourceBuffer | null> {
    if (!MediaSource.isTypeSupported(type)) {
      this.ports.told("unsupported");
      this.isOver = true;
      return null;
    }
    const source = new MediaSource();
    const opened = new Promise((done) => source.addEventListener("sourceopen", done, { once: true }));
    if (this.media.src) URL.revokeObjectURL(this.media.src);
    this.media.src = URL.createObjectURL(source);
    await opened;
    const buffer = source.addSourceBuffer(type);
    // pieces of the next composer are laid end to end with those of the last
    buffer.mode = "sequence";
    buffer.addEventListener("updateend", () => this.work(buffer));
    void this.play();
    return buffer;
  }
  private work(buffer: SourceBuffer): void {
    if (buffer.updating) return;
    try {
      const { buffered } = buffer;
      const from = buffered.length > 0 ? buffered.start(0) : 0;
      if (this.media.currentTime - from > keptSeconds)
        return buffer.remove(0, this.media.currentTime - keptSeconds / 2);
      const next = this.queue.shift();
      if (!next) return;
      const at = next.isInit ? null : stampOf(next.bytes);
      if (at !== null)
        this.marks = withMark(this.marks, {
          fromSeconds: buffered.length > 0 ? buffered.end(buffered.length - 1) : 0,
          at,
        });
      buffer.appendBuffer(next.bytes);
    } catch {
      // the element let its source go: the next connection opens another
      this.abort?.abort();
    }
  }

  /** Sound where the browser lets it; else the picture alone, and the page says so. */
  async play(): Promise<void> {
    try {
      await this.media.play();
    } catch {
      this.media.muted = true;
      await this.media.play().catch(() => {});
    }
  }
  /** Near the end of what came: faster while a little behind, a jump beyond it (rule 26). */
  private keepUp(): void {
    const { buffered, currentTime } = this.media;
    if (buffered.length === 0) return;
    const end = buffered.end(buffered.length - 1);
    if (currentTime < buffered.start(0)) this.media.currentTime = Math.max(buffered.start(0), end - aimSeconds);
    const pace = paceFor(this.media.currentTime, end, this.isCatchingUp);
    if (pace.kind === "jump") {
      this.media.currentTime = pace.to;
      this.isCatchingUp = false;
      return;
    }
    this.isCatchingUp = pace.rate > 1;
    if (this.media.playbackRate !== pace.rate) this.media.playbackRate = pace.rate;
    if (this.media.paused && !this.isOver) void this.play();
  }

  close(): void {
    this.isOver = true;
    clearInterval(this.timer);
    this.media.removeEventListener("playing", this.onPlaying);
    this.media.removeEventListener("waiting", this.onWaiting);
    this.abort?.abort();
    this.media.removeAttribute("src");
    this.media.load();
  }
}
