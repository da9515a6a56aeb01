import { boxesAt, boxesIn, viewOf } from "./boxes";

/** From 1900, where NTP counts from (RFC 5905 §6), to 1970, in seconds. */
const ntpAheadSeconds = 2_208_988_800;
const stampBytes = 32;
/** when the fragment was made whole: ISO/IEC 14496-12 §8.16.5 */
const finishedFlag = 2;

/**
 * A piece with the instant at which it begins, as the server's clock had it: a producer reference time box (`prft`,
 * ISO/IEC 14496-12 §8.16.5) before everything else, which players pass over.
 * @param atMs Unix time
 */
export function stamped(piece: Uint8Array, atMs: number): Uint8Array<ArrayBuffer> {
  const view = viewOf(piece);
  const [part] = boxesAt(view, ["moof", "traf"]);
  const [head] = part ? boxesAt(view, ["tfhd"], part) : [];
  const [begin] = part ? boxesAt(view, ["tfdt"], part) : [];
  const out = new Uint8Array(stampBytes + piece.length);
  const box = viewOf(out);
  box.setUint32(0, stampBytes);
  out.set([0x70, 0x72, 0x66, 0x74], 4);
  // version 1: the time of the medium has 64 bits
  box.setUint32(8, (1 << 24) | finishedFlag);
  box.setUint32(12, head ? view.getUint32(head.from + 4) : 1);
  box.setUint32(16, Math.floor(atMs / 1000) + ntpAheadSeconds);
  box.setUint32(20, Math.floor(((atMs % 1000) / 1000) * 2 ** 32));
  const isLong = begin !== undefined && view.getUint8(begin.from) === 1;
  const units = !begin ? 0n : isLong ? view.getBigUint64(begin.from + 4) : BigInt(view.getUint32(begin.from + 4));
  box.setBigUint64(24, units);
  out.set(piece, stampBytes);
  return out;
}

/** The instant that a piece was stamped with, in Unix milliseconds; null where it has none. */
export function stampOf(piece: Uint8Array): number | null {
  const view = viewOf(piece);
  const [first] = boxesIn(view);
  if (first?.type !== "prft" || first.to - first.from < 16) return null;
  const seconds = view.getUint32(first.from + 8) - ntpAheadSeconds;
  return Math.round(seconds * 1000 + (view.getUint32(first.from + 12) / 2 ** 32) * 1000);
}

/** One whole part of a feed: what reads its pieces, or a piece. */
export interface FeedPart {
  readonly isInit: boolean;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** Takes a feed as it comes off the line, in stretches of any length, and gives out its whole parts. */
export class FeedParts {
  private rest = new Uint8Array(0);
  /** how far the part at the beginning has been walked */
  private walked = 0;

  take(bytes: Uint8Array): readonly FeedPart[] {
    const joined = new Uint8Array(this.rest.length + bytes.length);
    joined.set(this.rest);
    joined.set(bytes, this.rest.length);
    const parts: FeedPart[] = [];
    let from = 0;
    for (const { type, to } of boxesIn(viewOf(joined), this.walked)) {
      this.walked = to;
      // an initialisation ends with moov, a piece with its mdat
      if (type !== "moov" && type !== "mdat") continue;
      parts.push({ isInit: type === "moov", bytes: joined.slice(from, to) });
      from = to;
    }
    this.rest = joined.slice(from);
    this.walked -= from;
    return parts;
  }
}
