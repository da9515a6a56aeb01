import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { StreamEvent } from "@/contracts";
import { followStream, type StreamPorts } from "./stream";

/** A browser's event source (HTML Living Standard, 9.2) as far as it is used here. */
class Source {
  static all: Source[] = [];
  isClosed = false;
  onerror: (() => void) | null = null;
  private readonly listeners = new Map<string, (raw: { data: string }) => void>();
  constructor(readonly url: string) {
    Source.all.push(this);
  }
  addEventListener(event: string, listener: (raw: { data: string }) => void) {
    this.listeners.set(event, listener);
  }
  say(event: StreamEvent, data: object = {}) {
    this.listeners.get(event)?.({ data: JSON.stringify(data) });
  }
  close() {
    this.isClosed = true;
  }
}
let lost = 0;
const nothing = () => {};
const ports = (): StreamPorts => ({
  url: "/live/x/stream?as=t",
  have: () => new Map([["hour:desk", { epoch: "e", n: 4 }]]),
  onLost: () => (lost += 1),
  on: {
    follow: nothing,
    snapshot: nothing,
    change: nothing,
    lines: nothing,
    aside: () => {},
    whispers: nothing,
    personal: nothing,
    beat: nothing,
    health: nothing,
    closed: nothing,
  },
});

beforeEach(() => {
  lost = 0;
  Source.all = [];
  vi.useFakeTimers();
  vi.stubGlobal("EventSource", Source);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe("a room's event stream", () => {
  it("is lost after three seconds without a beat, and opened anew with what was seen", () => {
    const stream = followStream(ports());
    for (let i = 0; i < 5; i += 1) {
      Source.all[0]!.say("beat");
      vi.advanceTimersByTime(1000);
    }
    expect([lost, Source.all.length]).toEqual([0, 1]);
    vi.advanceTimersByTime(2500);
    expect([lost, Source.all.length, Source.all[0]!.isClosed]).toEqual([1, 2, true]);
    expect(Source.all[1]!.url).toContain(`have=${encodeURIComponent("hour:desk~e~4")}`);
    stream.close();
  });
  it("of the audience, to whom no beats are sent, waits for the network's own word", () => {
    const stream = followStream(ports());
    Source.all[0]!.say("follow");
    vi.advanceTimersByTime(60_000);
    expect([lost, Source.all.length]).toEqual([0, 1]);
    Source.all[0]!.onerror!();
    expect(lost).toBe(1);
    vi.advanceTimersByTime(15_100);
    expect(Source.all).toHaveLength(2);
    stream.close();
  });
  it("is opened anew at once when asked; the old one's end is then nobody's loss", () => {
    const stream = followStream(ports());
    stream.again();
    Source.all[0]!.onerror!();
    expect([lost, Source.all.length]).toEqual([0, 2]);
    stream.close();
    stream.again();
    expect([Source.all.length, Source.all[1]!.isClosed]).toEqual([2, true]);
  });
});
