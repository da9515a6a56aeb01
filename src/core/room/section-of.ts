import { Book } from "../shared";

interface Made<V, W, Of, T> {
  readonly book: Book<V>;
  readonly words: ReadonlyMap<string, W>;
  readonly of: Of;
  readonly section: Book<T>;
}

function* wordsThatDiffer<W>(before: ReadonlyMap<string, W>, after: ReadonlyMap<string, W>): Iterable<string> {
  if (before === after) return;
  for (const [id, word] of after) if (before.get(id) !== word) yield id;
  for (const id of before.keys()) if (!after.has(id)) yield id;
}

const isSame = (a: readonly unknown[], b: readonly unknown[]): boolean => a.every((one, i) => Object.is(one, b[i]));

/**
 * A view's section over a book that may hold thousands. Asked for a later state of the same book it puts in what
 * differs and leaves the rest as it is: a tick costs what changed, not what there is.
 * @param make an item from its value and its word, and from whatever else the section is made of; null leaves it out
 */
export function sectionOf<V extends object, W, Of extends readonly unknown[], T>(
  make: (value: V, word: W | undefined, ...of: Of) => T | null,
): (book: Book<V>, words: ReadonlyMap<string, W>, ...of: Of) => Book<T> {
  const last = new WeakMap<object, Made<V, W, Of, T>>();

  function whole(book: Book<V>, words: ReadonlyMap<string, W>, of: Of): Book<T> {
    const items: [string, T][] = [];
    book.forEach((value, id) => {
      const item = make(value, words.get(id), ...of);
      if (item !== null) items.push([id, item]);
    });
    return Book.from(items);
  }
  function step(known: Made<V, W, Of, T>, book: Book<V>, words: ReadonlyMap<string, W>, of: Of): Book<T> {
    const ids = new Set(wordsThatDiffer(known.words, words));
    for (const [id] of Book.changes(known.book, book)) ids.add(id);
    let section = known.section;
    for (const id of ids) {
      const value = book.get(id);
      const item = value === undefined ? null : make(value, words.get(id), ...of);
      section = item === null ? section.without(id) : section.with(id, item);
    }
    return section;
  }
  return (book, words, ...of) => {
    const known = last.get(book.lineage);
    const section = known && isSame(known.of, of) ? step(known, book, words, of) : whole(book, words, of);
    last.set(book.lineage, { book, words, of, section });
    return section;
  };
}
