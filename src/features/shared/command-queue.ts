import type { CommandBody } from "@/contracts";
import type { Failure } from "@/core/shared";

interface Waiting {
  readonly commandId: string;
  readonly command: CommandBody;
}

/** Refusals that only say that things are as wanted. */
const isHarmless = (failure: Failure): boolean => failure.code === "already-done";

/** Commands in order, one at a time, each repeated with the same id until it is answered. */
export class CommandQueue {
  private readonly waiting: Waiting[] = [];
  private isSending = false;
  private isStopped = false;

  constructor(
    private readonly url: string,
    private readonly onRefusal: (failure: Failure | null) => void,
  ) {}

  push(command: CommandBody): void {
    this.waiting.push({ commandId: crypto.randomUUID(), command });
    void this.work();
  }

  /** Sends once, without a place in the queue: for signs of life, which the next one repeats anyway. */
  post(command: CommandBody): void {
    this.request({ commandId: crypto.randomUUID(), command }).catch(() => {});
  }

  stop(): void {
    this.isStopped = true;
  }

  private request(body: Waiting): Promise<Response> {
    return fetch(this.url, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
  }

  private async work(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    while (this.waiting.length > 0 && !this.isStopped) {
      if (await this.trySend(this.waiting[0]!)) this.waiting.shift();
      else await new Promise((done) => setTimeout(done, 800));
    }
    this.isSending = false;
  }

  /** Whether the command was answered; without an answer it is sent again. */
  private async trySend(one: Waiting): Promise<boolean> {
    try {
      const response = await this.request(one);
      const body = (await response.json()) as { ok: boolean; failure?: Failure };
      if (body.failure?.code === "unavailable") return false;
      if (!body.ok && body.failure && !isHarmless(body.failure)) this.onRefusal(body.failure);
      return true;
    } catch {
      return false;
    }
  }
}
