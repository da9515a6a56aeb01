import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { aimSeconds, fasterRate, stamped } from "@/core/programme";
import { composedPieces } from "../../../../tests/support/pieces";
import { FeedPlayer, type PlayerState } from "./player";

const startAt = Date.parse("2026-11-26T18:00:00Z");
let init: Uint8Array;
/** each of a second, with the instant at which it was */
let pieces: Uint8Array[];
beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), "player-"));
  const { initPath, piecePaths } = await composedPieces(folder, "p", 4);
  init = new Uint8Array(readFileSync(initPath));
  pieces = piecePaths.map((path, i) => stamped(new Uint8Array(readFileSync(path)), startAt + i * 1000));
});

/** A source buffer that takes a piece for a second of play, and says when it is done only when the test lets it. */
class SourceBufferFake {
  mode = "";
  updating = false;
  appended: Uint8Array[] = [];
  removed: [number, number][] = [];
  seconds = 0;
  isGone = false;
  private done: () => void = () => {};
  addEventListener = (_: string, act: () => void) => void (this.done = act);
  get buffered() {
    return { length: this.seconds > 0 ? 1 : 0, start: () => 0, end: () => this.seconds };
  }
  appendBuffer(bytes: Uint8Array): void {
    if (this.isGone) throw new DOMException("", "InvalidStateError");
    this.appended.push(bytes);
    this.updating = true;
  }
  remove(from: number, to: number): void {
    this.removed.push([from, to]);
    this.updating = true;
  }
  /** what it was given is in */
  settle(): void {
    if (!this.updating) return;
    this.updating = false;
    const last = this.appended.at(-1);
    this.seconds = this.appended.filter((one) => one.length !== init.length).length;
    if (last) this.done();
  }
}
const buffers: SourceBufferFake[] = [];
class MediaSourceFake {
  static isSupported = true;
  static isTypeSupported = (type: string) => MediaSourceFake.isSupported && type.includes("avc1");
  addEventListener = (_: string, act: () => void) => act();
  addSourceBuffer(): SourceBufferFake {
    buffers.push(new SourceBufferFake());
    return buffers.at(-1)!;
  }
}

/** As much of a media element as the player touches. */
function element(play: () => Promise<void> = async () => {}) {
  const listeners = new Map<string, () => void>();
  return {
    listeners,
    muted: false,
    paused: false,
    src: "",
    currentTime: 0,
    playbackRate: 1,
    play: vi.fn(play),
    load: vi.fn(),
    get buffered() {
      return buffers.at(-1)?.buffered ?? { length: 0, start: () => 0, end: () => 0 };
    },
    addEventListener: (name: string, act: () => void) => void listeners.set(name, act),
    removeEventListener: (name: string) => void listeners.delete(name),
    removeAttribute: vi.fn(),
  };
}

interface Line {
  send(bytes: Uint8Array): void;
  end(): void;
  readonly signal: AbortSignal;
}
let lines: Line[] = [];
let refusedWith: number | null = null;
function fetched(_: string, { signal }: { signal: AbortSignal }): Promise<Response> {
  let controller: ReadableStreamDefaultController<Uint8Array>;
  const body = new ReadableStream<Uint8Array>({ start: (one) => void (controller = one) });
  lines.push({ send: (bytes) => controller.enqueue(bytes), end: () => controller.close(), signal });
  return Promise.resolve(refusedWith === null ? new Response(body) : new Response(null, { status: refusedWith }));
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.spyOn(Math, "random").mockReturnValue(1);
  buffers.length = 0;
  [lines, refusedWith, MediaSourceFake.isSupported] = [[], null, true];
  vi.stubGlobal("MediaSource", MediaSourceFake);
  vi.stubGlobal("fetch", fetched);
  vi.spyOn(URL, "createObjectURL").mockReturnValue("blob:own");
  vi.spyOn(URL, "revokeObjectURL").mockReturnValue();
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

const soon = () => vi.advanceTimersByTimeAsync(0);
async function begun(media = element()) {
  const told: PlayerState[] = [];
  const stalled = vi.fn();
  const player = new FeedPlayer(media as unknown as HTMLMediaElement, "/feed", {
    told: (state) => void told.push(state),
    stalled,
  });
  await soon();
  /** bytes over the line, and everything that they make possible */
  const send = async (...parts: Uint8Array[]) => {
    for (const part of parts) lines.at(-1)!.send(part);
    for (let i = 0; i < 2 * parts.length + 4; i += 1) {
      await soon();
      buffers.at(-1)?.settle();
    }
  };
  return { media, told, stalled, player, send };
}

describe("the programme as it comes", () => {
  it("is laid end to end as it was made, and shows which instant it is", async () => {
    const { media, told, player, send } = await begun();
    await send(init, pieces[0]!, pieces[1]!, pieces[2]!);
    expect(buffers[0]!.mode).toBe("sequence");
    expect(buffers[0]!.appended).toEqual([init, ...pieces.slice(0, 3)]);
    expect([told, player.instant()]).toEqual([["waiting"], null]);
    media.listeners.get("playing")!();
    media.currentTime = 1.5;
    expect([told.at(-1), player.instant()]).toEqual(["playing", startAt + 1500]);
    player.close();
  });
  it("may come in whatever bits the line makes of it", async () => {
    const { player, send } = await begun();
    const all = new Uint8Array(Buffer.concat([init, ...pieces]));
    const cuts = [1, 7, init.length - 3, init.length + 5, init.length + pieces[0]!.length, all.length - 9];
    await send(...[0, ...cuts].map((from, i) => all.slice(from, cuts[i] ?? all.length)));
    expect(buffers[0]!.appended).toEqual([init, ...pieces]);
    player.close();
  });
  it("waits while the browser works on what it has", async () => {
    const { player } = await begun();
    for (const part of [init, ...pieces]) lines[0]!.send(part);
    await soon();
    await soon();
    expect(buffers[0]!.appended).toEqual([init]);
    buffers[0]!.settle();
    expect(buffers[0]!.appended).toEqual([init, pieces[0]]);
    player.close();
  });
  it("goes on without sound where the browser wants an act first, and says so", async () => {
    let isRefused = true;
    const media = element(async () => {
      if (isRefused) {
        isRefused = false;
        throw new DOMException("a gesture first", "NotAllowedError");
      }
    });
    const { told, player, send } = await begun(media);
    await send(init, pieces[0]!);
    media.listeners.get("playing")!();
    expect([media.muted, told.at(-1)]).toEqual([true, "silent"]);
    player.close();
  });
  it("is said to be none for a browser that cannot play it, which asks no more", async () => {
    MediaSourceFake.isSupported = false;
    const { told, player, send } = await begun();
    await send(init, pieces[0]!);
    await vi.advanceTimersByTimeAsync(60_000);
    expect([told.at(-1), lines.length]).toEqual(["unsupported", 1]);
    player.close();
    vi.stubGlobal("MediaSource", undefined);
    const other = await begun();
    expect([other.told, lines.length]).toEqual([["unsupported"], 1]);
    other.player.close();
  });
  it("lets go of what is far behind, so that an hour does not fill the memory", async () => {
    const { media, player, send } = await begun();
    await send(init, ...pieces);
    media.currentTime = 26;
    await send(pieces[0]!);
    expect(buffers[0]!.removed[0]).toEqual([0, 16]);
    player.close();
  });
});

describe("a viewer's place in it (rule 26)", () => {
  const at = async (behind: number) => {
    const one = await begun();
    await one.send(init, ...pieces);
    one.media.currentTime = buffers[0]!.seconds - behind;
    await vi.advanceTimersByTimeAsync(250);
    return one;
  };
  it("is jumped to where it is far behind", async () => {
    const { media, player } = await at(3.5);
    expect(media.currentTime).toBeCloseTo(buffers[0]!.seconds - aimSeconds, 6);
    player.close();
  });
  it("is caught up with a little faster, until it is where it aims to be", async () => {
    const { media, player } = await at(2);
    expect(media.playbackRate).toBe(fasterRate);
    media.currentTime = buffers[0]!.seconds - aimSeconds - 0.2;
    await vi.advanceTimersByTimeAsync(250);
    expect(media.playbackRate).toBe(fasterRate);
    media.currentTime = buffers[0]!.seconds - aimSeconds + 0.01;
    await vi.advanceTimersByTimeAsync(250);
    expect(media.playbackRate).toBe(1);
    player.close();
  });
  it("goes on by itself where something paused it", async () => {
    const { media, player } = await at(1);
    const before = media.play.mock.calls.length;
    media.paused = true;
    await vi.advanceTimersByTimeAsync(250);
    expect(media.play.mock.calls.length).toBe(before + 1);
    player.close();
  });
  it("standing still is the line's doing only once it had settled", async () => {
    const { media, stalled, player, send } = await begun();
    await send(init, pieces[0]!);
    media.listeners.get("waiting")!();
    media.listeners.get("playing")!();
    media.listeners.get("waiting")!();
    expect(stalled).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(8001);
    media.listeners.get("waiting")!();
    expect(stalled).toHaveBeenCalledOnce();
    player.close();
  });
});

describe("a line that breaks", () => {
  it("is taken up again within half a second where something had come, from whatever comes next", async () => {
    const { told, player, send } = await begun();
    await send(init, pieces[0]!);
    lines[0]!.end();
    await vi.advanceTimersByTimeAsync(500);
    expect([lines.length, told.at(-1)]).toEqual([2, "waiting"]);
    await send(init, pieces[2]!);
    expect(buffers).toHaveLength(2);
    expect(buffers[1]!.appended).toEqual([init, pieces[2]]);
    player.close();
  });
  it("is asked for less and less often where nothing is there, and at once again as soon as something was", async () => {
    refusedWith = 404;
    const { player, send } = await begun();
    const counts: number[] = [];
    for (const ms of [500, 1000, 2000, 4000, 8000, 8000]) {
      await vi.advanceTimersByTimeAsync(ms - 1);
      counts.push(lines.length);
      await vi.advanceTimersByTimeAsync(1);
    }
    // each is asked once more at the end of its pause, none before
    expect([counts, lines.length]).toEqual([[1, 2, 3, 4, 5, 6], 7]);
    refusedWith = null;
    await vi.advanceTimersByTimeAsync(8000);
    await send(init, pieces[0]!);
    lines.at(-1)!.end();
    const before = lines.length;
    await vi.advanceTimersByTimeAsync(500);
    expect(lines.length).toBe(before + 1);
    player.close();
  });
  it("is given up by the player where its element let the source go", async () => {
    const { player, send } = await begun();
    await send(init, pieces[0]!);
    buffers[0]!.isGone = true;
    await send(pieces[1]!);
    expect(lines[0]!.signal.aborted).toBe(true);
    player.close();
  });
  it("is nobody's once the player is closed", async () => {
    const { media, player, send } = await begun();
    await send(init, pieces[0]!);
    player.close();
    expect([lines[0]!.signal.aborted, media.load.mock.calls.length]).toEqual([true, 1]);
    lines[0]!.end();
    await vi.advanceTimersByTimeAsync(60_000);
    expect([lines.length, media.listeners.size]).toEqual([1, 0]);
  });
});
