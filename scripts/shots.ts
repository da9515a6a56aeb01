import { chromium, type Browser, type Page } from "@playwright/test";
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { demoPassword, demoTeam } from "./demo/seed";
import { demoLinks } from "./demo/links";
import {
  enter,
  openFirst,
  findATime,
  toComposer,
  tryDevices,
  openPeople,
  openPolls,
  openQuestions,
  enterChat,
  seatsLooked,
  editFirst,
  markStretch,
} from "./shot-acts";
import { chromiumFlags } from "./lib/chromium-flags";

const origin = process.env["STAGE_CALL_URL"]!;
const folder = process.env["SHOTS_FOLDER"] ?? "docs/screenshots";
const wanted = process.argv.slice(2);
const flags = [
  ...chromiumFlags,
  "--disable-quic",
  "--no-first-run",
  "--use-fake-device-for-media-stream",
  "--use-fake-ui-for-media-stream",
];
const wide = { width: 1280, height: 800 };
const phone = { width: 390, height: 800 };

interface Beside {
  readonly locale?: string;
  readonly size?: typeof phone;
  readonly path?: string;
  readonly isTeam?: boolean;
  readonly act?: (page: Page) => Promise<unknown>;
}

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly isTeam?: boolean;
  readonly size?: typeof wide;
  /** the same page in other languages and sizes, or pages that belong to it, laid beside it in one picture */
  readonly beside?: readonly Beside[];
  /** what is done on the page before the picture */
  readonly act?: (page: Page) => Promise<unknown>;
}

type Links = Awaited<ReturnType<typeof demoLinks>>;

/** What guests see. */
const guestShots = (links: Links): readonly Shot[] => [
  {
    name: "front-door",
    path: `/front/${links.results.slug}`,
    beside: [{ path: "/" }, { locale: "de-DE", size: phone }, { locale: "ar" }],
  },
  { name: "foyer", path: `/enter/${links.soonPanelist}`, act: tryDevices },
  {
    name: "house",
    path: `/enter/${links.attendee}`,
    act: enter,
    beside: [{ act: enterChat }, { act: enterChat, size: phone }],
  },
  { name: "stage", path: `/enter/${links.panelist}`, act: enter },
  {
    name: "on-demand",
    path: `/on-demand/${links.recordingSlug}`,
    act: (page) => page.waitForTimeout(1200),
    beside: [{ path: "/recordings", isTeam: true, act: editFirst }],
  },
];

async function shotsOf(): Promise<readonly Shot[]> {
  const links = await demoLinks(process.env);
  const report = `/events/${links.past.eventId}/afterwards/${links.past.occurrenceId}`;
  const ahead = `/events/${links.ahead.eventId}`;
  return [
    { name: "season", path: "/season", isTeam: true },
    { name: "season-month", path: "/season?view=month", isTeam: true, beside: [{ path: "/season?view=list" }] },
    { name: "readiness", path: `/events/${links.worst.eventId}/plan`, isTeam: true },
    { name: "plan", path: `${ahead}/plan`, isTeam: true, act: seatsLooked },
    {
      name: "people",
      path: `${ahead}/people`,
      isTeam: true,
      beside: [{ act: findATime }, { path: `${ahead}/call-sheet` }],
    },
    { name: "run-sheet", path: `${ahead}/run-sheet`, isTeam: true },
    {
      name: "mailings",
      path: `/events/${links.results.eventId}/mailings`,
      isTeam: true,
      beside: [{ path: `/events/${links.results.eventId}/mailings?write=invitation`, act: toComposer }],
    },
    {
      name: "front-door-editor",
      path: `/events/${links.results.eventId}/front-door`,
      isTeam: true,
      act: (page) => page.evaluate(() => window.scrollTo(0, 170)),
    },
    { name: "contacts", path: "/contacts?group=Wardens", isTeam: true, act: openFirst },
    {
      name: "hours",
      path: "/slots",
      isTeam: true,
      beside: [
        { path: `/book/${links.bookingSlug}`, isTeam: false },
        { path: `/book/${links.bookingSlug}`, isTeam: false, locale: "ar", size: phone },
      ],
    },
    {
      name: "desk",
      path: `/events/${links.live.eventId}/desk/${links.live.occurrenceId}`,
      isTeam: true,
      act: (page) => page.waitForTimeout(2500),
      beside: [{ act: openPeople }, { act: openPolls }, { act: openQuestions }],
    },
    {
      name: "afterwards",
      path: report,
      isTeam: true,
      act: markStretch,
      beside: [{ path: `${report}/people`, act: (page) => page.waitForTimeout(500) }],
    },
    { name: "compare", path: `${report}/compare`, isTeam: true },
    { name: "year", path: "/year", isTeam: true },
    ...guestShots(links),
  ];
}

async function picture(
  browser: Browser,
  shot: Shot,
  state: Awaited<ReturnType<typeof signedIn>>,
  locale: string,
  size: typeof wide,
): Promise<Buffer> {
  const context = await browser.newContext({
    viewport: size,
    locale,
    timezoneId: "Europe/Madrid",
    baseURL: origin,
    ...(shot.isTeam ? { storageState: state } : {}),
  });
  const page = await context.newPage();
  await page.goto(shot.path);
  await page.waitForTimeout(700);
  await shot.act?.(page);
  // faces come once the page runs: a picture without them shows nobody
  await page.waitForLoadState("networkidle", { timeout: 3000 }).catch(() => {});
  const taken = await page.screenshot();
  await context.close();
  return taken;
}

async function take(browser: Browser, shot: Shot, state: Awaited<ReturnType<typeof signedIn>>): Promise<void> {
  const path = join(folder, `${shot.name}.png`);
  const first = await picture(browser, shot, state, "en-GB", shot.size ?? wide);
  if (!shot.beside) writeFileSync(path, first);
  else {
    const sizes = [wide, ...shot.beside.map((one) => one.size ?? wide)];
    const pictures = [
      first,
      ...(await Promise.all(
        shot.beside.map((one) => picture(browser, { ...shot, ...one }, state, one.locale ?? "en-GB", one.size ?? wide)),
      )),
    ];
    const left = sizes.map((_, i) => sizes.slice(0, i).reduce((sum, size) => sum + size.width + 24, 0));
    const width = left.at(-1)! + sizes.at(-1)!.width;
    await sharp({ create: { width, height: wide.height, channels: 3, background: "#5A625F" } })
      .composite(pictures.map((input, i) => ({ input, left: left[i]!, top: 0 })))
      .png()
      .toFile(path);
  }
  console.log(shot.name);
}

async function signedIn(browser: Browser) {
  const context = await browser.newContext({ baseURL: origin });
  const page = await context.newPage();
  await page.goto("/sign-in");
  await page.getByLabel("Mail address").fill(demoTeam[0].email);
  await page.getByLabel("Password").fill(demoPassword);
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL("**/season");
  const state = await context.storageState();
  await context.close();
  return state;
}

mkdirSync(folder, { recursive: true });
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: flags });
const state = await signedIn(browser);
for (const shot of await shotsOf())
  if (wanted.length === 0 || wanted.includes(shot.name)) await take(browser, shot, state);
await browser.close();
process.exit(0);
