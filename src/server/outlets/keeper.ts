import { lookup } from "node:dns/promises";
import { outletAddress, outletArguments, outletEveryMs, outletSecrets, type OutletAddress } from "@/core/programme";
import { isLoopback } from "@/core/shared";
import { isPublicAddress } from "../platform/outward";
import type { Context } from "../services/ground/context";
import { holdOutlets, noteOutlet, releaseOutlets, type HeldOutlet } from "../services/hour/outlets";
import { runSender } from "./sender";

interface Running {
  readonly occurrenceId: string;
  stop(): void;
}

/**
 * Sends programmes to other places, for the dates that are on: one process at a time each. It reads the programme's
 * own playlist as any viewer does, so that it runs wherever waiting work runs, and a composer that changes is the
 * playlist's matter.
 */
export class OutletKeeper {
  private readonly running = new Map<string, Running>();
  private readonly holderId: string;
  private timer: ReturnType<typeof setInterval> | null = null;
  private isBusy = false;

  constructor(
    private readonly context: Context,
    private readonly command = "ffmpeg",
  ) {
    this.holderId = context.ids.id();
  }

  start(): void {
    this.timer = setInterval(() => {
      this.tick().catch((error: unknown) => this.context.log.warn("outlets wait", { error: String(error) }));
    }, outletEveryMs);
  }

  /** Looks once at what is to be sent where. */
  async tick(): Promise<void> {
    if (this.isBusy) return;
    this.isBusy = true;
    try {
      const held = await holdOutlets(this.context, this.holderId);
      const wanted = new Map(held.map((one) => [one.id, one]));
      for (const [id, one] of this.running)
        if (wanted.get(id)?.occurrenceId !== one.occurrenceId) {
          one.stop();
          this.running.delete(id);
          await noteOutlet(this.context, id, "waits", 0);
        }
      for (const one of held) if (one.isDue && !this.running.has(one.id)) await this.begin(one);
    } finally {
      this.isBusy = false;
    }
  }

  private async begin(outlet: HeldOutlet): Promise<void> {
    const { context } = this;
    const playlist = `${context.environment.STAGE_CALL_URL}/live/${outlet.occurrenceId}/programme.m3u8?pass=${context.secrets.programmePass(outlet.occurrenceId, context.clock.now())}`;
    if (!(await hasPieces(playlist))) return;
    const address = outletAddress(outlet.address);
    const key = context.secrets.unseal(outlet.keySealed);
    const ip = address && (await this.reachable(address));
    if (!address || !ip || key === null) return noteOutlet(context, outlet.id, "refused", outlet.failures + 1);
    await noteOutlet(context, outlet.id, "begins", outlet.failures);
    this.run(outlet, outletArguments(playlist, address, ip), outletSecrets(key));
  }

  private run(outlet: HeldOutlet, args: readonly string[], secrets: string): void {
    const { id, occurrenceId } = outlet;
    let { failures } = outlet;
    // one after another: a program that begins and ends in one moment has ended
    let noted: Promise<unknown> = Promise.resolve();
    const note = (state: Parameters<typeof noteOutlet>[2]) => {
      const now = failures;
      noted = noted
        .then(() => noteOutlet(this.context, id, state, now))
        .catch((error: unknown) => this.context.log.warn("an outlet's state was not kept", { error: String(error) }));
    };
    const stop = runSender({
      command: this.command,
      args,
      secrets,
      sends: () => {
        failures = 0;
        note("sends");
      },
      ended: (why) => {
        if (this.running.get(id)?.stop === stop) this.running.delete(id);
        if (why === null) return;
        failures += 1;
        // what the program says may hold the address with its key: only that it ended is told
        this.context.log.warn("sending to another place ended", { outlet: id, failures });
        note(typeof why === "object" ? "unable" : "refused");
      },
    });
    this.running.set(id, { occurrenceId, stop });
  }

  /** The address behind a name, where it is one of the open network; demos and tests reach this machine too. */
  private async reachable({ host }: OutletAddress): Promise<string | null> {
    const isHere = isLoopback(new URL(this.context.environment.STAGE_CALL_URL).hostname);
    try {
      const { address } = await lookup(host);
      return isPublicAddress(address) || (isHere && isLoopback(address)) ? address : null;
    } catch {
      return null;
    }
  }

  async close(): Promise<void> {
    if (this.timer) clearInterval(this.timer);
    for (const one of this.running.values()) one.stop();
    this.running.clear();
    await releaseOutlets(this.context, this.holderId);
  }
}

/** Whether there is anything to send: a programme that is on the air has pieces in its list (RFC 8216 §4.3.2.1). */
async function hasPieces(playlist: string): Promise<boolean> {
  try {
    const answer = await fetch(playlist, { signal: AbortSignal.timeout(5000) });
    return answer.ok && (await answer.text()).includes("#EXTINF");
  } catch {
    return false;
  }
}
