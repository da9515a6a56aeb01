import { oneVote } from "../tests/support/polls";
import { spawn } from "node:child_process";
import { Agent, request } from "node:http";
import { SimulatedGuest, type CrowdMember } from "../src/stand-ins/crowd";
import { makeContext } from "../src/server/worker";
import { freePort } from "../scripts/lib/run.mjs";
import { makeBusyDate, type BusyDate } from "../tests/support/busy-date";
import { chatBench } from "./chat";
import { cpuOf, record, spread, type Spread } from "./figures";

export const origin = process.env["LIVE_URL"]!;
export const serverPid = Number(process.env["LIVE_PID"]);
export const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const rounds = 20;

interface Spent {
  readonly tookMs: number;
  readonly cpu: number;
}
interface Measured {
  readonly opening: Spent;
  readonly returning: Spent;
  readonly act: Spread & { readonly cpu: number; readonly arrived: number };
}

/** A bare broadcaster in a process of its own, with the very same guests as listeners. */
export async function bareRun(members: readonly CrowdMember[], bytes: number, firstBytes: number): Promise<Measured> {
  const port = await freePort(4950);
  const child = spawn("node", ["bench/bare-broadcaster.mjs"], {
    env: { ...process.env, PORT: String(port), FIRST_BYTES: String(firstBytes) },
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise((done) => child.stdout!.once("data", done));
  const bare = `http://127.0.0.1:${port}`;
  let sentAt = 0;
  const times: number[] = [];
  const guests = members.map((member) => new SimulatedGuest(bare, member, false));
  for (const guest of guests) {
    guest.onMessage = (event) => {
      if (event === "change") times.push(performance.now() - sentAt);
    };
  }
  const opening = await measured(child.pid!, () => comeAll(guests));
  const returning = await returnAll(child.pid!, guests);
  const agent = new Agent({ keepAlive: true });
  const say = () =>
    new Promise<void>((done) => {
      const outgoing = request(`${bare}/say?bytes=${bytes}`, { method: "POST", agent }, (incoming) =>
        incoming.resume().on("end", done),
      );
      outgoing.end();
    });
  await pause(1500);
  const before = cpuOf(child.pid!);
  for (let round = 0; round < rounds; round += 1) {
    sentAt = performance.now();
    await say();
    await pause(700);
  }
  const act = { ...spread(times), cpu: cpuOf(child.pid!) - before, arrived: times.length };
  for (const guest of guests) guest.leave();
  child.kill();
  await pause(500);
  return { opening, returning, act };
}

async function measured(pid: number, run: () => Promise<void>): Promise<Spent> {
  const [at, cpu] = [performance.now(), cpuOf(pid)];
  await run();
  return { tookMs: performance.now() - at, cpu: cpuOf(pid) - cpu };
}
/** A house comes, two hundred at once. */
export async function comeAll(guests: readonly SimulatedGuest[]): Promise<void> {
  for (let i = 0; i < guests.length; i += 200) await Promise.all(guests.slice(i, i + 200).map((guest) => guest.come()));
}
/** Every line breaks at once, and everybody comes again. */
async function returnAll(pid: number, guests: readonly SimulatedGuest[]): Promise<Spent> {
  for (const guest of guests) guest.leave();
  await pause(3000);
  return measured(pid, () => comeAll(guests));
}

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
  let [sentAt, bytes, firstBytes] = [0, 0, 0];
  let times: number[] = [];
  const guests = date.attendees.map((member) => new SimulatedGuest(origin, member, false));
  for (const guest of guests) {
    guest.onMessage = (event, data) => {
      if (event === "snapshot" && guest === guests[0]) firstBytes += data.length;
      if (event !== "change" || !data.includes('["status"')) return;
      bytes = data.length;
      times.push(performance.now() - sentAt);
    };
  }
  const opening = await measured(serverPid, () => comeAll(guests));
  await pause(4000);
  const returning = await returnAll(serverPid, guests);
  await pause(4000);
  times = [];
  const before = cpuOf(serverPid);
  for (let round = 0; round < rounds; round += 1) {
    sentAt = performance.now();
    await producer.send({ type: round % 2 === 0 ? "hour.raise-curtain" : "hour.drop-curtain" });
    await pause(700);
  }
  const act = { ...spread(times), cpu: cpuOf(serverPid) - before };
  if (times.length !== rounds * listeners) console.log(`  ! ${times.length} of ${rounds * listeners} messages arrived`);
  if (listeners === 2000 && !process.env["ONLY_OPENING"])
    await ballotBench(producer, guests.slice(0, 500), date.pollId);
  if (listeners === 2000 && !process.env["ONLY_OPENING"]) await ballotRateBench(guests.slice(0, 500), date.pollId);
  if (listeners === 2000 && !process.env["ONLY_OPENING"]) await chatBench(guests);
  for (const guest of [...guests, producer]) guest.leave();
  await pause(2000);
  const bare = await bareRun(date.attendees, bytes, firstBytes);
  record(
    { name: `desk-act-${listeners}`, n: times.length, ...act, bare: bare.act },
    "median and 99th at most the bare broadcaster's",
  );
  recordOpening(`opening-${listeners}`, listeners, opening, bare.opening);
  recordOpening(`returning-${listeners}`, listeners, returning, bare.returning);
}

function recordOpening(name: string, n: number, own: Spent, bare: Spent): void {
  const whole = ({ tookMs, cpu }: Spent) => ({ median: tookMs, p99: tookMs, cpu });
  const aim = `processor time at most 2 times the bare server's (here ${(own.cpu / bare.cpu).toFixed(2)})`;
  record({ name, n, ...whole(own), bare: whole(bare) }, aim);
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
