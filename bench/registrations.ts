import { spawn } from "node:child_process";
import { Agent, request } from "node:http";
import { and, eq } from "drizzle-orm";
import { freePort } from "../scripts/lib/run.mjs";
import type { RegisterState } from "../src/features/front-door/types";
import { againAfterMs } from "../src/features/front-door/again-after";
import { tickets } from "../src/server/db/schema";
import { makeContext } from "../src/server/worker";
import { cpuOf, record, say, spread } from "./figures";
import { eventWith, owner } from "./way-in";

const origin = process.env["STAGE_CALL_URL"]!;
const atOnce = 64;
const guests = 1500;

interface Answer {
  readonly status: number;
  readonly text: string;
}
interface Send {
  (guest: number): Promise<Answer>;
}

function post(url: string, agent: Agent, headers: Record<string, string>, body: string): Promise<Answer> {
  return new Promise((done) => {
    const failed = () => done({ status: 0, text: "" });
    const length = { "content-length": String(Buffer.byteLength(body)) };
    const outgoing = request(url, { method: "POST", agent, headers: { ...headers, ...length } }, (incoming) => {
      let text = "";
      incoming.on("data", (chunk: Buffer) => (text += chunk.toString()));
      incoming.on("end", () => done({ status: incoming.statusCode ?? 0, text }));
      incoming.on("error", failed);
    });
    outgoing.on("error", failed);
    outgoing.end(body);
  });
}

/** What the browser's form sends. */
function formSender(slug: string): Send {
  const agent = new Agent({ keepAlive: true, maxSockets: 2000 });
  return (guest) => {
    const typed = {
      name: `Guest ${guest}`,
      email: `${slug}-${guest}@example.org`,
      zone: "Europe/Lisbon",
      consent: "on",
    };
    const headers = {
      origin,
      "x-forwarded-for": `10.${guest >> 16}.${(guest >> 8) & 255}.${guest & 255}`,
      "content-type": "application/json",
    };
    const body = { typed, source: null, invitedBy: null, dateId: null };
    return post(`${origin}/front/${slug}/register`, agent, headers, JSON.stringify(body));
  };
}

/** What the form makes of an answer; of none, that there was none. */
function stateOf({ text }: Answer): Pick<RegisterState, "againInMs"> {
  try {
    return JSON.parse(text) as RegisterState;
  } catch {
    return {};
  }
}
const isDone = ({ text }: Answer): boolean => text.includes('"status":"answered"');

/** So many at a time, each as soon as the one before is answered: the most that the machine takes. */
async function saturated(send: Send, pid: number) {
  const took: number[] = [];
  let next = 0;
  let refused = 0;
  const cpuBefore = cpuOf(pid);
  const startedAt = performance.now();
  await Promise.all(
    Array.from({ length: atOnce }, async () => {
      while (next < guests) {
        const guest = (next += 1);
        const from = performance.now();
        if (isDone(await send(guest))) took.push(performance.now() - from);
        else refused += 1;
      }
    }),
  );
  const seconds = (performance.now() - startedAt) / 1000;
  return { took, refused, perSecond: took.length / seconds, cpu: (cpuOf(pid) - cpuBefore) / took.length };
}

async function bareRun() {
  const port = await freePort(4970);
  const child = spawn("node", ["bench/bare-registrar.mjs"], {
    env: { ...process.env, PORT: String(port) },
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise((done) => child.stdout!.once("data", done));
  const agent = new Agent({ keepAlive: true, maxSockets: 2000 });
  const run = await saturated((guest) => post(`http://127.0.0.1:${port}/`, agent, {}, `Guest ${guest}`), child.pid!);
  child.kill();
  return run;
}

/** Twice as many a second as the machine takes, for ten seconds; who is told "one moment" comes again as the page does. */
async function overrun(send: Send, perSecond: number) {
  const many = Math.round(perSecond * 20);
  let again = 0;
  const one = async (guest: number): Promise<void> => {
    for (let tries = 0; ; tries += 1) {
      const answer = await send(guest);
      if (isDone(answer)) return;
      again += 1;
      const waitMs = againAfterMs(stateOf(answer), tries, Math.random());
      await new Promise((done) => setTimeout(done, waitMs));
    }
  };
  const startedAt = performance.now();
  const open: Promise<void>[] = [];
  for (let guest = 0; guest < many; guest += 1) {
    const dueMs = (guest * 10_000) / many - (performance.now() - startedAt);
    if (dueMs > 1) await new Promise((done) => setTimeout(done, dueMs));
    open.push(one(guest));
  }
  await Promise.all(open);
  return { many, again, seconds: (performance.now() - startedAt) / 1000 };
}

/** Registrations as browsers send them, through the page's own form, beside a bare server that only inserts. */
export async function registrationsBench(): Promise<void> {
  const tools = await makeContext(process.env);
  const { context } = tools;
  const member = await owner(context);
  const pid = Number(process.env["SERVER_PID"]);
  const warm = await eventWith(context, member, "Bench, warming up", null);
  const sendWarm = formSender(warm.slug);
  await saturated(sendWarm, pid);
  for (const limit of [null, 1000]) {
    const words = limit === null ? "no limit" : `a limit of ${limit}`;
    const bare = await bareRun();
    const made = await eventWith(context, member, `Bench registrations, ${words}`, limit);
    const run = await saturated(formSender(made.slug), pid);
    const attendees = and(eq(tickets.eventId, made.eventId), eq(tickets.role, "attendee"));
    const waiting = await context.db.$count(tickets, and(attendees, eq(tickets.status, "waiting")));
    const name = limit === null ? "registrations" : "registrations-limited";
    record(
      { name, n: run.took.length, ...spread(run.took), cpu: run.cpu, bare: { ...spread(bare.took), cpu: bare.cpu } },
      "0.4 of the bare server's registrations a second",
    );
    const kept = await context.db.$count(tickets, attendees);
    say(
      `  ${words}: ${run.perSecond.toFixed(0)} a second, bare ${bare.perSecond.toFixed(0)}: ${(run.perSecond / bare.perSecond).toFixed(2)}; ${run.refused} not answered, ${kept} kept, ${waiting} waiting`,
    );
    if (limit !== null) continue;
    const crowd = await eventWith(context, member, "Bench registrations, too many", null);
    const over = await overrun(formSender(crowd.slug), run.perSecond);
    const held = await context.db.$count(
      tickets,
      and(eq(tickets.eventId, crowd.eventId), eq(tickets.role, "attendee")),
    );
    say(
      `  twice as many as the machine takes: ${over.many} sent in 10 s, ${over.again} told "one moment", ${held} kept (${over.many - held} lost), all in after ${over.seconds.toFixed(1)} s`,
    );
  }
  await tools.close();
}
