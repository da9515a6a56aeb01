import { piecesKept, type Piece } from "@/core/programme";
import { framedBytes, lastChunk, type Wire } from "../platform/wire";

/** Beyond so much unread a viewer is given up: it comes back and begins with the newest piece. */
const mostUnreadBytes = 4_000_000;

interface Kept {
  readonly piece: Piece;
  readonly bytes: Uint8Array;
}

/** One feed of a room in this process: the last pieces under their addresses, and whoever gets each as it comes. */
export class ProgrammeFeed {
  holderId: string | null = null;
  lastAt = 0;
  /** the highest number that came, also of what was forgotten; null: nothing yet */
  newest: number | null = null;
  private readonly inits = new Map<number, Uint8Array>();
  private kept: Kept[] = [];
  private readonly viewers = new Map<Wire, { initNumber: number | null }>();
  /** changes of what reads the pieces, before the first of those that are kept */
  private discontinuities = 0;

  get viewerCount(): number {
    return this.viewers.size;
  }
  get pieces(): readonly Piece[] {
    return this.kept.map(({ piece }) => piece);
  }
  window() {
    return { pieces: this.pieces, discontinuities: this.discontinuities };
  }
  init(number: number): Uint8Array | null {
    return this.inits.get(number) ?? null;
  }
  piece(number: number): Kept | null {
    return this.kept.find(({ piece }) => piece.number === number) ?? null;
  }

  takeInit(number: number, bytes: Uint8Array, holderId: string): void {
    this.holderId = holderId;
    this.inits.set(number, bytes);
  }
  /** One piece more: kept, and written to everybody in the same bytes. */
  take(piece: Piece, bytes: Uint8Array, holderId: string): void {
    // told twice, or overtaken by a newer one
    if (piece.number <= (this.newest ?? 0) || !this.inits.has(piece.initNumber)) return;
    this.holderId = holderId;
    this.lastAt = piece.at;
    this.newest = piece.number;
    this.kept.push({ piece, bytes });
    while (this.kept.length > piecesKept) this.shift();
    const framed = framedBytes(bytes);
    for (const [wire, viewer] of this.viewers) this.send(wire, viewer, piece.initNumber, framed);
  }
  private shift(): void {
    const gone = this.kept.shift()!;
    const next = this.kept[0]!.piece.initNumber;
    if (gone.piece.initNumber === next) return;
    this.discontinuities += 1;
    this.inits.delete(gone.piece.initNumber);
  }
  private send(wire: Wire, viewer: { initNumber: number | null }, initNumber: number, framed: Uint8Array): void {
    if (wire.writableLength > mostUnreadBytes) return this.leave(wire, true);
    if (viewer.initNumber !== initNumber) wire.write(framedBytes(this.inits.get(initNumber)!));
    viewer.initNumber = initNumber;
    wire.write(framed);
  }

  /** Somebody watches from now on: from the newest piece, which begins with a key frame. */
  watch(wire: Wire): () => void {
    const viewer = { initNumber: null };
    this.viewers.set(wire, viewer);
    const last = this.kept.at(-1);
    if (last) this.send(wire, viewer, last.piece.initNumber, framedBytes(last.bytes));
    return () => this.leave(wire, false);
  }
  private leave(wire: Wire, isLate: boolean): void {
    if (this.viewers.delete(wire) && isLate) wire.end(lastChunk);
  }

  /** The curtain fell: what showed the stage is under no address any more. */
  forgetStage(): void {
    this.kept = this.kept.filter(({ piece }) => piece.isHolding);
  }
  end(): void {
    for (const wire of [...this.viewers.keys()]) this.leave(wire, true);
  }
}
