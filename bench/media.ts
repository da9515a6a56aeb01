import { randomUUID } from "node:crypto";
import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, statSync, createReadStream } from "node:fs";
import { Agent, get, request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { freePort } from "../scripts/lib/run.mjs";
import { eq } from "drizzle-orm";
import { events, recordings } from "../src/server/db/schema";
import { makeContext } from "../src/server/worker";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { joinPieces } from "../src/server/workers/join-pieces";
import { composedPieces } from "../tests/support/pieces";
import { cpuOf, record } from "./figures";
import { pause } from "./house";
import { makeDate, origin, serverPid } from "./live";

const viewers = 500;
const seconds = 30;
/** 0.9 Mbit/s */
const bytesASecond = 900_000 / 8;

interface Carried {
  /** of the server, in milliseconds, while the pieces went out */
  readonly cpu: number;
  readonly bytes: number;
}

async function bare(script: string, env: Record<string, string>): Promise<{ url: string; child: ChildProcess }> {
  const port = await freePort(4950);
  const child = spawn("node", [script], {
    env: { ...process.env, PORT: String(port), ...env },
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise((done) => child.stdout!.once("data", done));
  return { url: `http://127.0.0.1:${port}`, child };
}

/** Five hundred follow one address while something is sent each second. */
async function followed(url: string, pid: number, send: () => Promise<unknown>): Promise<Carried> {
  let bytes = 0;
  const agent = new Agent({ keepAlive: false, maxSockets: Infinity });
  const open = Array.from({ length: viewers }, () => {
    const one = get(url, { agent }, (answer) => answer.on("data", (chunk: Buffer) => (bytes += chunk.length)));
    one.on("error", () => {});
    return one;
  });
  await pause(4000);
  const before = cpuOf(pid);
  for (let second = 0; second < seconds; second += 1) {
    const from = performance.now();
    await send();
    await pause(Math.max(0, 1000 - (performance.now() - from)));
  }
  const cpu = cpuOf(pid) - before;
  for (const one of open) one.destroy();
  return { cpu, bytes };
}
const recordCarried = (name: string, n: number, own: Carried, than: Carried, aim: string): void => {
  const alone = ({ cpu }: Carried) => ({ median: cpu / seconds, p99: cpu / seconds, cpu });
  record(
    { name, n, ...alone(own), bare: alone(than) },
    `${aim} (here ${((own.cpu / seconds / 1000) * 100).toFixed(1)} %)`,
  );
};

/** A date whose programme is on the air: who holds its lease, and what posts the next piece of a second. */
export async function onAir() {
  const folder = mkdtempSync(join(tmpdir(), "media-bench-"));
  const date = await makeDate(1);
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  for (const type of ["stage.enter", "hour.open-doors"] as const) await producer.send({ type });
  await producer.send({ type: "hour.raise-curtain" });
  const run = await composedPieces(folder, "feed", seconds + 5, bytesASecond);
  const device = randomUUID();
  const path = `/live/${date.occurrenceId}`;
  const post = async (what: string, body?: Uint8Array) => {
    const query = `feed=programme&device=${device}&as=${date.producer.ticketId}`;
    const answer = await fetch(`${origin}${path}/${what}?${query}`, {
      method: "POST",
      headers: { cookie: `sc-${date.producer.ticketId}=${date.producer.token}`, origin },
      ...(body ? { body: new Uint8Array(body) } : {}),
    });
    if (!answer.ok) throw new Error(`${what}: ${answer.status}`);
    await answer.arrayBuffer();
  };
  await post("lease");
  await post("pieces", readFileSync(run.initPath));
  const { context, close } = await makeContext(process.env);
  const pass = context.secrets.programmePass(date.occurrenceId, Date.now());
  await close();
  let next = 0;
  const keep = setInterval(() => void post("lease").catch(() => {}), 1000);
  return {
    path,
    pass,
    piece: () => post("pieces", readFileSync(run.piecePaths[next++ % run.piecePaths.length]!)),
    stop: () => {
      clearInterval(keep);
      producer.leave();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** The chunked feed: pieces of a second to five hundred, beside a server that writes the same bytes to as many. */
export async function programmeBench(): Promise<void> {
  const programme = await onAir();
  const own = await followed(`${origin}${programme.path}/programme?pass=${programme.pass}`, serverPid, programme.piece);
  programme.stop();
  const { url, child } = await bare("bench/bare-broadcaster.mjs", { FIRST_BYTES: "1" });
  const say = () =>
    new Promise<void>((done) => {
      request(`${url}/say?bytes=${Math.round(bytesASecond)}`, { method: "POST" }, (answer) =>
        answer.resume().on("end", done),
      ).end();
    });
  const than = await followed(url, child.pid!, say);
  child.kill();
  console.log(
    `  ${(own.bytes / 1e6).toFixed(0)} MB to ${viewers}, the bare server ${(than.bytes / 1e6).toFixed(0)} MB`,
  );
  recordCarried("programme-500", viewers, own, than, "at most 8 % of a core above the composer");
}

const watching = 200;
const stretch = 1_000_000;

/** Two hundred watch: each asks for the next megabyte when the last has been played. */
async function played(url: string, size: number, pid: number): Promise<Carried> {
  let bytes = 0;
  const agent = new Agent({ keepAlive: true, maxSockets: watching });
  const ask = (start: number) =>
    new Promise<void>((done) => {
      const headers = { range: `bytes=${start}-${start + stretch - 1}` };
      get(url, { agent, headers }, (answer) => {
        if (answer.statusCode !== 206) throw new Error(`a range was answered with ${answer.statusCode}`);
        answer.on("data", (chunk: Buffer) => (bytes += chunk.length));
        answer.on("end", done);
      }).on("error", () => done());
    });
  // the first request of a page loads what answers it
  for (let i = 0; i < 20; i += 1) await ask(i * stretch);
  const everyMs = (stretch / bytesASecond) * 1000;
  const until = performance.now() + seconds * 1000;
  const before = cpuOf(pid);
  await Promise.all(
    Array.from({ length: watching }, async (_, i) => {
      await pause((everyMs * i) / watching);
      for (
        let at = (i * 7919 * 1000) % (size - stretch);
        performance.now() < until;
        at = (at + stretch) % (size - stretch)
      ) {
        await ask(at);
        await pause(everyMs);
      }
    }),
  );
  return { cpu: cpuOf(pid) - before, bytes };
}

/** People who watch a recording, beside a server that sends ranges of the same file. */
export async function onDemandBench(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "media-bench-"));
  const run = await composedPieces(folder, "film", 900, bytesASecond);
  const path = join(folder, "film.mp4");
  await joinPieces({ runs: [{ ...run, seconds: 900, fromSeconds: 0 }], outPath: path });
  const date = await makeDate(1);
  const id = randomUUID();
  const sizeBytes = statSync(path).size;
  const { context, close } = await makeContext(process.env);
  const body = Readable.toWeb(createReadStream(path)) as ReadableStream<Uint8Array>;
  await context.storage.write(`${id}.media`, body, { maxBytes: 1e9, expectedBytes: sizeBytes });
  const { organisationId, occurrenceId } = date;
  await context.db
    .update(events)
    .set({ publishedAt: Date.now() - 1000 })
    .where(eq(events.id, date.eventId));
  await context.db.insert(recordings).values({
    ...{ id, organisationId, occurrenceId, slug: id, title: "A film", fileName: `${id}.media`, mediaType: "video/mp4" },
    // nothing is to be made of it meanwhile
    soundOf: `${id}.media`,
    ...{ sizeBytes, durationSeconds: 900, uploadedAt: Date.now(), publishedFrom: Date.now() - 1000 },
  });
  await close();
  const own = await played(`${origin}/live/${occurrenceId}/on-demand?slug=${id}`, sizeBytes, serverPid);
  const { url, child } = await bare("bench/bare-files.mjs", { FILE: path });
  const than = await played(url, sizeBytes, child.pid!);
  child.kill();
  rmSync(folder, { recursive: true, force: true });
  console.log(
    `  ${(own.bytes / 1e6).toFixed(0)} MB to ${watching}, the bare server ${(than.bytes / 1e6).toFixed(0)} MB`,
  );
  recordCarried("on-demand-200", watching, own, than, "at most 30 % of a core");
}
