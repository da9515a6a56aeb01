import type { Db } from "../db/client";
import { notifyAside, notifyFacts, notifyWhispers } from "../db/notify";
import { inParts, type Aside } from "./asides";
import { inNotices, Whispers, type Said } from "./whispers";

/** What this process has to tell the others of its dates, once a tick: that facts came, and what was said in passing. */
export class Relay {
  private readonly logs = new Map<string, Set<string>>();
  private readonly whispers = new Map<string, Whispers>();
  private asides: (readonly [occurrenceId: string, id: string, aside: Aside])[] = [];

  /** Ballots, votes or presence changed; these log feeds grew. */
  facts(occurrenceId: string, topics: readonly string[]): void {
    const told = this.logs.get(occurrenceId) ?? new Set();
    for (const topic of topics) told.add(topic);
    this.logs.set(occurrenceId, told);
  }
  whisper(occurrenceId: string, said: Said): void {
    const whispers = this.whispers.get(occurrenceId) ?? new Whispers();
    this.whispers.set(occurrenceId, whispers);
    whispers.take(said);
  }
  aside(occurrenceId: string, id: string, aside: Aside): void {
    this.asides.push([occurrenceId, id, aside]);
  }
  /** @param by this process, which has it all in memory already */
  async tell(db: Db, by: string): Promise<void> {
    const [facts, whispers] = [[...this.logs], [...this.whispers]];
    const asides = this.asides;
    this.asides = [];
    this.logs.clear();
    this.whispers.clear();
    for (const [occurrenceId, id, aside] of asides)
      for (const part of inParts(id, aside)) await notifyAside(db, occurrenceId, part, by);
    for (const [occurrenceId, topics] of facts) await notifyFacts(db, occurrenceId, [...topics], by);
    for (const [occurrenceId, said] of whispers) {
      for (const part of inNotices(said.drainAll())) await notifyWhispers(db, occurrenceId, part, by);
    }
  }
}
