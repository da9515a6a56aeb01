import {
  answersPolls,
  inventedLines,
  inventedQuestions,
  inventedWords,
  inventHouse,
  makeChance,
  type CrowdPlan,
} from "../core/crowd";
import { SimulatedGuest, type CrowdMember } from "./crowd";
import { answerPoll, oneAct } from "./crowd-acts";

const texts = { questions: inventedQuestions, lines: inventedLines, words: inventedWords };
const tickMs = 250;
/** Those who answer a poll do so within this time. */
const answersWithinMs = 25_000;

interface Step {
  readonly at: number;
  /** something said or asked: too late is never, where comings and goings are caught up with */
  readonly isAct?: boolean;
  run(): Promise<void> | void;
}

/** One invented house: steps in the order of their time, over the product's own addresses. */
class Playing {
  private readonly steps: Step[] = [];
  private readonly here = new Set<SimulatedGuest>();
  private readonly asked = new Set<string>();
  private readonly chance;
  private readonly timer;
  /** the one whose screen is read: what all of them see */
  private readonly eye: SimulatedGuest;

  constructor(
    origin: string,
    private readonly plan: CrowdPlan,
    members: readonly CrowdMember[],
    private readonly now: () => number,
  ) {
    this.chance = makeChance(plan.seed + 1);
    const guests = members.map((member, i) => new SimulatedGuest(origin, member, i === 0));
    this.eye = guests[0]!;
    inventHouse({ ...plan, size: members.length }).forEach((one, i) => {
      const guest = guests[i]!;
      const come = () => this.come(guest);
      const leave = () => this.leave(guest);
      // the eye stays: without it nobody sees a poll
      this.steps.push({ at: i === 0 ? 0 : one.comesAt, run: come });
      if (i > 0) {
        this.steps.push({ at: one.leavesAt, run: leave });
        for (const { from, to } of one.lost) this.steps.push({ at: from, run: leave }, { at: to, run: come });
      }
      for (const { at, act } of one.acts)
        this.steps.push({
          at,
          isAct: true,
          run: () => (this.here.has(guest) ? oneAct(guest, this.eye.view, act, this.chance, texts) : undefined),
        });
    });
    this.steps.sort((a, b) => a.at - b.at);
    // whoever would have come before it was begun comes now, with what they would have done left out
    const begun = now();
    while (this.steps[0] && this.steps[0].at < begun) {
      const step = this.steps.shift()!;
      if (!step.isAct) void this.settle(step);
    }
    this.timer = setInterval(() => this.tick(), tickMs);
    this.timer.unref();
  }

  private async come(guest: SimulatedGuest): Promise<void> {
    if (this.here.has(guest)) return;
    this.here.add(guest);
    await guest.come().catch(() => this.here.delete(guest));
  }
  private leave(guest: SimulatedGuest): void {
    if (this.here.delete(guest)) guest.leave();
  }
  private async settle(step: Step): Promise<void> {
    // refused or lost: people press again or do not, and so do these
    await Promise.resolve(step.run()).catch(() => {});
  }
  private later(at: number, run: Step["run"]): void {
    const place = this.steps.findIndex((step) => step.at > at);
    this.steps.splice(place < 0 ? this.steps.length : place, 0, { at, run });
  }

  private tick(): void {
    const now = this.now();
    for (const [id, poll] of Object.entries(this.eye.view["polls"] ?? {})) {
      if (poll["state"] !== "open" || this.asked.has(id)) continue;
      this.asked.add(id);
      for (const guest of this.here)
        if (this.chance.next() < answersPolls[this.plan.temper])
          this.later(now + 1000 + this.chance.next() * answersWithinMs, async () => {
            if (this.here.has(guest)) await answerPoll(guest, this.eye.view, this.chance, texts);
          });
    }
    while (this.steps[0] && this.steps[0].at <= now) void this.settle(this.steps.shift()!);
  }

  stop(): void {
    clearInterval(this.timer);
    for (const guest of this.here) guest.leave();
    this.here.clear();
  }
}

/** Invented houses of this process, over HTTP like everybody else's. */
export function crowdPlayer(origin: string, now: () => number) {
  const playing = new Map<string, Playing>();
  const stop = (occurrenceId: string) => {
    playing.get(occurrenceId)?.stop();
    playing.delete(occurrenceId);
  };
  return {
    play(occurrenceId: string, plan: CrowdPlan, members: readonly CrowdMember[]): void {
      stop(occurrenceId);
      playing.set(occurrenceId, new Playing(origin, plan, members, now));
    },
    stop,
    close: () => [...playing.keys()].forEach(stop),
  };
}
