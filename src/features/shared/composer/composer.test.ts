import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { EncodedPorts } from "./encode";
import type { Painted } from "./draw";
import { Composer, type ComposerPorts, type ComposerState } from "./composer";

/** Every clock of the page, rung by hand. */
const clocks = vi.hoisted(() => new Set<() => void>());
const made = vi.hoisted(() => ({
  ports: null as EncodedPorts | null,
  encoders: 0,
  drawn: 0,
  frames: [] as number[],
  canSound: true,
}));
vi.mock("../room-link/signs", () => ({
  steadyTimer: (_everyMs: number, tick: () => void) => {
    clocks.add(tick);
    return () => clocks.delete(tick);
  },
}));
vi.mock("./draw", () => ({ pictureSize: { width: 16, height: 9 }, drawPicture: () => (made.drawn += 1) }));
vi.mock("./mix", () => ({
  Mix: class {
    track = {};
    start = () => Promise.resolve(made.canSound);
    set() {}
    close() {}
  },
}));
vi.mock("./encode", () => ({
  framesPerSecond: 15,
  Encoder: class {
    constructor(_canvas: unknown, _sound: unknown, _bits: unknown, ports: EncodedPorts) {
      made.ports = ports;
      made.encoders += 1;
    }
    start = () => Promise.resolve();
    frame = (at: number) => Promise.resolve(void made.frames.push(at));
    stop = () => Promise.resolve();
  },
}));

vi.mock("./lighter", () => ({
  carriesLighter: () => true,
  Lighter: class {
    frame() {}
    close() {}
  },
}));

interface Asked {
  readonly leases: number;
  readonly pieces: { readonly url: string; readonly bytes: number }[];
  readonly released: string[];
}
/** A server that gives the lease, or says that somebody else has it. */
function server(leaseStatus: () => number): Asked {
  const asked = { leases: 0, pieces: [] as Asked["pieces"], released: [] as string[] };
  vi.stubGlobal("fetch", async (url: string, { body }: { body?: Blob }) => {
    if (url.startsWith("/lease")) asked.leases += 1;
    else asked.pieces.push({ url, bytes: body!.size });
    return new Response("{}", { status: url.startsWith("/lease") ? leaseStatus() : 200 });
  });
  vi.stubGlobal("navigator", { sendBeacon: (url: string) => asked.released.push(url) > 0 });
  return asked;
}

const holding = (words: string) => ({ picture: { kind: "holding" }, holding: { words } }) as unknown as Painted;
let told: ComposerState[] = [];
function compose(own: Partial<ComposerPorts> = {}): Composer {
  return new Composer({
    leaseUrl: (feed) => `/lease?feed=${feed}`,
    piecesUrl: (feed) => `/pieces?feed=${feed}`,
    waitsMs: () => 0,
    painted: () => holding(""),
    streams: () => new Map(),
    isHeard: () => true,
    isTaken: () => false,
    told: (state) => told.push(state),
    ...own,
  });
}
/** So much time goes by, with every clock rung each quarter of a second. */
async function pass(ms: number): Promise<void> {
  for (let left = ms; left > 0; left -= 250) {
    await vi.advanceTimersByTimeAsync(250);
    for (const tick of [...clocks]) tick();
    for (let i = 0; i < 10; i += 1) await Promise.resolve();
  }
}

beforeEach(() => {
  vi.useFakeTimers({ toFake: ["Date", "performance", "setTimeout", "clearTimeout", "setInterval", "clearInterval"] });
  const pen = {};
  vi.stubGlobal("document", { createElement: () => ({ getContext: () => pen }) });
  [told, made.ports, made.encoders, made.canSound] = [[], null, 0, true];
  [made.drawn, made.frames.length] = [0, 0];
  clocks.clear();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe("who makes the picture on this page (rule 26)", () => {
  it("begins once it is free and those before had their turn, and posts what is encoded", async () => {
    const asked = server(() => 200);
    const composer = compose({ waitsMs: () => 1500 });
    await pass(1250);
    expect([asked.leases, told]).toEqual([0, ["waits"]]);
    await pass(1000);
    expect(told).toEqual(["waits", "makes"]);
    made.ports!.init(new Uint8Array(3));
    made.ports!.piece(new Uint8Array(7));
    await pass(250);
    expect(asked.pieces.map(({ bytes }) => bytes)).toEqual([3, 7]);
    composer.close();
    expect(asked.released).toEqual(["/lease?feed=programme&release=1"]);
  });

  it("draws a picture that stays the same once, and says all the same that it keeps up", async () => {
    server(() => 200);
    let words = "It begins shortly.";
    const composer = compose({ painted: () => holding(words) });
    await pass(500);
    const [drawn, frames] = [made.drawn, made.frames.length];
    await pass(5000);
    expect([made.drawn - drawn, made.frames.length - frames, composer.health()!.frames]).toEqual([0, 20, 21]);
    words = "A moment yet.";
    await pass(250);
    expect(made.drawn - drawn).toBe(1);
    composer.close();
  });

  it("waits while somebody else makes it, and asks again a second later: it may be given back", async () => {
    let isTaken = true;
    const asked = server(() => 409);
    const composer = compose({ isTaken: () => isTaken });
    await pass(5000);
    expect(asked.leases).toBe(0);
    isTaken = false;
    await pass(500);
    expect(asked.leases).toBe(1);
    await pass(500);
    expect(asked.leases).toBe(1);
    await pass(750);
    expect(asked.leases).toBe(2);
    composer.close();
    expect([told.includes("makes"), asked.released]).toEqual([false, []]);
  });

  it("leaves it to others where the page may make no sound yet, and says that an act is needed", async () => {
    made.canSound = false;
    const asked = server(() => 200);
    const composer = compose();
    await pass(1000);
    expect([asked.leases, told.includes("needs-act"), made.encoders]).toEqual([0, true, 0]);
    composer.close();
  });

  it("of which the encoder gives out nothing any more gives the lease back, and begins anew where nobody else does", async () => {
    const asked = server(() => 200);
    const composer = compose();
    await pass(500);
    made.ports!.init(new Uint8Array(1));
    for (let second = 0; second < 10; second += 1) {
      made.ports!.piece(new Uint8Array(1));
      await pass(1000);
    }
    // a piece each second: nothing is stuck, however long it goes on
    expect([asked.released, made.encoders]).toEqual([[], 1]);
    await pass(8000);
    expect(asked.released).toEqual(["/lease?feed=programme&release=1"]);
    expect(told.at(-1)).toBe("waits");
    // others first: not before a lease of theirs could be lost
    await pass(2000);
    expect(made.encoders).toBe(1);
    await pass(2500);
    expect([made.encoders, told.at(-1)]).toEqual([2, "makes"]);
    composer.close();
  });

  it("whose line is too weak offers the picture to others, and makes it all the same where nobody takes it", async () => {
    const asked = server(() => 200);
    const composer = compose();
    await pass(500);
    const answering = globalThis.fetch;
    // pieces do not leave any more; the lease is still renewed
    const isPiece = (url: string) => url.startsWith("/pieces");
    vi.stubGlobal("fetch", (url: string, how: object) =>
      isPiece(url) ? new Promise(() => {}) : answering(url, how as RequestInit),
    );
    /** A piece is made each second. */
    const made1 = async (seconds: number) => {
      for (let i = 0; i < seconds; i += 1) {
        made.ports!.piece(new Uint8Array(1));
        await pass(1000);
      }
    };
    await made1(8);
    expect([asked.released.length, told.at(-1)]).toEqual([1, "waits"]);
    // nobody takes it: it goes on here, and is not offered again for two minutes
    await pass(7000);
    expect([made.encoders, told.at(-1)]).toEqual([2, "makes"]);
    await made1(60);
    expect(asked.released).toHaveLength(1);
    await made1(70);
    expect(asked.released).toHaveLength(2);
    composer.close();
  });

  it("stops where its pieces are refused: somebody else has the lease by then", async () => {
    const asked = server(() => 200);
    const composer = compose();
    await pass(500);
    vi.stubGlobal("fetch", () => Promise.resolve(new Response("{}", { status: 409 })));
    made.ports!.piece(new Uint8Array(1));
    await pass(250);
    expect(told.at(-1)).toBe("waits");
    composer.close();
    // it is not theirs to give back
    expect(asked.released).toEqual([]);
  });
});
