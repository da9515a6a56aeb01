import type { Tallies } from "../src/core/polls";
import { oneVote } from "../tests/support/polls";
import { expect, test } from "./support/test";
import { spawn, type ChildProcess } from "node:child_process";
import { mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { freePort, root, until } from "../scripts/lib/run.mjs";
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
  const child = spawn("node", ["--import", "tsx", "scripts/serve.ts"], {
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

  // one live process dies: its screens come back through the other, commands are answered meanwhile
  live[0]!.child.kill("SIGKILL");
  expect((await producer.send({ type: "hour.raise-curtain" })).ok).toBe(true);
  await expect(page.getByText("The stage is empty for a moment.")).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText("Connection lost.", { exact: false })).toBeHidden();
  for (const guest of [...guests, producer]) guest.leave();
  await tools.close();
});
