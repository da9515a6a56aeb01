import { changesBetween, plainView, type MadeView } from "@/core/room";
import { messageText } from "./frame";

const mostKept = 200;

/**
 * One view topic of one room in this process: its present picture, and the last changes for streams that
 * broke off. Its counter is its own, under an epoch that no other feed has: what was seen of a feed of
 * another process or another life is no position in this one.
 */
export class Feed {
  private n = 0;
  private kept: { readonly n: number; readonly text: string }[] = [];
  private snapshot: string | null = null;

  constructor(
    readonly topic: string,
    private readonly epoch: string,
    private view: MadeView,
    private sources: readonly unknown[],
  ) {}

  /** Whether these sources made the present view: then it need not be made again. */
  isMadeFrom(sources: readonly unknown[]): boolean {
    return sources.every((source, i) => Object.is(source, this.sources[i]));
  }

  /** The message that brings followers up to this view; empty where nothing changed. */
  advance(view: MadeView, sources: readonly unknown[]): string {
    const changes = changesBetween(this.view, view);
    this.view = view;
    this.sources = sources;
    if (changes.length === 0) return "";
    this.n += 1;
    this.snapshot = null;
    const text = messageText("change", { topic: this.topic, n: this.n, changes });
    this.kept.push({ n: this.n, text });
    if (this.kept.length > mostKept) this.kept.shift();
    return text;
  }

  /** For somebody who comes: what they missed, or the whole where they know no part of this feed. */
  welcome(seen: { readonly epoch: string; readonly n: number } | undefined): string {
    const first = this.kept[0]?.n ?? this.n + 1;
    if (seen && seen.epoch === this.epoch && seen.n >= first - 1 && seen.n <= this.n) {
      return this.kept
        .filter((one) => one.n > seen.n)
        .map((one) => one.text)
        .join("");
    }
    const { topic, epoch, n, view } = this;
    this.snapshot ??= messageText("snapshot", { topic, epoch, n, view: plainView(view) });
    return this.snapshot;
  }
}
