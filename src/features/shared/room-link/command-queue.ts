import { lineLostAfterMs, type CommandBody } from "@/contracts";
import type { Failure } from "@/core/shared";
import type { QueueStore, Waiting } from "./queue-store";

/** What became of a command. `lost`: the server could not make sense of it, again and again. */
export type Receipt =
  { readonly ok: true } | { readonly ok: false; readonly failure: Failure | { readonly code: "lost" } };

export interface QueuePorts {
  readonly url: string;
  readonly store: QueueStore;
  readonly now: () => number;
  readonly newId: () => string;
  /** a pause before the next try */
  readonly wait: (ms: number) => Promise<void>;
  onRefusal(failure: Failure | { readonly code: "lost" }): void;
  /** how many have no answer yet */
  onWaiting(count: number): void;
  /** nothing is heard of a command: `slow`, it is still awaited; `failed`, it did not get through */
  onSilence(why: "slow" | "failed"): void;
  /** something was heard */
  onAnswer(): void;
  /**
   * Resolves once the room follows, null while it does: what was done while the line was gone is sent when this person is back in their
   * place, not before, or it would be refused for their being away.
   */
  ready(): Promise<void> | null;
}

/** Refusals that only say that things are as wanted. */
const isHarmless = (failure: Failure): boolean => failure.code === "already-done";

/** After so many answers that say nothing a command is given up: it must not stand in the way of those behind it. */
const mostUnreadable = 4;
const firstPauseMs = 500;
const longestPauseMs = 15_000;
const answeredWithinMs = 20_000;

type Answer = "silence" | "unreadable" | { readonly ok: true } | { readonly ok: false; readonly failure: Failure };

/** Commands in order, one at a time, each repeated with the same id until it is answered; they outlive a reload. */
export class CommandQueue {
  private waiting: Waiting[] = [];
  private readonly receipts = new Map<string, (receipt: Receipt) => void>();
  private isSending = false;
  private isStopped = false;

  constructor(private readonly ports: QueuePorts) {
    void ports.store.load().then((kept) => {
      const known = new Set(this.waiting.map((one) => one.commandId));
      this.waiting = [...kept.filter((one) => !known.has(one.commandId)), ...this.waiting];
      this.tell();
      void this.work();
    });
  }

  /** @returns what became of it, once there is an answer */
  push(command: CommandBody, commandId = this.ports.newId()): Promise<Receipt> {
    const one: Waiting = { commandId, command, at: this.ports.now() };
    this.waiting.push(one);
    this.tell();
    void this.ports.store.put(one);
    const receipt = new Promise<Receipt>((done) => this.receipts.set(one.commandId, done));
    void this.work();
    return receipt;
  }

  /** Sends once, without a place in the queue: for signs of life, which the next one repeats anyway. */
  post(command: CommandBody): void {
    const one = { commandId: this.ports.newId(), command, at: this.ports.now() };
    this.request(one).catch(() => {});
  }

  stop(): void {
    this.isStopped = true;
  }

  private tell(): void {
    this.ports.onWaiting(this.waiting.length);
  }
  private request({ commandId, command }: Waiting): Promise<Response> {
    return fetch(this.ports.url, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ commandId, command }),
      // an answer that never comes is asked for again: with the same id nothing is done twice
      signal: AbortSignal.timeout(answeredWithinMs),
    });
  }

  private async work(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    let tries = 0;
    let unreadable = 0;
    while (this.waiting.length > 0 && !this.isStopped) {
      const following = this.ports.ready();
      if (following) await following;
      if (this.isStopped) break;
      const one = this.waiting[0]!;
      const answer = await this.trySend(one);
      if (answer === "unreadable") unreadable += 1;
      if (answer === "silence" || (answer === "unreadable" && unreadable < mostUnreadable)) {
        // full jitter: many who lost the same server do not come back at the same instant
        await this.ports.wait(Math.random() * Math.min(longestPauseMs, firstPauseMs * 2 ** tries++));
        continue;
      }
      this.settle(one, answer === "unreadable" ? { ok: false, failure: { code: "lost" } } : answer);
      tries = 0;
      unreadable = 0;
    }
    this.isSending = false;
  }

  private settle(one: Waiting, receipt: Receipt): void {
    // by its id: what outlived a reload may have been laid before it meanwhile
    this.waiting = this.waiting.filter((other) => other.commandId !== one.commandId);
    void this.ports.store.drop(one.commandId);
    if (!receipt.ok && (receipt.failure.code === "lost" || !isHarmless(receipt.failure as Failure))) {
      this.ports.onRefusal(receipt.failure);
    }
    this.receipts.get(one.commandId)?.(receipt);
    this.receipts.delete(one.commandId);
    this.tell();
  }

  private async trySend(one: Waiting): Promise<Answer> {
    let response: Response;
    const silent = setTimeout(() => this.ports.onSilence("slow"), lineLostAfterMs);
    try {
      response = await this.request(one);
    } catch {
      this.ports.onSilence("failed");
      return "silence";
    } finally {
      clearTimeout(silent);
    }
    this.ports.onAnswer();
    try {
      const body = (await response.json()) as { ok?: boolean; failure?: Failure | { code: "defect" } };
      if (body.ok === true) return { ok: true };
      if (!body.failure || body.failure.code === "defect") return "unreadable";
      if (body.failure.code === "unavailable" || response.status === 503) return "silence";
      return { ok: false, failure: body.failure };
    } catch {
      // a proxy between that has no server behind it is silence; an answer nobody can read is an error
      return response.status === 502 || response.status === 503 || response.status === 504 ? "silence" : "unreadable";
    }
  }
}
