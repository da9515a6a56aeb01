import type { InkAct, Mark } from "./ink";

/** Clear is brought back for so long (rule 22). */
export const clearBackMs = 60_000;

export interface DrawnMark {
  readonly id: string;
  readonly authorId: string;
  readonly n: number;
  readonly mark: Mark;
}
interface Kept extends DrawnMark {
  /** standing acts that took it away */
  takenBy: number;
  isUndone: boolean;
}

/** What undo takes back at once: a stroke with its parts, or the marks that one act took away. */
interface Unit {
  readonly does: "draw" | "take" | "clear";
  readonly at: number;
  readonly marks: Kept[];
}
interface Author {
  done: Unit[];
  undone: Unit[];
}

/** What an act did to the picture: one mark more on top, something else, nothing. */
export type Drawn = "on-top" | "changed" | "nothing";

/**
 * The picture that a surface's rows make, in their order (rule 22): the same rows are the same picture, wherever they
 * are laid on. It grows in place.
 */
export class InkPicture {
  private readonly kept = new Map<string, Kept>();
  private readonly units = new Map<string, Unit>();
  private readonly authors = new Map<string, Author>();
  /** the place of the last row that was laid on */
  n = 0;

  /** What stands, lowest first. */
  standing(): readonly DrawnMark[] {
    return [...this.kept.values()].filter((one) => one.takenBy === 0 && !one.isUndone);
  }
  /** Whether this person has something to take back, and to bring back. */
  mayUndo(authorId: string, now: number): { readonly undo: boolean; readonly redo: boolean } {
    const own = this.authors.get(authorId);
    const last = own?.done.at(-1);
    return { undo: last !== undefined && isTakenBack(last, now), redo: (own?.undone.length ?? 0) > 0 };
  }

  take(act: InkAct): Drawn {
    if (act.n <= this.n) return "nothing";
    this.n = act.n;
    const author = this.authors.get(act.authorId) ?? { done: [], undone: [] };
    this.authors.set(act.authorId, author);
    const { body } = act;
    switch (body.do) {
      case "draw":
        return this.draw(act, body.mark, body.continues, author);
      case "erase":
        return this.takeAway(act, "take", body.ids, author);
      case "clear":
        return this.takeAway(act, "clear", [...this.kept.keys()], author);
      case "undo":
        return undo(author, act.at);
      case "redo":
        return redo(author);
    }
  }

  private draw(act: InkAct, mark: Mark, continues: string | null, author: Author): Drawn {
    const one: Kept = { id: act.id, authorId: act.authorId, n: act.n, mark, takenBy: 0, isUndone: false };
    this.kept.set(act.id, one);
    const before = continues === null ? undefined : this.units.get(continues);
    if (before && before === author.done.at(-1)) before.marks.push(one);
    else author.done.push({ does: "draw", at: act.at, marks: [one] });
    this.units.set(act.id, author.done.at(-1)!);
    author.undone = [];
    return "on-top";
  }
  private takeAway(act: InkAct, does: "take" | "clear", ids: readonly string[], author: Author): Drawn {
    const marks = [...new Set(ids)].flatMap((id) => {
      const one = this.kept.get(id);
      return one && one.takenBy === 0 && !one.isUndone ? [one] : [];
    });
    if (marks.length === 0) return "nothing";
    for (const one of marks) one.takenBy += 1;
    author.done.push({ does, at: act.at, marks });
    author.undone = [];
    return "changed";
  }
}

/** A clear stands for good once its minute is over. */
const isTakenBack = (unit: Unit, now: number): boolean => unit.does !== "clear" || now - unit.at <= clearBackMs;

function turn(unit: Unit, stands: boolean): Drawn {
  for (const one of unit.marks) {
    if (unit.does === "draw") one.isUndone = !stands;
    else one.takenBy += stands ? 1 : -1;
  }
  return "changed";
}
function undo(author: Author, now: number): Drawn {
  const last = author.done.at(-1);
  if (!last || !isTakenBack(last, now)) return "nothing";
  author.done.pop();
  author.undone.push(last);
  return turn(last, false);
}
function redo(author: Author): Drawn {
  const last = author.undone.pop();
  if (!last) return "nothing";
  author.done.push(last);
  return turn(last, true);
}

/** The whole picture from its rows. */
export function pictureOf(acts: Iterable<InkAct>): InkPicture {
  const picture = new InkPicture();
  for (const act of acts) picture.take(act);
  return picture;
}
