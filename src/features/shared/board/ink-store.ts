import type { InkRow } from "@/contracts";
import { InkPicture, isSameSurface, type InkAct, type DrawnMark, type Surface } from "@/core/room";

/** What changed on a surface: some marks on top of what is drawn, or everything. */
export type InkChange = readonly DrawnMark[] | "all";

/**
 * One surface as a screen has it: read whole once, then grown by the rows of the feeds in their order. Rows that do not
 * follow say that the surface is to be read again.
 */
export class InkStore {
  private picture: InkPicture | null = null;
  private readonly listeners = new Set<(change: InkChange) => void>();
  private early: InkRow[] = [];
  /** grows with every change */
  version = 0;

  constructor(readonly surface: Surface) {}

  get isRead(): boolean {
    return this.picture !== null;
  }
  standing = (): readonly DrawnMark[] => this.picture?.standing() ?? [];
  mayUndo = (authorId: string, now: number) => this.picture?.mayUndo(authorId, now) ?? { undo: false, redo: false };

  listen(listener: (change: InkChange) => void): () => void {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  }
  private tell(change: InkChange): void {
    this.version += 1;
    for (const listener of this.listeners) listener(change);
  }

  /** The surface as it was read; what came before it did is laid on. */
  read(acts: readonly InkAct[]): void {
    const picture = new InkPicture();
    for (const act of acts) picture.take(act);
    this.picture = picture;
    const early = this.early;
    this.early = [];
    this.tell("all");
    this.take(early);
  }

  /** Rows of the feeds. @returns whether something is missing between what is here and them */
  take(rows: readonly InkRow[]): boolean {
    const own = rows.filter((row) => isSameSurface(row.surface, this.surface));
    if (!this.picture) {
      // the feeds tell all that they hold each time: what came last holds what came before
      this.early = own;
      return false;
    }
    const before = this.picture.n;
    const next = own.filter((row) => row.n > before).sort((a, b) => a.n - b.n);
    if (next.length === 0) return false;
    if (next[0]!.n !== before + 1) return true;
    const onTop = new Set<string>();
    let isAll = false;
    for (const row of next) {
      const drawn = this.picture.take(row);
      if (drawn === "changed") isAll = true;
      else if (drawn === "on-top") onTop.add(row.id);
    }
    if (isAll) this.tell("all");
    else this.tell(this.picture.standing().filter((one) => onTop.has(one.id)));
    return false;
  }
}
