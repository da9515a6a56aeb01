import type { LinkSignal } from "@/core/room";

/** Where a link's words go, and what comes of it. */
export interface PeerPorts {
  /** gives way where both offer at once (W3C WebRTC 1.0 §10.7) */
  readonly isPolite: boolean;
  readonly iceServers: readonly RTCIceServer[];
  /** so much a picture may take of the line, in bits a second */
  readonly mostPictureBits: number;
  signal(one: LinkSignal): void;
  /** tracks came, went, or the connection is another than it was */
  changed(): void;
}

/** One link between two pages: sound and picture both ways, agreed on by perfect negotiation. */
export class PeerLink {
  readonly stream = new MediaStream();
  private readonly connection: RTCPeerConnection;
  private isOffering = false;
  private isIgnoring = false;
  private readonly senders = new Map<"audio" | "video", RTCRtpSender>();

  constructor(private readonly ports: PeerPorts) {
    this.connection = new RTCPeerConnection({ iceServers: [...ports.iceServers] });
    this.connection.onnegotiationneeded = () => void this.offer();
    this.connection.onicecandidate = ({ candidate }) =>
      ports.signal({
        candidate: candidate && {
          candidate: candidate.candidate,
          sdpMid: candidate.sdpMid,
          sdpMLineIndex: candidate.sdpMLineIndex,
        },
      });
    this.connection.ontrack = ({ track }) => this.receive(track);
    this.connection.onconnectionstatechange = () => {
      if (this.connection.connectionState === "failed") this.connection.restartIce();
      ports.changed();
    };
  }

  get state(): RTCPeerConnectionState {
    return this.connection.connectionState;
  }

  private receive(track: MediaStreamTrack): void {
    for (const before of this.stream.getTracks()) if (before.kind === track.kind) this.stream.removeTrack(before);
    this.stream.addTrack(track);
    track.onunmute = () => this.ports.changed();
    track.onmute = () => this.ports.changed();
    this.ports.changed();
  }

  private async offer(): Promise<void> {
    try {
      this.isOffering = true;
      await this.connection.setLocalDescription();
      this.say();
    } catch {
      // closed meanwhile, or overtaken by the other's offer
    } finally {
      this.isOffering = false;
    }
  }
  private say(): void {
    const description = this.connection.localDescription;
    if (description) this.ports.signal({ description: { type: description.type, sdp: description.sdp } });
  }

  /** What the other page says. */
  async hear(signal: LinkSignal): Promise<void> {
    try {
      if ("description" in signal) await this.describe(signal.description);
      else if ("candidate" in signal)
        await this.connection.addIceCandidate(signal.candidate ?? undefined).catch((error: unknown) => {
          if (!this.isIgnoring) throw error;
        });
    } catch {
      // a word that came too late for this link: the next offer mends it
    }
  }
  private async describe(description: RTCSessionDescriptionInit): Promise<void> {
    const isOffer = description.type === "offer";
    const isCollision = isOffer && (this.isOffering || this.connection.signalingState !== "stable");
    this.isIgnoring = !this.ports.isPolite && isCollision;
    if (this.isIgnoring) return;
    await this.connection.setRemoteDescription(description);
    if (!isOffer) return;
    await this.connection.setLocalDescription();
    this.say();
  }

  /** What this page sends from now on; a kind without a track sends nothing. */
  async send(tracks: readonly MediaStreamTrack[]): Promise<void> {
    for (const kind of ["audio", "video"] as const) {
      const track = tracks.find((one) => one.kind === kind) ?? null;
      const sender = this.senders.get(kind);
      if (sender) await sender.replaceTrack(track).catch(() => {});
      else if (track) this.senders.set(kind, this.connection.addTrack(track));
    }
    await this.bound();
  }
  private async bound(): Promise<void> {
    const sender = this.senders.get("video");
    const parameters = sender?.getParameters();
    if (!sender || !parameters?.encodings?.[0]) return;
    parameters.encodings[0].maxBitrate = this.ports.mostPictureBits;
    await sender.setParameters(parameters).catch(() => {});
  }

  /** How much of what should have come was lost, in percent. */
  async lostPercent(): Promise<number> {
    let [lost, got] = [0, 0];
    (await this.connection.getStats()).forEach(
      (report: { type: string; packetsLost?: number; packetsReceived?: number }) => {
        if (report.type !== "inbound-rtp") return;
        lost += Math.max(0, report.packetsLost ?? 0);
        got += report.packetsReceived ?? 0;
      },
    );
    return lost + got === 0 ? 0 : Math.round((lost / (lost + got)) * 1000) / 10;
  }

  close(): void {
    this.connection.close();
    for (const track of this.stream.getTracks()) track.stop();
  }
}
