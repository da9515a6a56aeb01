import type { PlayerPorts } from "./player";

const againMs = 3000;
/** behind the end of the list: three pieces of a second, and one to spare (RFC 8216, 6.3.3) */
const behindSeconds = 4;
const mostBehindSeconds = 8;

/** Plays the programme by its playlist, through whatever caches stand in front; goes on by itself after a fault. */
export class PlaylistPlayer {
  private isOver = false;
  private stop: () => void = () => {};
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly media: HTMLMediaElement,
    private readonly url: string,
    private readonly ports: PlayerPorts,
  ) {
    media.addEventListener("playing", this.onPlaying);
    this.ports.told("waiting");
    void this.begin();
  }
  private playingDate: () => Date | null = () => null;
  /** Which instant is on the screen, by the server's clock; null where that is not known. */
  instant(): number | null {
    return this.playingDate()?.getTime() ?? null;
  }
  private onPlaying = () => this.ports.told(this.media.muted ? "silent" : "playing");

  private async begin(): Promise<void> {
    const { default: Hls, Events } = await import("hls.js");
    if (this.isOver) return;
    if (!Hls.isSupported()) return this.beginWithout();
    const hls = new Hls({
      enableWorker: false,
      liveSyncDuration: behindSeconds,
      liveMaxLatencyDuration: mostBehindSeconds,
      maxLiveSyncPlaybackRate: 1.08,
    });
    this.stop = () => hls.destroy();
    this.playingDate = () => hls.playingDate;
    hls.on(Events.MANIFEST_PARSED, () => void this.play());
    hls.on(Events.ERROR, (_, { fatal }) => {
      if (!fatal) return;
      // nothing is sent yet, or no more: asked again until something comes
      hls.destroy();
      this.ports.told("nothing");
      this.timer = setTimeout(() => void this.begin(), againMs * (0.75 + Math.random() / 2));
    });
    hls.loadSource(this.url);
    hls.attachMedia(this.media);
  }
  /** Browsers that play playlists by themselves. */
  private beginWithout(): void {
    if (this.media.canPlayType("application/vnd.apple.mpegurl") === "") return this.ports.told("unsupported");
    this.media.src = this.url;
    void this.play();
  }
  private async play(): Promise<void> {
    try {
      await this.media.play();
    } catch {
      this.media.muted = true;
      await this.media.play().catch(() => {});
    }
  }

  close(): void {
    this.isOver = true;
    clearTimeout(this.timer);
    this.stop();
    this.media.removeEventListener("playing", this.onPlaying);
    this.media.removeAttribute("src");
    this.media.load();
  }
}
