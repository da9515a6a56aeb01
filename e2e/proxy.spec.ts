import type { Tallies } from "../src/core/polls";
import { oneVote } from "../tests/support/polls";
import { expect, test } from "./support/test";
import { spawn, type ChildProcess } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { freePort, root, serve, until } from "../scripts/lib/run.mjs";
import { pictureFile } from "../src/server/services/hour/decks";
import { makeContext } from "../src/server/worker";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { makeBusyDate } from "../tests/support/busy-date";
import { makeInstallation, type Installation } from "./support/installation";

let installation: Installation;
const children: ChildProcess[] = [];
const folder = join(root, "var/test/proxy");

async function part(what: "web" | "live" | "work", url: string): Promise<{ port: number; child: ChildProcess }> {
  const port = await freePort(4800 + children.length * 10);
  const output = openSync(join(folder, `${what}-${children.length}.log`), "a");
  const env = {
    ...installation.env,
    STAGE_CALL_TRUSTED_HOPS: "1",
    STAGE_CALL_PART: what,
    STAGE_CALL_URL: url,
    PORT: String(port),
  };
  const child = spawn("node", serve, {
    cwd: root,
    env,
    stdio: ["ignore", output, output],
  });
  children.push(child);
  if (what !== "work") await until(what, async () => (await fetch(`http://127.0.0.1:${port}/health`)).ok);
  return { port, child };
}

/** The shipped configuration, with this machine's names filled in. */
function startProxy(port: number, web: readonly number[], live: readonly number[]): void {
  const servers = (ports: readonly number[]) =>
    ports.map((one) => `server 127.0.0.1:${one} fail_timeout=2s;`).join(" ");
  const text = readFileSync(join(root, "deploy/nginx.conf"), "utf8")
    .replaceAll("RUN_FOLDER", folder)
    .replace("WEB_SERVERS", servers(web))
    .replace("LIVE_SERVERS", servers(live))
    .replace("LISTEN_ADDRESS", `127.0.0.1:${port}`);
  const file = join(folder, "nginx.conf");
  writeFileSync(file, text);
  children.push(spawn("/usr/sbin/nginx", ["-c", file, "-g", "daemon off;"], { stdio: "ignore" }));
}

/** How many of so many answers were kept ones, by what the proxy says of each. */
async function keptOf(count: number, ask: () => Promise<Response>): Promise<Record<string, number>> {
  const counts: Record<string, number> = {};
  for (let i = 0; i < count; i += 1) {
    const answer = await ask();
    expect(answer.status).toBe(200);
    await answer.arrayBuffer();
    const said = answer.headers.get("x-kept") ?? "nothing";
    counts[said] = (counts[said] ?? 0) + 1;
  }
  return counts;
}

/** Empty boxes of these types, one after the other (ISO/IEC 14496-12, 4.2: size, then type). */
const boxes = (...types: readonly string[]): Uint8Array =>
  Buffer.concat(types.flatMap((type) => [Buffer.from([0, 0, 0, 8]), Buffer.from(type, "latin1")]));
const device = randomUUID();

test.beforeAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  installation = await makeInstallation("proxy-house");
});
test.afterAll(() => {
  for (const child of children) child.kill("SIGKILL");
  installation?.close();
});

test("two web, two live and one work process behind the shipped proxy serve one room, and go on when one dies", async ({
  browser,
}) => {
  const proxyPort = await freePort(4900);
  const origin = `http://127.0.0.1:${proxyPort}`;
  const web = [await part("web", origin), await part("web", origin)];
  const live = [await part("live", origin), await part("live", origin)];
  await part("work", origin);
  startProxy(
    proxyPort,
    web.map((one) => one.port),
    live.map((one) => one.port),
  );
  await until("the proxy", async () => (await fetch(`${origin}/health`)).ok);

  const tools = await makeContext({ ...installation.env, STAGE_CALL_CLOCK_FILE: undefined });
  const date = await makeBusyDate(tools.context, 60, { areAdmitted: true });
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  await producer.send({ type: "stage.enter" });
  await producer.send({ type: "hour.open-doors" });
  const guests = date.attendees.slice(1).map((member) => new SimulatedGuest(origin, member));
  for (const guest of guests) await guest.come();

  // a page through the proxy, and its stream
  const page = await (await browser.newContext()).newPage();
  await page.goto(`${origin}/enter/${date.attendees[0]!.token}`);
  await page.getByRole("button", { name: "Take my seat" }).click();
  await expect(page.getByText("The programme begins shortly")).toBeVisible();

  await producer.send({ type: "polls.open", pollId: date.pollId });
  const cast = await Promise.all(guests.map((guest, i) => guest.send(oneVote(date.pollId, i % 3 === 0 ? "o2" : "o1"))));
  expect(cast.every((answer) => answer.ok)).toBe(true);
  await producer.send({ type: "polls.reveal", pollId: date.pollId });
  await guests[0]!.send({ type: "chat.say", to: "all", withId: null, text: "Through either process" });
  // figures alike on every screen, whichever process it hangs on
  const tally = (guest: SimulatedGuest) => JSON.stringify(guest.view["tallies"]?.[date.pollId]);
  const right = JSON.stringify({ byQuestion: { q1: { voters: 59, counts: { o1: 39, o2: 20 } } } });
  const isRight = (guest: SimulatedGuest) => {
    const tallies = guest.view["tallies"]?.[date.pollId] as { byQuestion: Tallies } | undefined;
    const { voters = 0, counts = {} } = tallies?.byQuestion["q1"] ?? {};
    return voters === 59 && counts["o1"] === 39 && counts["o2"] === 20;
  };
  await expect.poll(() => guests.filter(isRight).length, { message: `${right}, got ${tally(guests[0]!)}` }).toBe(59);
  await page.getByRole("tab", { name: /Chat/ }).click();
  await expect(page.getByText("Through either process")).toBeVisible();

  await test.step("a page of slides and the programme by its pass are asked of a process once, whoever many watch", async () => {
    const page_ = randomUUID();
    const body = new Blob(["a page"]).stream() as ReadableStream<Uint8Array>;
    await tools.context.storage.write(pictureFile(page_, 800), body, { maxBytes: 100, expectedBytes: 6 });
    expect(await keptOf(200, () => fetch(`${origin}/slides/${page_}/800`))).toEqual({ MISS: 1, HIT: 199 });
    await producer.send({ type: "hour.raise-curtain" });
    const media = `${origin}/live/${date.occurrenceId}`;
    const make = (path: string, body?: Uint8Array) =>
      fetch(`${media}/${path}?feed=programme&device=${device}&ms=1000&as=${date.producer.ticketId}`, {
        method: "POST",
        headers: { cookie: `sc-${date.producer.ticketId}=${date.producer.token}`, origin },
        ...(body ? { body: Buffer.from(body) } : {}),
      }).then((answer) => answer.json() as Promise<{ ok: boolean; number?: number }>);
    expect((await make("lease")).ok).toBe(true);
    await make("pieces", boxes("ftyp", "moov"));
    const { number } = await make("pieces", boxes("moof", "mdat"));
    const pass = `pass=${tools.context.secrets.programmePass(date.occurrenceId, Date.now())}`;
    const list = () => fetch(`${media}/programme.m3u8?${pass}`);
    await expect.poll(async () => (await list()).text()).toContain(`piece-${number}.m4s?${pass}`);
    const piece = () => fetch(`${media}/piece-${number}.m4s?${pass}`);
    const { MISS = 0, HIT = 0, EXPIRED = 0 } = await keptOf(300, piece);
    expect(MISS + HIT + EXPIRED).toBe(300);
    expect(MISS + EXPIRED).toBeLessThan(4);
    // without a pass nothing is kept for anybody else, with somebody else's pass nothing is given
    expect((await fetch(`${media}/piece-${number}.m4s`)).status).toBeGreaterThanOrEqual(400);
    expect((await fetch(`${media}/piece-${number}.m4s?pass=guessed`)).status).toBe(404);
    // the curtain falls: the cache forgets it as soon as the processes do
    await producer.send({ type: "hour.drop-curtain" });
    await expect.poll(async () => (await piece()).status, { timeout: 5000 }).toBe(404);
  });

  // one live process dies: its screens come back through the other, commands are answered meanwhile
  live[0]!.child.kill("SIGKILL");
  expect((await producer.send({ type: "hour.raise-curtain" })).ok).toBe(true);
  await expect(page.getByText("The stage is empty for a moment.")).toBeVisible();
  await expect(page.getByText("Connection lost.", { exact: false })).toBeHidden();
  for (const guest of [...guests, producer]) guest.leave();
  await tools.close();
});
