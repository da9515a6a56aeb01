import { oneVote } from "../tests/support/polls";
import { spawn } from "node:child_process";
import { Agent, request } from "node:http";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { makeContext } from "../src/server/worker";
import { freePort } from "../scripts/lib/run.mjs";
import { makeBusyDate, type BusyDate } from "../tests/support/busy-date";
import { chatBench } from "./chat";
import { cpuOf, record, spread } from "./figures";
import { actsInTurn, bareHouse, House, pause, type Spent } from "./house";

export const origin = process.env["LIVE_URL"]!;
export const serverPid = Number(process.env["LIVE_PID"]);
const [acts, returns] = [20, 5];

/** The same house at the product, at a bare broadcaster, and at one that writes down each who comes. */
type Openings = Readonly<Record<"own" | "bare" | "keeping", Spent[]>>;

export async function makeDate(attendees: number): Promise<BusyDate> {
  const { context, close } = await makeContext(process.env);
  const date = await makeBusyDate(context, attendees, { areAdmitted: true });
  await close();
  return date;
}

/** Opening a house's streams, and a desk act to all its screens: command, transaction, projection, write. */
export async function broadcastBench(listeners: number): Promise<void> {
  const date = await makeDate(listeners);
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  await producer.send({ type: "stage.enter" });
  await producer.send({ type: "hour.open-doors" });
  const isActs = (event: string, data: string) => event === "change" && data.includes('["status"');
  const house = new House({ pid: serverPid, origin, members: date.attendees, isActs });
  const opening = await house.come();
  await pause(4000);
  const bare = await bareHouse(date.attendees, house.firstBytes);
  const keeping = await bareHouse(date.attendees, house.firstBytes, "stay");
  const houses = { own: house, bare: bare.house, keeping: keeping.house };
  const first: Openings = { own: [opening], bare: [await bare.house.come()], keeping: [await keeping.house.come()] };
  await pause(4000);
  const again: Openings = { own: [], bare: [], keeping: [] };
  for (let round = 0; round < returns; round += 1)
    for (const name of ["own", "bare", "keeping"] as const) again[name].push(await houses[name].comeAgain());
  await pause(4000);
  const act = (round: number) => producer.send({ type: round % 2 === 0 ? "hour.raise-curtain" : "hour.drop-curtain" });
  const done = await actsInTurn(acts, { house, act }, { bare, keeping });
  if (done.own.n !== acts * listeners) console.log(`  ! ${done.own.n} of ${acts * listeners} messages arrived`);
  await Promise.all([bare.close(), keeping.close()]);
  recordSpent("opening", listeners, first);
  recordSpent("returning", listeners, again);
  record(
    { name: `desk-act-${listeners}`, ...done.own, bare: done.bare },
    "median and 99th at most the bare broadcaster's",
  );
  record(
    { name: `desk-act-kept-${listeners}`, ...done.own, bare: done.keeping },
    "beside a bare one that commits a row",
  );
  if (listeners === 2000 && !process.env["ONLY_OPENING"]) {
    await ballotBench(producer, house.guests.slice(0, 500), date.pollId);
    await ballotRateBench(house.guests.slice(0, 500), date.pollId);
    await chatBench(house.guests);
  }
  house.leave();
  producer.leave();
  await pause(2000);
}

function recordSpent(name: string, n: number, { own, bare, keeping }: Openings): void {
  const cpu = (some: readonly Spent[]) => spread(some.map((one) => one.cpu)).median;
  const whole = (some: readonly Spent[]) => ({ ...spread(some.map((one) => one.tookMs)), cpu: cpu(some) });
  const ratio = (some: readonly Spent[]) => `here ${(cpu(own) / cpu(some)).toFixed(2)}`;
  const aim = `processor time at most 2 times the bare server's (${ratio(bare)})`;
  record({ name: `${name}-${n}`, n, ...whole(own), bare: whole(bare) }, aim);
  const beside = `beside a bare one that writes down each who comes (${ratio(keeping)})`;
  record({ name: `${name}-kept-${n}`, n, ...whole(own), bare: whole(keeping) }, beside);
}

async function ballotBench(producer: SimulatedGuest, guests: readonly SimulatedGuest[], pollId: string): Promise<void> {
  await producer.send({ type: "polls.open", pollId });
  const latencies: number[] = [];
  const before = cpuOf(serverPid);
  const cast = guests.map(async (guest, i) => {
    await pause((i / guests.length) * 4500);
    const at = performance.now();
    const answer = await guest.send(oneVote(pollId, i % 4 === 0 ? "o2" : "o1"));
    latencies.push(performance.now() - at);
    return answer;
  });
  const desk: number[] = [];
  for (let i = 0; i < 20; i += 1) {
    const at = performance.now();
    await producer.send({ type: "stage.set-microphone", isOpen: i % 2 === 0 });
    desk.push(performance.now() - at);
    await pause(200);
  }
  const answers = await Promise.all(cast);
  const cpu = cpuOf(serverPid) - before;
  const { context, close } = await makeContext(process.env);
  const { rows } = await context.db.execute(`select count(*)::int as n from ballots where poll_id = '${pollId}'`);
  await close();
  console.log(`500 ballots: ${answers.filter((one) => one.ok).length} accepted, ${rows[0]!["n"]} in the table`);
  record({ name: "ballots-500", n: 500, ...spread(latencies), cpu, bare: null }, "all of them counted");
  record(
    { name: "desk-beside-ballots", n: desk.length, ...spread(desk), cpu: null, bare: null },
    "median at most 100 ms",
  );
}

/** 500 people vote at the same moment, here and at a server that only inserts a row: votes a second of both. */
async function ballotRateBench(guests: readonly SimulatedGuest[], pollId: string): Promise<void> {
  const all = async (vote: (i: number) => Promise<unknown>): Promise<number> => {
    const at = performance.now();
    await Promise.all(guests.map((_, i) => vote(i)));
    return (guests.length * 1000) / (performance.now() - at);
  };
  const option = (round: number) => (round % 2 === 0 ? "o1" : "o2");
  const own: number[] = [];
  for (let round = 0; round < 5; round += 1) {
    own.push(await all((i) => guests[i]!.send(oneVote(pollId, option(round)))));
    await pause(6000);
  }
  const port = await freePort(4960);
  const child = spawn("node", ["bench/bare-registrar.mjs"], {
    env: { ...process.env, PORT: String(port), BARE_ROWS: "ballot" },
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise((done) => child.stdout!.once("data", done));
  const agent = new Agent({ keepAlive: true, maxSockets: 64 });
  const insert = () =>
    new Promise<void>((done) => {
      const outgoing = request(`http://127.0.0.1:${port}/`, { method: "POST", agent }, (incoming) =>
        incoming.resume().on("end", done),
      );
      outgoing.end("vote");
    });
  const bare: number[] = [];
  for (let round = 0; round < 5; round += 1) bare.push(await all(insert));
  child.kill();
  const [rate, bareRate] = [spread(own).median, spread(bare).median];
  console.log(
    `ballots at once: ${rate.toFixed(0)} a second, bare ${bareRate.toFixed(0)}: ${(rate / bareRate).toFixed(2)} (aim 0.6)`,
  );
}
