/** A box of ISO/IEC 14496-12 §4.2: its type, where its content begins, and where it ends. */
export interface Box {
  readonly type: string;
  readonly from: number;
  readonly to: number;
}

export const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

/** Boxes in a stretch of bytes, one after the other, up to the first whose size does not fit. */
export function* boxesIn(view: DataView, from = 0, end = view.byteLength): Generator<Box> {
  for (let at = from; at + 8 <= end;) {
    const type = String.fromCharCode(...[4, 5, 6, 7].map((i) => view.getUint8(at + i)));
    let [size, head] = [view.getUint32(at), 8];
    // 1: a size of 64 bits follows; 0: up to the end
    if (size === 1) [size, head] = [at + 16 <= end ? Number(view.getBigUint64(at + 8)) : 0, 16];
    else if (size === 0) size = end - at;
    if (size < head || at + size > end) return;
    yield { type, from: at + head, to: at + size };
    at += size;
  }
}

/** Boxes at a path of types, each inside the one before. */
export function* boxesAt(view: DataView, path: readonly string[], within?: Pick<Box, "from" | "to">): Generator<Box> {
  for (const box of boxesIn(view, within?.from, within?.to)) {
    if (box.type !== path[0]) continue;
    if (path.length === 1) yield box;
    else yield* boxesAt(view, path.slice(1), box);
  }
}
