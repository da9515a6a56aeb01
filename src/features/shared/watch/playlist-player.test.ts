import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { PlayerState } from "./player";
import { PlaylistPlayer } from "./playlist-player";

type Handler = (event: string, data: { fatal: boolean }) => void;
const made: { handlers: Map<string, Handler>; source: string; isDestroyed: boolean }[] = [];
let isSupported = true;
vi.mock("hls.js", () => ({
  Events: { MANIFEST_PARSED: "parsed", ERROR: "error" },
  default: class {
    static isSupported = () => isSupported;
    private readonly own = { handlers: new Map<string, Handler>(), source: "", isDestroyed: false };
    constructor() {
      made.push(this.own);
    }
    on(name: string, handler: Handler) {
      this.own.handlers.set(name, handler);
    }
    loadSource(url: string) {
      this.own.source = url;
    }
    attachMedia() {}
    destroy() {
      this.own.isDestroyed = true;
    }
  },
}));

/** As much of a media element as the player touches. */
function element(play: () => Promise<void> = async () => {}, canPlay = "") {
  const listeners = new Map<string, () => void>();
  return {
    listeners,
    muted: false,
    src: "",
    play: vi.fn(play),
    load: vi.fn(),
    canPlayType: () => canPlay,
    addEventListener: (name: string, act: () => void) => listeners.set(name, act),
    removeEventListener: (name: string) => listeners.delete(name),
    removeAttribute: vi.fn(),
  };
}
type Element = ReturnType<typeof element>;
const begin = async (media: Element) => {
  const told: PlayerState[] = [];
  const player = new PlaylistPlayer(media as unknown as HTMLMediaElement, "/list?pass=p", {
    told: (state) => void told.push(state),
  });
  await vi.advanceTimersByTimeAsync(0);
  await vi.dynamicImportSettled();
  return { told, player };
};
const say = (name: string, fatal = false) => made.at(-1)!.handlers.get(name)!(name, { fatal });
beforeEach(() => {
  vi.useFakeTimers();
  made.length = 0;
  isSupported = true;
});
afterEach(() => vi.useRealTimers());

describe("the programme by its playlist", () => {
  it("plays with sound where the browser lets it, and says so once it does", async () => {
    const media = element();
    const { told, player } = await begin(media);
    expect(made[0]!.source).toBe("/list?pass=p");
    say("parsed");
    media.listeners.get("playing")!();
    expect([told, media.muted]).toEqual([["waiting", "playing"], false]);
    player.close();
  });
  it("goes on without sound where the browser wants an act first", async () => {
    let isRefused = true;
    const media = element(async () => {
      if (isRefused) {
        isRefused = false;
        throw new DOMException("a gesture first", "NotAllowedError");
      }
    });
    const { told, player } = await begin(media);
    say("parsed");
    await vi.advanceTimersByTimeAsync(0);
    media.listeners.get("playing")!();
    expect([media.muted, media.play.mock.calls.length, told.at(-1)]).toEqual([true, 2, "silent"]);
    player.close();
  });
  it("says that nothing is sent, asks again by itself, and overlooks what its library mends", async () => {
    const { told, player } = await begin(element());
    say("error", false);
    expect([made.length, told]).toEqual([1, ["waiting"]]);
    say("error", true);
    expect([made[0]!.isDestroyed, told.at(-1)]).toEqual([true, "nothing"]);
    await vi.advanceTimersByTimeAsync(4000);
    expect(made).toHaveLength(2);
    player.close();
  });
  it("is over when it is closed: nothing is asked again", async () => {
    const media = element();
    const { player } = await begin(media);
    say("error", true);
    player.close();
    await vi.advanceTimersByTimeAsync(20_000);
    expect([made.length, media.listeners.size]).toEqual([1, 0]);
  });
  it("leaves it to browsers that play playlists themselves; of others it says that they cannot", async () => {
    isSupported = false;
    const own = element(undefined, "maybe");
    await begin(own);
    expect([own.src, own.play.mock.calls.length]).toEqual(["/list?pass=p", 1]);
    expect((await begin(element())).told).toEqual(["waiting", "unsupported"]);
  });
});
