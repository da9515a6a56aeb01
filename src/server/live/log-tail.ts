import type { LogRow } from "@/contracts";
import { messageText } from "./frame";

/**
 * The end of one log feed in this process: the last rows by their latest change, and how far the feed has
 * come. Rows are laid on strictly in the order of the feed's counter, so that nobody misses one that another
 * process wrote between two of ours.
 */
export class LogTail {
  /** in the order of their changes, each row once */
  private rows: LogRow[];
  private fresh: LogRow[] = [];
  /** rows are known to be missing: the table is to be read after `head` */
  isBehind = false;
  /** the last window as one message, until a row comes: a full house asks for it at once */
  private whole: string | null = null;
  fallBehind(): void {
    this.isBehind = true;
  }

  constructor(
    readonly topic: string,
    private readonly window: number,
    rows: readonly LogRow[],
    public head: number,
  ) {
    this.rows = [...rows];
  }

  /** Lays a row on; one that does not follow the last leaves the feed behind. */
  take(row: LogRow): void {
    if (row.rev <= this.head) return;
    if (row.rev !== this.head + 1) {
      this.isBehind = true;
      return;
    }
    this.push(row);
  }
  /** Rows read from the table after `head`, in order: gaps are rows that changed again later. */
  catchUp(rows: readonly LogRow[]): void {
    for (const row of rows) if (row.rev > this.head) this.push(row);
    this.isBehind = false;
  }
  private push(row: LogRow): void {
    this.head = row.rev;
    this.whole = null;
    const at = this.rows.findIndex((one) => one.id === row.id);
    if (at >= 0) this.rows.splice(at, 1);
    this.rows.push(row);
    this.fresh.push(row);
    if (this.rows.length > this.window * 4) this.rows.splice(0, this.rows.length - this.window * 2);
  }

  /** What came since the last call, as one message; empty where nothing did. */
  advance(): string {
    const { topic, head, fresh } = this;
    if (fresh.length === 0) return "";
    this.fresh = [];
    return messageText("lines", { topic, head, rows: fresh });
  }

  /** For somebody who comes: what changed since they looked, where memory reaches back; else the last window. */
  welcome(seenRev: number | undefined): string {
    const { topic, head } = this;
    const oldest = this.rows[0]?.rev ?? head + 1;
    const isReached = seenRev !== undefined && (seenRev >= oldest - 1 || seenRev === head);
    if (isReached) return messageText("lines", { topic, head, rows: this.rows.filter((row) => row.rev > seenRev) });
    const rows = () =>
      [...this.rows]
        .filter((row) => row.row !== null)
        .sort((a, b) => a.seq - b.seq)
        .slice(-this.window);
    this.whole ??= messageText("lines", { topic, head, rows: rows() });
    return this.whole;
  }
}
