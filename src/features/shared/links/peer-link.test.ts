import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { LinkSignal } from "@/core/room";
import { PeerLink } from "./peer-link";

type Description = { readonly type: "offer" | "answer"; readonly sdp: string };
const turn = () => new Promise((done) => setImmediate(done));

interface Sender {
  track: MediaStreamTrack | null;
  replaceTrack(track: MediaStreamTrack | null): Promise<void>;
  getParameters(): { encodings: { maxBitrate?: number }[] };
  setParameters(set: { encodings: { maxBitrate?: number }[] }): Promise<void>;
}

/**
 * A browser's end as far as negotiating goes: the signalling states and transitions of W3C WebRTC 1.0 §4.4.1.4 and
 * RFC 9429 §3.2, an offer that meets one's own rolled back by itself.
 */
class End {
  static made: End[] = [];
  readonly id = End.made.push(this);
  signalingState: "stable" | "have-local-offer" | "have-remote-offer" = "stable";
  connectionState: RTCPeerConnectionState = "new";
  localDescription: Description | null = null;
  remote: Description | null = null;
  rolledBack = 0;
  restarts = 0;
  isClosed = false;
  reports: object[] = [];
  senders: Sender[] = [];
  private count = 0;
  onnegotiationneeded: () => void = () => {};
  onicecandidate: (event: { candidate: object | null }) => void = () => {};
  ontrack: (event: { track: MediaStreamTrack }) => void = () => {};
  onconnectionstatechange: () => void = () => {};

  async setLocalDescription(): Promise<void> {
    await turn();
    const type = this.signalingState === "have-remote-offer" ? "answer" : "offer";
    this.count += 1;
    this.localDescription = { type, sdp: `${type} ${this.count} of ${this.id}` };
    this.signalingState = type === "answer" ? "stable" : "have-local-offer";
  }
  async setRemoteDescription(description: Description): Promise<void> {
    await turn();
    if (description.type === "answer") {
      if (this.signalingState !== "have-local-offer") throw new DOMException("", "InvalidStateError");
      this.signalingState = "stable";
    } else {
      if (this.signalingState === "have-local-offer") this.rolledBack += 1;
      this.signalingState = "have-remote-offer";
    }
    this.remote = description;
  }
  async addIceCandidate(): Promise<void> {
    await turn();
    if (!this.remote) throw new DOMException("", "InvalidStateError");
  }
  addTrack(track: MediaStreamTrack): Sender {
    const set = { encodings: [{}] };
    const sender: Sender = {
      track,
      replaceTrack: (next) => {
        sender.track = next;
        return Promise.resolve();
      },
      getParameters: () => set,
      setParameters: (next) => Promise.resolve(void Object.assign(set, next)),
    };
    this.senders.push(sender);
    return sender;
  }
  getStats = () => Promise.resolve(new Map(this.reports.entries()));
  restartIce(): void {
    this.restarts += 1;
  }
  close(): void {
    this.isClosed = true;
  }
}

class Stream {
  private tracks: MediaStreamTrack[] = [];
  getTracks = () => [...this.tracks];
  addTrack = (track: MediaStreamTrack) => void this.tracks.push(track);
  removeTrack = (track: MediaStreamTrack) => void (this.tracks = this.tracks.filter((one) => one !== track));
}
const trackOf = (kind: "audio" | "video", id: string = kind) =>
  ({ kind, id, stop: vi.fn() }) as unknown as MediaStreamTrack;

beforeEach(() => {
  End.made = [];
  vi.stubGlobal("RTCPeerConnection", End);
  vi.stubGlobal("MediaStream", Stream);
});
afterEach(() => void vi.unstubAllGlobals());

/** One page's link, with what it says waiting until it is let through. */
function page(isPolite: boolean) {
  const said: LinkSignal[] = [];
  const changed = vi.fn();
  const link = new PeerLink({
    isPolite,
    iceServers: [],
    mostPictureBits: 400_000,
    signal: (one) => said.push(one),
    changed,
  });
  return { link, said, changed, end: End.made.at(-1)! };
}
type Page = ReturnType<typeof page>;

/** Lets both hear what the other said, in order, until nobody says anything more. */
async function exchange(one: Page, other: Page): Promise<void> {
  for (let i = 0; i < 40; i += 1) {
    await turn();
    const [fromOne, fromOther] = [one.said.shift(), other.said.shift()];
    await Promise.all([fromOne && other.link.hear(fromOne), fromOther && one.link.hear(fromOther)]);
  }
}

describe("perfect negotiation between two pages (W3C WebRTC 1.0 §10.7)", () => {
  it("agrees where one of them offers", async () => {
    for (const isPolite of [true, false]) {
      const [one, other] = [page(isPolite), page(!isPolite)];
      one.end.onnegotiationneeded();
      await exchange(one, other);
      expect([one.end.signalingState, other.end.signalingState]).toEqual(["stable", "stable"]);
      expect(other.end.remote).toEqual({ type: "offer", sdp: `offer 1 of ${one.end.id}` });
      expect(one.end.remote).toEqual(other.end.localDescription);
    }
  });
  it("agrees on the impolite one's offer where both offer at once; the polite one rolls its own back", async () => {
    const [polite, impolite] = [page(true), page(false)];
    polite.end.onnegotiationneeded();
    impolite.end.onnegotiationneeded();
    await exchange(polite, impolite);
    expect([polite.end.signalingState, impolite.end.signalingState]).toEqual(["stable", "stable"]);
    expect([polite.end.rolledBack, impolite.end.rolledBack]).toEqual([1, 0]);
    expect(polite.end.remote).toEqual({ type: "offer", sdp: `offer 1 of ${impolite.end.id}` });
    expect(impolite.end.remote).toEqual(polite.end.localDescription);
  });
  it("agrees again and again, whoever begins, and when both begin in the middle of it", async () => {
    const [polite, impolite] = [page(true), page(false)];
    for (const first of [polite, impolite, polite]) {
      first.end.onnegotiationneeded();
      await turn();
      (first === polite ? impolite : polite).end.onnegotiationneeded();
      await exchange(polite, impolite);
      expect([polite.end.signalingState, impolite.end.signalingState]).toEqual(["stable", "stable"]);
    }
  });
  it("passes candidates on as data, the end of them too; those of an offer that was passed over harm nothing", async () => {
    const [polite, impolite] = [page(true), page(false)];
    const candidate = { candidate: "candidate:1", sdpMid: "0", sdpMLineIndex: 0, extra: "not said" };
    polite.end.onicecandidate({ candidate });
    polite.end.onicecandidate({ candidate: null });
    expect(polite.said).toEqual([
      { candidate: { candidate: "candidate:1", sdpMid: "0", sdpMLineIndex: 0 } },
      { candidate: null },
    ]);
    impolite.end.onnegotiationneeded();
    await turn();
    await turn();
    await impolite.link.hear({ description: { type: "offer", sdp: "offer of another" } });
    await expect(impolite.link.hear(polite.said[0]!)).resolves.toBeUndefined();
    expect(impolite.end.signalingState).toBe("have-local-offer");
  });
  it("takes a word that comes too late for none", async () => {
    const one = page(true);
    await expect(one.link.hear({ description: { type: "answer", sdp: "late" } })).resolves.toBeUndefined();
    await expect(one.link.hear({ candidate: null })).resolves.toBeUndefined();
    expect([one.end.signalingState, one.said]).toEqual(["stable", []]);
  });
});

describe("a link", () => {
  it("that failed looks for another way, and says that it is another than it was", () => {
    const { link, end, changed } = page(true);
    end.connectionState = "connected";
    end.onconnectionstatechange();
    expect([end.restarts, link.state]).toEqual([0, "connected"]);
    end.connectionState = "failed";
    end.onconnectionstatechange();
    expect(end.restarts).toBe(1);
    expect(changed).toHaveBeenCalledTimes(2);
  });
  it("sends one track of a kind: another takes its place without a new agreement, none leaves silence", async () => {
    const { link, end } = page(true);
    const [voice, camera, other] = [trackOf("audio"), trackOf("video"), trackOf("video", "another camera")];
    await link.send([voice, camera]);
    await link.send([other]);
    expect(end.senders.map(({ track }) => track)).toEqual([null, other]);
    await link.send([voice, other]);
    expect(end.senders).toHaveLength(2);
    expect(end.senders[0]!.track).toBe(voice);
  });
  it("bounds what a picture takes of the line, and no sound", async () => {
    const { link, end } = page(true);
    await link.send([trackOf("audio"), trackOf("video")]);
    expect(end.senders.map((sender) => sender.getParameters().encodings[0]!.maxBitrate)).toEqual([undefined, 400_000]);
  });
  it("shows the newest track of each kind", () => {
    const { link, end, changed } = page(true);
    const [first, voice, second] = [trackOf("video", "1"), trackOf("audio"), trackOf("video", "2")];
    for (const track of [first, voice, second]) end.ontrack({ track });
    expect(link.stream.getTracks()).toEqual([voice, second]);
    expect(changed).toHaveBeenCalledTimes(3);
  });
  it("tells how much was lost of what should have come; a negative count is a repeat (RFC 3550 §6.4.1)", async () => {
    const { link, end } = page(true);
    expect(await link.lostPercent()).toBe(0);
    end.reports = [
      { type: "inbound-rtp", packetsLost: 30, packetsReceived: 470 },
      { type: "inbound-rtp", packetsLost: -4, packetsReceived: 500 },
      { type: "outbound-rtp", packetsLost: 900 },
      { type: "inbound-rtp" },
    ];
    expect(await link.lostPercent()).toBe(3);
  });
  it("ends with everything that it showed", () => {
    const { link, end } = page(true);
    const track = trackOf("video");
    end.ontrack({ track });
    link.close();
    expect(end.isClosed).toBe(true);
    expect(track.stop).toHaveBeenCalledOnce();
  });
});
