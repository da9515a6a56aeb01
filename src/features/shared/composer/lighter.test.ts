import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { carriesLighter, Lighter } from "./lighter";

const made = vi.hoisted(() => ({
  senders: [] as { lease: string; isOpen: boolean; begin(): void }[],
  pictures: [] as number[],
  drawn: 0,
}));
vi.mock("./feed-sender", () => ({
  FeedSender: class {
    private readonly own: (typeof made.senders)[number];
    constructor(ports: { leaseUrl: string; encoder(to: unknown): unknown }) {
      this.own = { lease: ports.leaseUrl, isOpen: true, begin: () => ports.encoder({}) };
      made.senders.push(this.own);
    }
    close() {
      this.own.isOpen = false;
    }
  },
}));
vi.mock("./encode", () => ({
  framesPerSecond: 15,
  Encoder: class {
    frame = (at: number) => Promise.resolve(void made.pictures.push(at));
  },
  VoiceEncoder: class {},
}));

beforeEach(() => {
  vi.useFakeTimers({ toFake: ["performance"] });
  [made.senders.length, made.pictures.length, made.drawn] = [0, 0, 0];
  const pen = { drawImage: () => (made.drawn += 1) };
  vi.stubGlobal("document", { createElement: () => ({ getContext: () => pen }) });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const lighter = () =>
  new Lighter({} as HTMLCanvasElement, {} as MediaStreamAudioTrack, {
    leaseUrl: (feed) => feed,
    piecesUrl: (feed) => feed,
    isHolding: () => false,
  });
async function frames(one: Lighter, count: number, everyMs: number): Promise<void> {
  for (let i = 0; i < count; i += 1) {
    vi.advanceTimersByTime(everyMs);
    one.frame(true);
    for (let turn = 0; turn < 4; turn += 1) await Promise.resolve();
  }
}

describe("the programme for weak lines", () => {
  it("is made where a machine has the cores for it", () => {
    const carries = [1, 2, 4, 8].map((hardwareConcurrency) => {
      vi.stubGlobal("navigator", { hardwareConcurrency });
      return carriesLighter();
    });
    expect(carries).toEqual([false, false, true, true]);
  });
  it("is a small picture and the sound alone, each a feed of its own", async () => {
    const one = lighter();
    expect(made.senders.map(({ lease }) => lease)).toEqual(["programme:sound", "programme:270"]);
    // nothing is drawn twice before somebody takes it
    await frames(one, 3, 66);
    expect(made.drawn).toBe(0);
    made.senders[1]!.begin();
    await frames(one, 3, 100);
    expect(made.pictures.map((at) => Math.round(at * 10))).toEqual([1, 2, 3]);
    one.close();
    expect(made.senders.every(({ isOpen }) => !isOpen)).toBe(true);
  });
  it("leaves the small picture out for good where the machine does not keep up; the sound goes on", async () => {
    const one = lighter();
    made.senders[1]!.begin();
    await frames(one, 130, 66);
    expect(made.senders.map(({ isOpen }) => isOpen)).toEqual([true, true]);
    await frames(one, 90, 200);
    expect(made.senders.map(({ isOpen }) => isOpen)).toEqual([true, false]);
    const before = made.drawn;
    await frames(one, 200, 66);
    expect(made.drawn).toBe(before);
  });
});
