import { spawn } from "node:child_process";
import { mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { and, eq } from "drizzle-orm";
import { chromium, type Browser, type BrowserServer, type Page } from "@playwright/test";
import { messagesFor } from "../src/contracts/messages";
import { events, tickets } from "../src/server/db/schema";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { makeContext } from "../src/server/worker";
import { addToEvent } from "../e2e/support/two-desks";
import { record, say, spread } from "./figures";
import { pause } from "./house";
import { makeDate } from "./live";
import { aBrowser, browserServer, ownServer } from "./own-server";

const watchedMs = 20_000;
/** A camera that shows the time: bars between two of magenta, black or white for each bit of the milliseconds. */
const timeCamera = `
  const bits = 20, canvas = Object.assign(document.createElement("canvas"), { width: 640, height: 360 });
  const pen = canvas.getContext("2d");
  const draw = () => {
    const now = Date.now() % 2 ** bits;
    pen.fillStyle = "#808080";
    pen.fillRect(0, 0, 640, 360);
    const bar = (i, colour) => { pen.fillStyle = colour; pen.fillRect(100 + i * 20, 0, 20, 360); };
    bar(0, "#ff00ff");
    for (let i = 0; i < bits; i += 1) bar(i + 1, (now >> (bits - 1 - i)) & 1 ? "#ffffff" : "#000000");
    bar(bits + 1, "#ff00ff");
  };
  setInterval(draw, 33);
  draw();
  const stream = canvas.captureStream(30);
  navigator.mediaDevices.getUserMedia = async () => stream.clone();
`;
/** Reads it from what a player shows, each time another picture is shown. */
const timeReader = `
  window.ages = [];
  window.shownAt = [];
  const bits = 20, canvas = Object.assign(document.createElement("canvas"), { width: 960, height: 540 });
  const pen = canvas.getContext("2d", { willReadFrequently: true });
  const read = (video) => {
    pen.drawImage(video, 0, 0, 960, 540);
    for (const y of [200, 270, 150, 340]) {
      const { data } = pen.getImageData(0, y, 960, 1);
      const isMark = (x) => data[x * 4] > 150 && data[x * 4 + 1] < 90 && data[x * 4 + 2] > 150;
      const marks = Array.from({ length: 960 }, (_, x) => x).filter(isMark);
      if (marks.length < 8) continue;
      const from = marks[0], to = marks.at(-1) + 1, width = (to - from) / (bits + 2);
      let now = 0;
      for (let i = 0; i < bits; i += 1) now = now * 2 + (data[Math.round(from + (i + 1.5) * width) * 4 + 1] > 128 ? 1 : 0);
      const age = (Date.now() % 2 ** bits) - now;
      return age < 0 ? age + 2 ** bits : age;
    }
    return null;
  };
  let followed = null;
  // where another makes the picture there may be another player
  const look = () => {
    setTimeout(look, 50);
    const video = document.querySelector("video");
    if (!video || video === followed) return;
    followed = video;
    const shown = () => {
      window.shownAt.push(performance.now());
      if (video.videoWidth > 0) { const age = read(video); if (age !== null) window.ages.push(age); }
      if (video === followed) video.requestVideoFrameCallback(shown);
    };
    video.requestVideoFrameCallback(shown);
  };
  document.addEventListener("DOMContentLoaded", look);
`;
const agesOf = (page: Page): Promise<number[]> => page.evaluate("window.ages");

/** How old the picture is that a page shows, once it goes on steadily. */
async function agesSeen(page: Page): Promise<number[]> {
  for (let waited = 0; waited < 60_000 && (await agesOf(page)).length < 20; waited += 250) await pause(250);
  const before = (await agesOf(page)).length;
  await pause(watchedMs);
  const ages = (await agesOf(page)).slice(before);
  if (ages.length === 0) throw new Error("no picture that carries its time was seen");
  return ages;
}

/** A date with its doors open, and so many people of the stage side who show the time, each in a browser of their own. */
async function staged(origin: string, names: readonly string[], executables: readonly string[] = []) {
  const date = await makeDate(1);
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  for (const type of ["stage.enter", "hour.open-doors"] as const) await producer.send({ type });
  const links = await addToEvent(
    date,
    names.map((name) => ({ name, role: "panelist" as const })),
  );
  const { context, close } = await makeContext(process.env);
  const onStage = await context.db
    .select({ id: tickets.id })
    .from(tickets)
    .where(and(eq(tickets.eventId, date.eventId), eq(tickets.role, "panelist")))
    .limit(names.length);
  const [event] = await context.db
    .update(events)
    .set({ overflow: "anyone", publishedAt: Date.now() - 1000 })
    .where(eq(events.id, date.eventId))
    .returning({ slug: events.slug });
  await close();
  const servers: BrowserServer[] = [];
  for (const [i, link] of links.entries()) {
    const server = await browserServer(["--use-fake-ui-for-media-stream"], executables[i]);
    servers.push(server);
    const browser = await chromium.connect(server.wsEndpoint());
    const page = await (await browser.newContext({ permissions: ["camera", "microphone"] })).newPage();
    await page.addInitScript(timeCamera);
    await page.goto(`${origin}/enter/${link}`);
    await page.getByRole("button", { name: "Go backstage" }).click();
    await page.getByRole("button", { name: messagesFor("en").stage.camera.isClosed }).click();
    // whoever is there first makes the picture
    await pause(3000);
  }
  for (const { id } of onStage) await producer.send({ type: "stage.move", ticketId: id, place: "stage" });
  await producer.send({ type: "hour.raise-curtain" });
  await pause(6000);
  return { date, producer, servers, slug: event!.slug };
}
/** Somebody of the audience who sits down now. */
async function seated(browser: Browser, origin: string, token: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.addInitScript(timeReader);
  await page.goto(`${origin}/enter/${token}`);
  await page.getByRole("button", { name: "Take my seat" }).click();
  return page;
}
const alone = { cpu: null, bare: null } as const;

/** From a camera on stage to the audience's screens, through a real browser's composer: chunked, and by the playlist. */
export async function lensBench(): Promise<void> {
  const { origin, stop } = await ownServer();
  const { date, producer, servers, slug } = await staged(origin, ["Livia Aranda"]);
  const browser = await aBrowser("--autoplay-policy=no-user-gesture-required");
  const house = await seated(browser, origin, date.attendees[0]!.token);
  const from = performance.now();
  while ((await agesOf(house)).length === 0 && performance.now() - from < 30_000) await pause(10);
  const first = [performance.now() - from];
  const chunked = await agesSeen(house);
  record({ name: "lens-to-screen", n: chunked.length, ...spread(chunked), ...alone }, "at most 2,000 ms");
  record({ name: "first-picture", n: 1, ...spread(first), ...alone }, "at most 1,000 ms after entering");
  await house.close();
  const outside = await (await browser.newContext()).newPage();
  await outside.addInitScript(timeReader);
  await outside.goto(`${origin}/watch/${slug}`);
  const listed = await agesSeen(outside);
  record({ name: "lens-to-screen-list", n: listed.length, ...spread(listed), ...alone }, "at most 8,000 ms");
  await Promise.all([browser, ...servers].map((one) => one.close()));
  producer.leave();
  stop();
}

/** The machine that makes the picture is suspended for ten seconds: how long the audience's picture stands still. */
export async function suspendedBench(): Promise<void> {
  const { origin, stop } = await ownServer();
  const { date, producer, servers } = await staged(origin, ["Livia Aranda", "Tomas Reyo"]);
  const browser = await aBrowser("--autoplay-policy=no-user-gesture-required");
  const house = await seated(browser, origin, date.attendees[0]!.token);
  await agesSeen(house);
  const group = -servers[0]!.process().pid!;
  const shownAt = (): Promise<number[]> => house.evaluate("window.shownAt");
  const before = (await shownAt()).length;
  process.kill(group, "SIGSTOP");
  await pause(10_000);
  process.kill(group, "SIGCONT");
  await pause(10_000);
  const times = (await shownAt()).slice(before - 1);
  const gaps = times.slice(1).map((at, i) => at - times[i]!);
  record({ name: "composer-suspended", n: gaps.length, ...spread(gaps), ...alone }, "goes on: another takes over");
  console.log(`  the longest standstill: ${Math.round(Math.max(...gaps))} ms`);
  await Promise.all([browser, ...servers].map((one) => one.close()));
  producer.leave();
  stop();
}

/** Nothing else on this machine is called so. */
const namespace = "stage-call-weak";

/** Lays a line that loses packets before a browser. @returns what begins a browser behind it, how much it loses, how it ends */
async function lossyLine(port: string) {
  const folder = await mkdtemp(join(tmpdir(), "weak-line-"));
  const [share, executable] = [join(folder, "share"), join(folder, "chromium")];
  await writeFile(share, "0");
  await writeFile(executable, `#!/bin/sh\nexec ip netns exec ${namespace} /usr/bin/chromium "$@"\n`, { mode: 0o755 });
  const line = spawn("python3", ["bench/lossy-line.py", namespace, port, share], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  const isReady = await new Promise<boolean>((done) => {
    line.stdout.once("data", () => done(true));
    line.once("close", () => done(false));
  });
  return { isReady, executable, lose: (part: number) => writeFile(share, String(part)), stop: () => line.kill() };
}

/** The line of the machine that makes the picture loses three packets of ten: what the audience sees of it. */
export async function weakLineBench(): Promise<void> {
  const { origin, stop } = await ownServer();
  const line = await lossyLine(new URL(origin).port);
  if (!line.isReady) {
    say("weak-line: left out, it needs root, ip(8) and /dev/net/tun");
    return stop();
  }
  const { date, producer, servers } = await staged(origin, ["Livia Aranda", "Tomas Reyo"], [line.executable]);
  const browser = await aBrowser("--autoplay-policy=no-user-gesture-required");
  const house = await seated(browser, origin, date.attendees[0]!.token);
  await agesSeen(house);
  const maker = () =>
    (producer.view["programme"]?.["programme"] as { holderName?: string } | undefined)?.holderName ?? "nobody";
  const was = maker();
  const shownAt = (): Promise<number[]> => house.evaluate("window.shownAt");
  const before = (await shownAt()).length;
  await line.lose(0.3);
  await pause(60_000);
  const times = [...(await shownAt()).slice(before - 1), await house.evaluate<number>("performance.now()")];
  const gaps = times.slice(1).map((at, i) => at - times[i]!);
  record({ name: "composer-loses-30-percent", n: gaps.length, ...spread(gaps), ...alone }, "goes on");
  const stood = gaps.filter((gap) => gap > 1000);
  const all = Math.round(stood.reduce((sum, gap) => sum + gap, 0));
  say(
    `  in a minute ${stood.length} standstills of more than a second, ${all} ms together; ${was} before, ${maker()} after`,
  );
  await Promise.all([browser, ...servers].map((one) => one.close()));
  producer.leave();
  line.stop();
  stop();
}
