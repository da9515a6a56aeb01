import { expectNoSidewaysScroll } from "./support/scroll";
import { secondsPlayed } from "./support/recorded";
import { expect, test, type Page } from "./support/test";
import { demoLinks } from "../scripts/demo/links";
import { expectNoSeriousFinding } from "./support/axe";
import { signIn } from "./support/team";
import { momentsWithoutTitle } from "./support/titles";

const hrefOf = async (page: Page, link: string): Promise<string> =>
  (await page.getByRole("link", { name: link }).first().getAttribute("href"))!;

test("axe finds nothing serious on the main views", async ({ page }) => {
  await signIn(page);
  await expectNoSeriousFinding(page, "season");
  const plan = await hrefOf(page, "Warden training, part two");
  const past = await hrefOf(page, "Public evening: tides and the saltmarsh");
  for (const place of ["plan", "people", "run-sheet", "front-door", "mailings"]) {
    await page.goto(plan.replace(/plan(?=\?|$)/, place));
    await expectNoSeriousFinding(page, place);
  }
  await page.goto(`${plan.replace(/plan(?=\?|$)/, "mailings")}${plan.includes("?") ? "&" : "?"}write=invitation`);
  await expect(page.getByRole("textbox", { name: "Words of the mail" })).toBeVisible();
  await expectNoSeriousFinding(page, "composer");
  await page.goto(past);
  await expectNoSeriousFinding(page, "afterwards");
  for (const place of [
    "/outbox",
    "/contacts",
    "/contacts?view=import",
    "/contacts?view=duplicates",
    "/organisation",
    "/slots",
    "/recordings",
    "/help",
    "/account",
    "/events/new",
    "/sign-in",
    "/",
  ]) {
    await page.goto(place);
    await expectNoSeriousFinding(page, place);
  }
  await page.goto(await hrefOf(page, "Annual results night"));
  await expectNoSeriousFinding(page, "front door");
  await signIn(page);
  await page.goto((await page.getByRole("link", { name: "Desk", exact: true }).first().getAttribute("href"))!);
  await expect(page.getByText(/^Time in /)).toBeVisible();
  await expectNoSeriousFinding(page, "desk");
  for (const list of [/^People/, /^Switches/, /^Chat/]) {
    await page.getByRole("tab", { name: list }).first().click();
    await expectNoSeriousFinding(page, `desk: ${list.source}`);
  }
});

test("axe finds nothing serious in what guests and stage people see", async ({ browser }) => {
  const links = await demoLinks(process.env);
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    const page = await (await browser.newContext({ viewport })).newPage();
    const untitled = await momentsWithoutTitle(page);
    await page.goto(`/ticket/${links.soonAttendee}`);
    await expectNoSeriousFinding(page, "ticket");
    await expectNoSidewaysScroll(page, "ticket");
    for (const [who, token] of [
      ["attendee", links.attendee],
      ["panelist", links.panelist],
    ] as const) {
      await page.goto(`/enter/${token}`);
      // the second device of the same ticket is asked who it is
      if (viewport.width === 390) {
        await expectNoSeriousFinding(page, `second device of the ${who}`);
        await page.getByRole("button", { name: "It is me" }).click();
      }
      await page.getByRole("button", { name: "Try microphone and camera" }).click();
      await expect(page.getByRole("button", { name: "Hear yourself" })).toBeVisible();
      await expectNoSeriousFinding(page, `foyer of the ${who}`);
      await expectNoSidewaysScroll(page, `foyer of the ${who}`);
      await page.getByRole("button", { name: /Take my seat|Go backstage/ }).click();
      // in the page itself: the framework's announcer reads the heading out as well
      const room = page.getByRole("main");
      await expect(room.getByText(who === "attendee" ? "You are in the foyer" : "The question in hand")).toBeVisible();
      await expectNoSeriousFinding(page, `room of the ${who}`);
      await expectNoSidewaysScroll(page, `room of the ${who}`);
    }
    await page.goto(`/on-demand/${links.recordingSlug}`);
    await expectNoSeriousFinding(page, "on demand");
    expect(untitled).toEqual([]);
    await page.context().close();
  }
});

test("axe finds nothing serious in what guests read from right to left", async ({ browser }) => {
  const links = await demoLinks(process.env);
  const page = await (await browser.newContext({ locale: "ar" })).newPage();
  for (const [name, place] of [
    ["the organisation's page", "/"],
    ["public page", `/front/${links.results.slug}`],
    ["slots", `/book/${links.bookingSlug}`],
    ["on demand", `/on-demand/${links.recordingSlug}`],
  ] as const) {
    await page.goto(place);
    await expect(page.locator("[dir=rtl]").first()).toBeVisible();
    await expectNoSeriousFinding(page, `${name} in Arabic`);
    await expectNoSidewaysScroll(page, `${name} in Arabic`);
  }
});

test("a recording plays from any place, with its chapters", async ({ page }) => {
  const links = await demoLinks(process.env);
  await page.goto(`/on-demand/${links.recordingSlug}`);
  const video = page.locator("video");
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => Math.round(one.duration))).toBe(3600);
  await page.getByRole("button", { name: /Question time/ }).click();
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => one.currentTime)).toBeGreaterThan(1000);
  const chapters = await video.evaluate((one: HTMLVideoElement) => {
    one.textTracks[0]!.mode = "hidden";
    return new Promise<string[]>((done) => {
      const timer = setInterval(() => {
        const cues = one.textTracks[0]!.cues;
        if (!cues?.length) return;
        clearInterval(timer);
        done([...cues].map((cue) => (cue as VTTCue).text));
      }, 50);
    });
  });
  expect(chapters).toHaveLength(5);
  // whoever comes back goes on where they were
  await video.evaluate((one: HTMLVideoElement) => one.pause());
  const left = await video.evaluate((one: HTMLVideoElement) => one.currentTime);
  await page.reload();
  await page.getByRole("button", { name: /^Go on at 24:/ }).click();
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => one.currentTime)).toBeGreaterThanOrEqual(left - 1);
  const part = await page.request.get(`/on-demand/${links.recordingSlug}/media`, { headers: { range: "bytes=10-19" } });
  expect([part.status(), (await part.body()).length]).toEqual([206, 10]);
});

test("what is played of a recording is told and reported; whoever does not want to be counted is not", async ({
  page,
  browser,
}) => {
  const links = await demoLinks(process.env);
  await page.goto(`/on-demand/${links.recordingSlug}`);
  const video = page.locator("video");
  await page.getByRole("button", { name: /Question time/ }).click();
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => one.currentTime)).toBeGreaterThan(1000);
  const began = await video.evaluate((one: HTMLVideoElement) => one.currentTime);
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => one.currentTime)).toBeGreaterThan(began + 2);
  const told = page.waitForResponse((one) => one.url().endsWith("/plays"));
  await video.evaluate((one: HTMLVideoElement) => one.pause());
  expect((await told).status()).toBe(200);
  const browserCookie = (await page.context().cookies(page.url())).find((one) => one.name === "sc-watch")!.value;
  const seconds = await secondsPlayed(links.recordingSlug, browserCookie);
  expect([seconds > 1, seconds < 20]).toEqual([true, true]);
  await page.getByRole("button", { name: "Do not count me" }).click();
  await expect(page.getByText("You are not counted.")).toBeVisible();
  await video.evaluate((one: HTMLVideoElement) => one.play());
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => one.currentTime)).toBeGreaterThan(1);
  await video.evaluate((one: HTMLVideoElement) => one.pause());
  expect(await secondsPlayed(links.recordingSlug, browserCookie)).toBe(seconds);
  const team = await (await browser.newContext()).newPage();
  await signIn(team);
  await team.goto(`/events/${links.past.eventId}/afterwards/${links.past.occurrenceId}`);
  const report = team.getByRole("region", { name: "Watched on demand" });
  await expect(report.getByText("browsers without one watched", { exact: false })).toBeVisible();
  await expect(report.getByRole("img", { name: /How often each part was played/ })).toBeVisible();
  await expectNoSeriousFinding(team, "report of a watched recording");
  const file = await team.request.get((await report.getByRole("link", { name: "viewers.csv" }).getAttribute("href"))!);
  expect((await file.text()).trim().split("\r\n").length).toBeGreaterThanOrEqual(2);
});

test("guests' pages work on a phone without a sideways scroll", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto("/");
  await page.getByRole("link", { name: "Annual results night" }).click();
  await expect(page.getByRole("button", { name: "Send me my ticket" })).toBeVisible();
  await expectNoSidewaysScroll(page, "front door");
});

test("a private event tells nothing before its code, and limits nothing else", async ({ page }) => {
  await signIn(page);
  await page.goto((await hrefOf(page, "Briefing for ringing crews")).replace(/plan(?=\?|$)/, "front-door"));
  const address = (await page.getByRole("link", { name: /\/front\// }).textContent())!;
  await page.context().clearCookies();
  await page.goto(address);
  await expect(page.getByText("This event is private.")).toBeVisible();
  expect(await page.content()).not.toContain("ringing crews");
  await page.getByLabel("Access code").fill("wrong");
  await page.getByRole("button", { name: "Show the event" }).click();
  await expect(page.getByText("That is not the access code.")).toBeVisible();
  await page.getByLabel("Access code").fill("low-tide-7");
  await page.getByRole("button", { name: "Show the event" }).click();
  await expect(page.getByRole("heading", { name: "Briefing for ringing crews" })).toBeVisible();
});

test("what was typed into a plan survives leaving the page", async ({ page }) => {
  await signIn(page);
  await page.goto("/events/new");
  await page.getByLabel("Title").fill("Half a thought");
  await expect.poll(() => page.evaluate(() => localStorage.getItem("plan-new"))).toContain("Half a thought");
  await page.goto("/season");
  await page.goto("/events/new");
  await page.getByRole("button", { name: "Bring it back" }).click();
  await expect(page.getByLabel("Title")).toHaveValue("Half a thought");
});

test("a run sheet that was typed and not saved is offered again; of two editors the second is told", async ({
  page,
  browser,
}) => {
  await signIn(page);
  const plan = await hrefOf(page, "Warden training, part two");
  const address = plan.replace(/plan(?=\?|$)/, "run-sheet");
  await page.goto(address);
  const segments = page.getByLabel("Segment", { exact: true });
  const before = await segments.first().inputValue();
  await segments.first().fill("Half a thought of the hour");
  await expect
    .poll(() => page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith("run-sheet-")).length))
    .toBe(1);
  await page.goto("/season");
  await page.goto(address);
  await expect(segments.first()).toHaveValue(before);
  await page.getByRole("button", { name: "Bring it back" }).click();
  await expect(segments.first()).toHaveValue("Half a thought of the hour");

  const other = await (await browser.newContext()).newPage();
  await signIn(other);
  await other.goto(address);
  await other.getByLabel("Segment", { exact: true }).first().fill("Somebody else's words");
  await other.getByRole("button", { name: "Save", exact: true }).click();
  await expect(other.getByText("Run sheet saved.")).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Somebody else saved this in the meantime.")).toBeVisible();
  await expect(segments.first()).toHaveValue("Half a thought of the hour");
  // as it was, for whoever looks at the demo next
  await other.getByLabel("Segment", { exact: true }).first().fill(before);
  await other.getByRole("button", { name: "Save", exact: true }).click();
  await expect(other.getByText("Not saved yet")).toHaveCount(0);
});

test("requests from elsewhere and without a right are refused", async ({ page, request }) => {
  const url = "/live/00000000-0000-4000-8000-000000000000/commands";
  const body = { commandId: "00000000-0000-4000-8000-000000000001", command: { type: "hour.raise-curtain" } };
  expect((await request.post(url, { data: body, headers: { origin: "https://elsewhere.example.com" } })).status()).toBe(
    403,
  );
  expect((await request.post(url, { data: body, headers: { origin: process.env["STAGE_CALL_URL"]! } })).status()).toBe(
    401,
  );
  for (const path of [
    "/ticket/nonsense",
    "/enter/nonsense",
    "/unsubscribe/nonsense",
    "/front/nothing",
    "/on-demand/nothing",
  ]) {
    expect([path, (await page.goto(path))!.status()]).toEqual([path, 404]);
  }
  const answer = await page.goto("/enter/nonsense");
  expect(answer!.headers()).toMatchObject({
    "referrer-policy": "no-referrer",
    "cache-control": expect.stringContaining("no-store"),
    "x-robots-tag": "noindex",
  });
  expect(answer!.headers()["content-security-policy"]).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
});
