import type { LinkSignal } from "@/core/room";
import { PeerLink } from "./peer-link";

/** A page whose devices are on, as it said itself. */
export interface Announced {
  readonly ticketId: string;
  readonly device: string;
  readonly at: number;
  /** what comes from it is a shared screen: it is asked for, and gets nothing back */
  readonly isScreen: boolean;
}
export interface MeshPorts {
  readonly device: string;
  readonly iceServers: readonly RTCIceServer[];
  readonly mostPictureBits: number;
  signal(to: string, forDevice: string, signal: LinkSignal): void;
  changed(): void;
}

/** A page that has not said for so long that its devices are on is gone. */
const goneAfterMs = 9000;
/** beyond so many links a page sends its sound alone: a computer encodes its picture for each anew */
const mostPictures = 8;

interface Other {
  readonly ticketId: string;
  readonly link: PeerLink;
  readonly isScreen: boolean;
  at: number;
}

/** Links of this page to every other one whose devices are on, and to those who would hear it. */
export class Mesh {
  private readonly others = new Map<string, Other>();
  private tracks: readonly MediaStreamTrack[] = [];

  constructor(private readonly ports: MeshPorts) {}

  /** What each person sends: of several devices the one that speaks last. */
  streams(): ReadonlyMap<string, MediaStream> {
    return this.coming(false);
  }
  /** Shared screens, by whose they are. */
  screens(): ReadonlyMap<string, MediaStream> {
    return this.coming(true);
  }
  private coming(isScreen: boolean): ReadonlyMap<string, MediaStream> {
    const all = [...this.others.values()].filter(
      (other) => other.isScreen === isScreen && other.link.stream.getTracks().length > 0,
    );
    return new Map(all.map(({ ticketId, link }) => [ticketId, link.stream]));
  }
  async health(): Promise<readonly { id: string; lostPercent: number; isLive: boolean }[]> {
    return Promise.all(
      [...this.others.values()]
        .filter((other) => !other.isScreen)
        .map(async ({ ticketId, link }) => ({
          id: ticketId,
          lostPercent: await link.lostPercent(),
          isLive: link.state === "connected",
        })),
    );
  }

  private open(device: string, ticketId: string, isScreen = false): Other {
    const known = this.others.get(device);
    if (known) return known;
    const link = new PeerLink({
      isPolite: this.ports.device > device,
      iceServers: this.ports.iceServers,
      mostPictureBits: this.ports.mostPictureBits,
      signal: (one) => this.ports.signal(ticketId, device, one),
      changed: () => this.ports.changed(),
    });
    const other: Other = { ticketId, link, isScreen, at: Date.now() };
    this.others.set(device, other);
    return other;
  }
  private give(other: Other): void {
    if (other.isScreen) return;
    const isCrowded = [...this.others.values()].indexOf(other) >= mostPictures;
    void other.link.send(isCrowded ? this.tracks.filter((track) => track.kind === "audio") : this.tracks);
  }

  /** This page sends these from now on. */
  send(tracks: readonly MediaStreamTrack[]): void {
    this.tracks = tracks;
    for (const other of this.others.values()) this.give(other);
  }

  /** Who says that their devices are on; whoever fell silent is let go. */
  heard(announced: readonly Announced[], now: number): void {
    for (const { ticketId, device, at, isScreen } of announced) {
      if (device === this.ports.device || now - at > goneAfterMs) continue;
      const known = this.others.get(device);
      if (known) this.remind(known, device, at);
      else this.meet(device, ticketId, isScreen);
    }
    for (const [device, other] of this.others)
      if (now - other.at > goneAfterMs && other.link.state !== "connected") this.drop(device);
  }
  /** A screen whose page was not ready when it was asked is asked again. */
  private remind(known: Other, device: string, at: number): void {
    known.at = Math.max(known.at, at);
    if (known.isScreen && known.link.state === "new") this.ports.signal(known.ticketId, device, { want: true });
  }
  /** Of two who both send one offers; who only listens asks for it. */
  private meet(device: string, ticketId: string, isScreen: boolean): void {
    const other = this.open(device, ticketId, isScreen);
    if (isScreen || this.tracks.length === 0) this.ports.signal(ticketId, device, { want: true });
    else if (this.ports.device < device) this.give(other);
    else this.ports.signal(ticketId, device, { want: true });
  }

  async hear(from: string, device: string, signal: LinkSignal): Promise<void> {
    const other = this.open(device, from);
    other.at = Date.now();
    if ("want" in signal) return this.give(other);
    // whoever is offered something answers with their own
    if ("description" in signal && signal.description.type === "offer" && this.tracks.length > 0) this.give(other);
    await other.link.hear(signal);
  }

  private drop(device: string): void {
    this.others.get(device)?.link.close();
    this.others.delete(device);
    this.ports.changed();
  }
  close(): void {
    for (const device of [...this.others.keys()]) this.drop(device);
  }
}
