/** Beyond so many changes on top a book gets a new ground: copying stays cheap however large it is. */
const mostOnTop = 64;

/**
 * A map by id that never changes: `with` gives the next one. Copying costs a few dozen entries however
 * many there are, so that a fold of many thousand rows stays linear; two books with the same ground are
 * compared by what lies on top alone.
 */
export class Book<T> implements Iterable<readonly [string, T]> {
  private constructor(
    private readonly ground: ReadonlyMap<string, T>,
    private readonly top: ReadonlyMap<string, T | undefined>,
    readonly size: number,
  ) {}

  static empty<T>(): Book<T> {
    return new Book<T>(new Map(), new Map(), 0);
  }
  static from<T>(entries: Iterable<readonly [string, T]>): Book<T> {
    const ground = new Map(entries);
    return new Book(ground, new Map(), ground.size);
  }

  get(id: string): T | undefined {
    return this.top.has(id) ? this.top.get(id) : this.ground.get(id);
  }
  has(id: string): boolean {
    return this.get(id) !== undefined;
  }

  private put(id: string, value: T | undefined): Book<T> {
    const top = new Map(this.top);
    // an id that was taken out and comes again comes last
    if (!this.has(id)) top.delete(id);
    top.set(id, value);
    const size = this.size + (value === undefined ? 0 : 1) - (this.has(id) ? 1 : 0);
    const next = new Book(this.ground, top, size);
    return top.size > Math.max(mostOnTop, this.ground.size / 32) ? next.grounded() : next;
  }
  private grounded(): Book<T> {
    const ground = new Map<string, T>();
    this.forEach((value, id) => ground.set(id, value));
    return new Book(ground, new Map(), ground.size);
  }
  /** The book with this value under this id; new ids come last, also those that were there before and went. */
  with(id: string, value: T): Book<T> {
    if (Object.is(this.get(id), value)) return this;
    // its old place in the ground must not come back: a book read back from its checkpoint would not know of it
    const isBackAgain = !this.has(id) && this.top.has(id) && this.ground.has(id);
    return isBackAgain ? this.grounded().put(id, value) : this.put(id, value);
  }
  without(id: string): Book<T> {
    return this.has(id) ? this.put(id, undefined) : this;
  }

  *[Symbol.iterator](): Iterator<readonly [string, T]> {
    for (const [id, value] of this.ground) {
      const now = this.top.has(id) ? this.top.get(id) : value;
      if (now !== undefined) yield [id, now];
    }
    for (const [id, value] of this.top) if (value !== undefined && !this.ground.has(id)) yield [id, value];
  }

  /** The same walk without an iterator's cost: for views, which walk thousands of entries a tick. */
  forEach(visit: (value: T, id: string) => void): void {
    const { top } = this;
    this.ground.forEach((value, id) => {
      const now = top.size > 0 && top.has(id) ? top.get(id) : value;
      if (now !== undefined) visit(now, id);
    });
    top.forEach((value, id) => {
      if (value !== undefined && !this.ground.has(id)) visit(value, id);
    });
  }

  /** Books that came of one another have the same, until one of them gets a new ground. */
  get lineage(): object {
    return this.ground;
  }
  /** What differs between two books: id, value before, value after. */
  static changes<T>(before: Book<T>, after: Book<T>): readonly (readonly [string, T | undefined, T | undefined])[] {
    if (before === after) return [];
    const found: [string, T | undefined, T | undefined][] = [];
    if (before.ground === after.ground) {
      for (const id of new Set([...before.top.keys(), ...after.top.keys()])) {
        const [was, is] = [before.get(id), after.get(id)];
        if (!Object.is(was, is)) found.push([id, was, is]);
      }
      return found;
    }
    after.forEach((is, id) => {
      const was = before.get(id);
      if (!Object.is(was, is)) found.push([id, was, is]);
    });
    before.forEach((was, id) => {
      if (!after.has(id)) found.push([id, was, undefined]);
    });
    return found;
  }

  /** For a checkpoint: see `revive`. */
  toJSON(): { readonly $book: readonly (readonly [string, T])[] } {
    return { $book: [...this] };
  }
  /** For `JSON.parse`: makes books of what `toJSON` wrote. */
  static revive(_key: string, value: unknown): unknown {
    const entries = (value as { $book?: [string, unknown][] } | null)?.$book;
    return Array.isArray(entries) ? Book.from(entries) : value;
  }
}
