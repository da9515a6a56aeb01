import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { ChannelSender } from "./channel-sender";

interface Ports {
  init(bytes: Uint8Array): void;
  piece(bytes: Uint8Array): void;
  failed(error: unknown): void;
}
const encoders: { ports: Ports; isStopped: boolean }[] = [];
vi.mock("../composer/encode", () => ({
  voiceBits: 32_000,
  VoiceEncoder: class {
    private readonly own: (typeof encoders)[number];
    constructor(_voice: unknown, _bits: number, ports: Ports) {
      this.own = { ports, isStopped: false };
      encoders.push(this.own);
    }
    async start() {}
    async stop() {
      this.own.isStopped = true;
    }
  },
}));

let answers: Record<"lease" | "pieces", number[]>;
let asked: string[];
let released: string[];
const voice = { stop: vi.fn() } as unknown as MediaStreamAudioTrack;
const at = { occurrenceId: "d1", as: "t1", device: "dev", language: "es" };
beforeEach(() => {
  vi.useFakeTimers();
  encoders.length = 0;
  [answers, asked, released] = [{ lease: [], pieces: [] }, [], []];
  vi.mocked(voice.stop).mockClear();
  vi.stubGlobal("navigator", { sendBeacon: (url: string) => released.push(url) });
  vi.stubGlobal("fetch", async (url: string) => {
    asked.push(url);
    const status = answers[url.includes("/lease") ? "lease" : "pieces"].shift() ?? 200;
    return { ok: status === 200, status, arrayBuffer: async () => new ArrayBuffer(0) } as Response;
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const pieces = () => asked.filter((url) => url.includes("/pieces"));
const bytes = new Uint8Array([1]);

describe("an interpreter's voice on its way", () => {
  it("goes out under the lease of its own feed, by the ticket and the device", async () => {
    const sender = new ChannelSender(at, voice);
    await vi.advanceTimersByTimeAsync(600);
    expect(encoders).toHaveLength(1);
    encoders[0]!.ports.init(bytes);
    encoders[0]!.ports.piece(bytes);
    await vi.advanceTimersByTimeAsync(10);
    expect(pieces()).toHaveLength(2);
    const query = new URL(pieces()[0]!, "http://x").searchParams;
    expect([query.get("feed"), query.get("as"), query.get("device")]).toEqual(["sound:es", "t1", "dev"]);
    sender.close();
  });
  it("waits while the one who spoke before still holds the feed, and begins as soon as it is free", async () => {
    answers.lease = [409, 409, 409];
    const sender = new ChannelSender(at, voice);
    await vi.advanceTimersByTimeAsync(1600);
    expect(encoders).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(500);
    expect(encoders).toHaveLength(1);
    sender.close();
  });
  it("begins anew where a piece is refused or the encoder fails, each time with a stopped one behind it", async () => {
    answers.pieces = [409];
    const sender = new ChannelSender(at, voice);
    await vi.advanceTimersByTimeAsync(600);
    encoders[0]!.ports.piece(bytes);
    await vi.advanceTimersByTimeAsync(600);
    expect([encoders.length, encoders[0]!.isStopped]).toEqual([2, true]);
    encoders[1]!.ports.failed(new Error("the device went"));
    await vi.advanceTimersByTimeAsync(600);
    expect([encoders.length, encoders[1]!.isStopped]).toEqual([3, true]);
    sender.close();
  });
  it("gives the lease back when the channel is closed, lets go of the microphone and asks no more", async () => {
    const sender = new ChannelSender(at, voice);
    await vi.advanceTimersByTimeAsync(600);
    sender.close();
    expect(released).toEqual([expect.stringContaining("/lease?feed=sound%3Aes&device=dev&as=t1&release=1")]);
    expect(voice.stop).toHaveBeenCalledTimes(1);
    expect(encoders[0]!.isStopped).toBe(true);
    const before = asked.length;
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked).toHaveLength(before);
  });
  it("has nothing to give back where it never began", async () => {
    answers.lease = Array<number>(20).fill(409);
    const sender = new ChannelSender(at, voice);
    await vi.advanceTimersByTimeAsync(1200);
    sender.close();
    expect(released).toEqual([]);
  });
});
