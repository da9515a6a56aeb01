import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { LinkSignal } from "@/core/room";
import { Mesh } from "./mesh";

/** What the browser would have: connections that remember what they send, and never connect by themselves. */
class FakeConnection {
  connectionState = "new";
  signalingState = "stable";
  localDescription = { type: "offer", sdp: "" };
  readonly sent: MediaStreamTrack[] = [];
  ontrack: ((event: { track: MediaStreamTrack }) => void) | null = null;
  constructor() {
    connections.push(this);
  }
  addTrack(track: MediaStreamTrack) {
    this.sent.push(track);
    return { replaceTrack: async () => {}, getParameters: () => ({ encodings: [] }) };
  }
  async setLocalDescription() {}
  async setRemoteDescription() {}
  async getStats() {
    return new Map([["a", { type: "inbound-rtp", packetsLost: 1, packetsReceived: 3 }]]);
  }
  close() {
    this.connectionState = "closed";
  }
}
class FakeStream {
  private tracks: MediaStreamTrack[] = [];
  getTracks = () => this.tracks;
  addTrack = (track: MediaStreamTrack) => void this.tracks.push(track);
  removeTrack = (track: MediaStreamTrack) => void (this.tracks = this.tracks.filter((one) => one !== track));
}
let connections: FakeConnection[] = [];
beforeEach(() => {
  connections = [];
  vi.stubGlobal("RTCPeerConnection", FakeConnection);
  vi.stubGlobal("MediaStream", FakeStream);
});
afterEach(() => vi.unstubAllGlobals());

const track = (kind: "audio" | "video") => ({ kind, stop: () => {} }) as unknown as MediaStreamTrack;
function meshOf(device = "m") {
  const said: (readonly [to: string, forDevice: string, signal: LinkSignal])[] = [];
  const mesh = new Mesh({
    ...{ device, iceServers: [], mostPictureBits: 1, changed: () => {} },
    signal: (to, forDevice, signal) => void said.push([to, forDevice, signal]),
  });
  return { mesh, said };
}
const camera = { ticketId: "ann", device: "z", at: 0, isScreen: false };
const screen = { ticketId: "ann", device: "a", at: 0, isScreen: true };
const want = { want: true };

describe("links among the stage", () => {
  it("of two who both send one offers, by their devices' order; who only listens asks", () => {
    const listens = meshOf();
    listens.mesh.heard([camera], 0);
    expect(listens.said).toEqual([["ann", "z", want]]);
    const offers = meshOf();
    offers.mesh.send([track("audio"), track("video")]);
    offers.mesh.heard([camera], 0);
    expect([offers.said, connections.at(-1)!.sent.length]).toEqual([[], 2]);
    const waits = meshOf("zz");
    waits.mesh.send([track("audio")]);
    waits.mesh.heard([camera], 0);
    expect(waits.said).toEqual([["ann", "z", want]]);
  });
  it("never link a page to itself, nor to one that fell silent", () => {
    const { mesh, said } = meshOf();
    mesh.heard(
      [
        { ...camera, device: "m" },
        { ...camera, at: -10_000 },
      ],
      0,
    );
    expect([said, connections.length]).toEqual([[], 0]);
  });
  it("let go of whoever says nothing more and is not connected", () => {
    const { mesh } = meshOf();
    mesh.heard([camera], 0);
    mesh.heard([], Date.now() + 60_000);
    expect(connections[0]!.connectionState).toBe("closed");
  });
  it("send their sound alone to those beyond eight", () => {
    const { mesh } = meshOf("0");
    mesh.send([track("audio"), track("video")]);
    mesh.heard(
      Array.from({ length: 9 }, (_, i) => ({ ...camera, ticketId: `t${i}`, device: `d${i}` })),
      0,
    );
    expect(connections.map(({ sent }) => sent.length)).toEqual([2, 2, 2, 2, 2, 2, 2, 2, 1]);
  });
});

describe("a shared screen is a link of its own", () => {
  it("that is asked for, and gets nothing back whatever the devices' order", async () => {
    const { mesh, said } = meshOf();
    mesh.send([track("audio"), track("video")]);
    mesh.heard([screen], 0);
    expect(said).toEqual([["ann", "a", want]]);
    await mesh.hear("ann", "a", { description: { type: "offer", sdp: "" } });
    expect(connections[0]!.sent).toEqual([]);
  });
  it("that is asked again for as long as nothing came of it: its page may not have been ready", () => {
    const { mesh, said } = meshOf();
    mesh.heard([screen], 0);
    mesh.heard([{ ...screen, at: 2000 }], 2000);
    expect(said).toHaveLength(2);
    connections[0]!.connectionState = "connected";
    mesh.heard([{ ...screen, at: 4000 }], 4000);
    expect(said).toHaveLength(2);
  });
  it("stands apart from the person's own picture, and from how well the links of people go", async () => {
    const { mesh } = meshOf();
    mesh.heard([camera, screen], 0);
    for (const connection of connections) connection.ontrack!({ track: track("video") });
    expect([[...mesh.streams().keys()], [...mesh.screens().keys()]]).toEqual([["ann"], ["ann"]]);
    expect(mesh.streams().get("ann")).not.toBe(mesh.screens().get("ann"));
    expect(await mesh.health()).toEqual([{ id: "ann", lostPercent: 25, isLive: false }]);
  });
  it("is given to whoever asks its own page", async () => {
    const { mesh } = meshOf("screen");
    mesh.send([track("video")]);
    await mesh.hear("bo", "b", { want: true });
    expect(connections[0]!.sent).toHaveLength(1);
    mesh.close();
    expect(connections[0]!.connectionState).toBe("closed");
  });
});
