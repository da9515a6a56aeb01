import { spawn } from "node:child_process";
import { Agent, request } from "node:http";
import { SimulatedGuest, type CrowdMember } from "../src/stand-ins/crowd";
import { freePort } from "../scripts/lib/run.mjs";
import { cpuOf, spread, type Spread } from "./figures";

export const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** What something took, in milliseconds: by the clock, and of the server's processor time. */
export interface Spent {
  readonly tookMs: number;
  readonly cpu: number;
}
export type Acts = Spread & { readonly cpu: number; readonly n: number };

/** A house comes, two hundred at once. */
export async function comeAll(guests: readonly SimulatedGuest[]): Promise<void> {
  for (let i = 0; i < guests.length; i += 200) await Promise.all(guests.slice(i, i + 200).map((guest) => guest.come()));
}

export interface HouseSet {
  readonly pid: number;
  readonly origin: string;
  readonly members: readonly CrowdMember[];
  /** whether a message is the one that an act brings to all */
  readonly isActs: (event: string, data: string) => boolean;
}

/** Thousands of guests at one server, and what comes to them. */
export class House {
  readonly guests: readonly SimulatedGuest[];
  /** letters of the act's message, and of what somebody begins with */
  bytes = 0;
  firstBytes = 0;
  private times: number[] = [];
  private sentAt = 0;
  private actsCpu = 0;

  constructor(private readonly set: HouseSet) {
    this.guests = set.members.map((member) => new SimulatedGuest(set.origin, member, false));
    for (const [i, guest] of this.guests.entries()) {
      guest.onMessage = (event, data) => {
        if (event === "snapshot" && i === 0) this.firstBytes += data.length;
        if (!set.isActs(event, data)) return;
        this.bytes = data.length;
        this.times.push(performance.now() - this.sentAt);
      };
    }
  }
  private async measured(run: () => Promise<unknown>): Promise<Spent> {
    const [at, cpu] = [performance.now(), cpuOf(this.set.pid)];
    await run();
    return { tookMs: performance.now() - at, cpu: cpuOf(this.set.pid) - cpu };
  }
  come = (): Promise<Spent> => this.measured(() => comeAll(this.guests));
  /** Every line breaks at once, and everybody comes again. */
  async comeAgain(): Promise<Spent> {
    this.leave();
    await pause(3000);
    return this.come();
  }
  /** One act, and the time in which all of its house gets it. */
  async act(run: () => Promise<unknown>): Promise<void> {
    this.sentAt = performance.now();
    const { cpu } = await this.measured(async () => {
      await run();
      await pause(400);
    });
    this.actsCpu += cpu;
  }
  /** What came of the acts since this was asked last. */
  acts(): Acts {
    const done = { ...spread(this.times), cpu: this.actsCpu, n: this.times.length };
    [this.times, this.actsCpu] = [[], 0];
    return done;
  }
  leave(): void {
    for (const guest of this.guests) guest.leave();
  }
}

interface Broadcasting {
  /** what somebody begins with */
  readonly firstBytes: number;
  /** what it writes down of each who comes, and of each message; nothing where it is not said */
  readonly rows?: "stay";
}

/** A bare broadcaster with the very same guests as listeners. */
export const bareHouse = (members: readonly CrowdMember[], firstBytes: number, rows?: "stay") =>
  broadcasterHouse(["bench/bare-broadcaster.mjs"], members, { firstBytes, ...(rows && { rows }) });

/** A server in a process of its own that sends a message to all, and a house that listens to it. */
export async function broadcasterHouse(
  program: readonly string[],
  members: readonly CrowdMember[],
  { firstBytes, rows }: Broadcasting,
) {
  const port = await freePort(4950);
  const child = spawn("node", program, {
    env: {
      ...process.env,
      PORT: String(port),
      FIRST_BYTES: String(firstBytes),
      ...(rows && { BARE_ROWS: rows }),
    },
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise((done) => child.stdout!.once("data", done));
  const origin = `http://127.0.0.1:${port}`;
  const house = new House({ pid: child.pid!, origin, members, isActs: (event) => event === "change" });
  const agent = new Agent({ keepAlive: true });
  const say = (bytes: number) =>
    new Promise<void>((done) => {
      const outgoing = request(`${origin}/say?bytes=${bytes}`, { method: "POST", agent }, (incoming) =>
        incoming.resume().on("end", done),
      );
      outgoing.end();
    });
  const close = async () => {
    house.leave();
    child.kill();
    await pause(500);
  };
  return { house, say, close };
}

/** Acts at several in turn, so that whatever else the machine does meets all alike. */
export async function actsInTurn<N extends string>(
  rounds: number,
  own: { readonly house: House; readonly act: (round: number) => Promise<unknown>; readonly bytes?: number },
  bare: Readonly<Record<N, Awaited<ReturnType<typeof bareHouse>>>>,
): Promise<Readonly<Record<N | "own", Acts>>> {
  const others = Object.entries(bare) as [N, (typeof bare)[N]][];
  for (let round = -2; round < rounds; round += 1) {
    // the first two go unmeasured: the size of the message is known after them, and the code is warm
    if (round === 0) for (const { house } of [own, ...others.map(([, one]) => one)]) house.acts();
    await own.house.act(() => own.act(round));
    for (const [, { house, say }] of others) await house.act(() => say(own.bytes ?? own.house.bytes));
  }
  const came = others.map(([name, { house }]) => [name, house.acts()] as const);
  return { ...(Object.fromEntries(came) as Record<N, Acts>), own: own.house.acts() } as Record<N | "own", Acts>;
}
