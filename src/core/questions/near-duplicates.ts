import { trigramsOf } from "./similarity";

/** From here on two questions are offered for being asked together (rule 12). */
export const nearFrom = 0.45;

export interface Near {
  readonly id: string;
  /** in single precision, as the database computes it */
  readonly likeness: number;
}

/**
 * Which of the questions so far are nearly the same, found by an index of their trigrams: one more question costs what
 * it has in common with others, not what there is. Each is compared with those that were added before it.
 */
export class NearDuplicates {
  private readonly withTrigram = new Map<string, number[]>();
  private readonly known: { readonly id: string; readonly size: number }[] = [];
  private readonly near = new Map<string, readonly Near[]>();

  has(id: string): boolean {
    return this.near.has(id);
  }

  add(id: string, text: string): void {
    if (this.near.has(id)) return;
    const own = trigramsOf(text);
    const common = new Map<number, number>();
    for (const one of own) {
      const list = this.withTrigram.get(one) ?? [];
      for (const i of list) common.set(i, (common.get(i) ?? 0) + 1);
      list.push(this.known.length);
      this.withTrigram.set(one, list);
    }
    const found = [...common].flatMap(([i, shared]): Near[] => {
      const other = this.known[i]!;
      const likeness = Math.fround(shared / (own.size + other.size - shared));
      return likeness >= Math.fround(nearFrom) ? [{ id: other.id, likeness }] : [];
    });
    this.near.set(
      id,
      found.sort((a, b) => b.likeness - a.likeness || (a.id < b.id ? -1 : 1)),
    );
    this.known.push({ id, size: own.size });
  }

  /** The most alike first. */
  of(id: string): readonly Near[] {
    return this.near.get(id) ?? [];
  }
}
