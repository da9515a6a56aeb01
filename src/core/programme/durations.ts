import { boxesAt, viewOf, type Box } from "./boxes";

const flagsAt = (view: DataView, at: number): number => view.getUint32(at) & 0xffffff;

/** Units a second of each track, by its number: from `tkhd` (§8.3.2) and `mdhd` (§8.4.2) of what reads the pieces. */
export function timescalesOf(init: Uint8Array): ReadonlyMap<number, number> {
  const view = viewOf(init);
  const scales = new Map<number, number>();
  for (const track of boxesAt(view, ["moov", "trak"])) {
    const [head] = boxesAt(view, ["tkhd"], track);
    const [media] = boxesAt(view, ["mdia", "mdhd"], track);
    if (!head || !media) continue;
    // version 1 writes both instants before it with 64 bits
    const at = ({ from }: Box) => from + (view.getUint8(from) === 1 ? 20 : 12);
    scales.set(view.getUint32(at(head)), view.getUint32(at(media)));
  }
  return scales;
}

/** Units of one run of samples: its own durations where it has them (`trun`, §8.8.8), else the fragment's (`tfhd`). */
function unitsOf(view: DataView, at: number, defaultUnits: number): number {
  const flags = flagsAt(view, at);
  const count = view.getUint32(at + 4);
  if (!(flags & 0x100)) return count * defaultUnits;
  const fields = [0x100, 0x200, 0x400, 0x800].filter((flag) => flags & flag).length;
  const first = at + 8 + (flags & 0x1 ? 4 : 0) + (flags & 0x4 ? 4 : 0);
  let units = 0;
  for (let i = 0; i < count; i += 1) units += view.getUint32(first + i * fields * 4);
  return units;
}

/** Nobody posts more at once; bytes that say otherwise are wrong. */
export const longestPieceMs = 15_000;

/** How long a piece is by its longest track, in milliseconds; null where its bytes do not say so. */
export function durationMsOf(piece: Uint8Array, timescales: ReadonlyMap<number, number>): number | null {
  const view = viewOf(piece);
  const seconds = new Map<number, number>();
  try {
    for (const part of boxesAt(view, ["moof", "traf"])) {
      const [head] = boxesAt(view, ["tfhd"], part);
      if (!head) return null;
      const flags = flagsAt(view, head.from);
      const track = view.getUint32(head.from + 4);
      const scale = timescales.get(track);
      if (!scale) return null;
      const skipped = (flags & 0x1 ? 8 : 0) + (flags & 0x2 ? 4 : 0);
      const defaultUnits = flags & 0x8 ? view.getUint32(head.from + 8 + skipped) : 0;
      let units = 0;
      for (const run of boxesAt(view, ["trun"], part)) units += unitsOf(view, run.from, defaultUnits);
      seconds.set(track, (seconds.get(track) ?? 0) + units / scale);
    }
  } catch (error) {
    // bytes that end before what they announce
    if (error instanceof RangeError) return null;
    throw error;
  }
  const ms = Math.round(Math.max(0, ...seconds.values()) * 1000);
  return ms > 0 && ms <= longestPieceMs ? ms : null;
}
