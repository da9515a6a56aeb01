import { chromium, type Browser, type Page } from "@playwright/test";
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { demoPassword, demoTeam } from "./demo/seed";
import { demoLinks } from "./demo/links";

const origin = process.env["STAGE_CALL_URL"]!;
const folder = process.env["SHOTS_FOLDER"] ?? "docs/screenshots";
const wanted = process.argv.slice(2);
const flags = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
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

/** The demo's crowd came in by these links before: a second device is asked. */
const sayItIsMe = async (page: Page) => {
  const isMe = page.getByRole("button", { name: "It is me" });
  if (await isMe.isVisible()) await isMe.click();
};
const enter = async (page: Page) => {
  await sayItIsMe(page);
  await page.getByRole("button", { name: /Take my seat|Go backstage/ }).click();
  await page.waitForTimeout(1500);
};
const openFirst = async (page: Page) => {
  await page.getByRole("region", { name: "The book" }).locator("tbody").getByRole("link").first().click();
  await page.waitForTimeout(1200);
};
const findATime = async (page: Page) => {
  await page.getByRole("button", { name: "Look for slots" }).click();
  await page
    .getByText(/within working hours/)
    .first()
    .waitFor();
  await page.getByRole("region", { name: "Find a time" }).evaluate((one) => one.scrollIntoView());
  await page.waitForTimeout(500);
};
const toComposer = async (page: Page) => {
  await page.getByRole("region", { name: "Invitation", exact: true }).evaluate((one) => one.scrollIntoView());
  await page.waitForTimeout(500);
};
const tryDevices = async (page: Page) => {
  await sayItIsMe(page);
  await page.getByRole("button", { name: "Try microphone and camera" }).click();
  await page.waitForTimeout(900);
};

const openChat = async (page: Page) => {
  await page.waitForTimeout(2500);
  await page.getByRole("tab", { name: /Chat/ }).click();
  await page.waitForTimeout(800);
};
const openPeople = async (page: Page) => {
  await page.waitForTimeout(2500);
  await page.getByRole("tab", { name: /^People/ }).click();
  await page.getByRole("list", { name: "Everyone" }).getByRole("button").nth(2).click();
};
/** Two polls open, one of them of two questions, and the list of questions beside them. */
const openPolls = async (page: Page) => {
  await page.waitForTimeout(2500);
  await page.getByRole("tab", { name: "Polls" }).click();
  for (const name of ["How many birds", "What made your count hard"]) {
    const card = page.getByRole("listitem").filter({ hasText: name });
    await card.getByRole("button", { name: "Open the poll" }).click();
  }
  await page.waitForTimeout(20_000);
};
const openQuestions = async (page: Page) => {
  await page.waitForTimeout(2500);
  await page.getByRole("tab", { name: "Questions" }).click();
  await page.waitForTimeout(600);
};
const enterChat = async (page: Page) => {
  await enter(page);
  await openChat(page);
};
const seatsLooked = async (page: Page) => {
  await page.getByText("Looking at the seats").waitFor({ state: "hidden" });
};

/** Every finding that one act can mend, mended: the demo is another one afterwards. */
const mendAll = async (page: Page) => {
  const mends = page.locator("details li button");
  let skipped = 0;
  for (let left = await mends.count(); left > skipped; left = await mends.count()) {
    await mends.nth(skipped).click();
    const isMended = await page
      .waitForFunction((before) => document.querySelectorAll("details li button").length < before, left, {
        timeout: 3000,
      })
      .catch(() => null);
    // a duty cannot be given where no crew is on the list
    if (!isMended) skipped += 1;
  }
  await page.goto(page.url());
  await page.waitForTimeout(700);
};

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
  { name: "on-demand", path: `/on-demand/${links.recordingSlug}`, act: (page) => page.waitForTimeout(1200) },
];

async function shotsOf(): Promise<readonly Shot[]> {
  const links = await demoLinks(process.env);
  const past = `/events/${links.past.eventId}`;
  const ahead = `/events/${links.ahead.eventId}`;
  return [
    { name: "season", path: "/season", isTeam: true },
    { name: "season-month", path: "/season?view=month", isTeam: true, beside: [{ path: "/season?view=list" }] },
    { name: "house-rules", path: "/organisation", isTeam: true },
    { name: "readiness-before", path: `/events/${links.worst.eventId}/plan`, isTeam: true },
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
    { name: "afterwards", path: `${past}/afterwards/${links.past.occurrenceId}`, isTeam: true },
    ...guestShots(links),
    { name: "readiness-after", path: `/events/${links.worst.eventId}/plan`, isTeam: true, act: mendAll },
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
