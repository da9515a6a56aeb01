import { linkIn, mailWith } from "./support/mail";
import { planEvent, publish, registrant, workPlace } from "./support/plan";
import { expectNoSidewaysScroll } from "./support/scroll";
import { signIn } from "./support/team";
import { expect, test } from "./support/test";

/** Walks of a new producer through planning: nothing but what stands on the screen, by its visible labels. */

test("an hour and a place as people type them: what is meant is shown, what is not understood is said and nothing is lost", async ({
  page,
}) => {
  await signIn(page);
  await page.getByRole("link", { name: "Plan an event" }).click();
  const zone = page.getByLabel("Time zone, by city");
  await zone.fill("Atlantis");
  await expect(page.getByText("No city by that name.")).toBeVisible();
  for (const [typed, place] of [
    ["Bombay", "Asia/Kolkata"],
    ["Sao Paulo", "America/Sao_Paulo"],
    ["Katmandu", "Asia/Kathmandu"],
    ["New York", "America/New_York"],
  ] as const) {
    await zone.fill(typed);
    await expect(page.getByText(place)).toBeVisible();
  }
  const moment = page.getByLabel("Date and hour", { exact: true });
  await moment.fill("when the tide turns");
  await moment.blur();
  await expect(page.getByText(/No date can be read there/)).toBeVisible();
  await expect(moment).toHaveValue("when the tide turns");
  await moment.fill("12 May 19.30");
  await moment.blur();
  await expect(moment).toHaveValue(/12 May 20\d\d, 19:30/);
});

test("a backstage opened early is closed again; a date is cancelled with its reason, taken back, cancelled anew", async ({
  page,
  browser,
}) => {
  await signIn(page);
  await planEvent(page, "Walk of the storm");
  const front = await publish(page);
  const guest = await registrant(browser, front, "Greta Gale", "greta.gale@example.org");
  const ticket = linkIn(await mailWith("greta.gale@example.org", /ticket/), "ticket");

  // looking into the desk opens nothing; opening is an act that asks, and that can be taken back
  await workPlace(page, /Desk/);
  await expect(page.getByText("Backstage is closed.")).toBeVisible();
  await page.getByRole("button", { name: "Open backstage" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Open backstage" }).click();
  await page.getByRole("button", { name: "Close backstage" }).click();
  await expect(page.getByText("Backstage is closed.")).toBeVisible();
  await page.getByRole("link", { name: "Workspace" }).click();

  const cancel = async () => {
    await page.getByRole("button", { name: "Cancel the date" }).click();
    const dialog = page.getByRole("alertdialog", { name: "Cancel the date" });
    await expect(dialog).toContainText("Tell 2 people by mail at once.");
    await dialog.getByLabel("Why").fill("The storm took the line.");
    await dialog.getByRole("button", { name: "Cancel it" }).click();
  };
  await workPlace(page, /^Plan/);
  await cancel();
  expect((await mailWith("greta.gale@example.org", /Cancelled/)).text).toContain("The storm took the line.");
  await guest.goto(ticket);
  await expect(guest.getByText("This event was cancelled.")).toContainText("The storm took the line.");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Cancel the date" })).toBeVisible();
  await guest.reload();
  await expect(guest.getByText("You have a place.")).toBeVisible();
});

test("an event is found by words in any order, without accents, and by what is missing of it", async ({ page }) => {
  await signIn(page);
  await planEvent(page, "Walk über die Dünen");
  await page.getByRole("link", { name: "Events", exact: true }).click();
  const search = page.getByLabel("Search events");
  await search.fill("dunen walk");
  await page.getByRole("button", { name: "Filter" }).click();
  await expect(page.getByRole("link", { name: "Walk über die Dünen" })).toBeVisible();
  await page.getByLabel("State").selectOption("published");
  await page.getByRole("button", { name: "Filter" }).click();
  await expect(page.getByRole("link", { name: "Walk über die Dünen" })).toHaveCount(0);
  await page.getByLabel("State").selectOption("something missing");
  await page.getByRole("button", { name: "Filter" }).click();
  await expect(page.getByRole("link", { name: "Walk über die Dünen" })).toBeVisible();
  await page.getByRole("link", { name: "show all" }).click();
  await expect(page.getByLabel("Search events")).toHaveValue("");
});

test("planning on a phone: every place of the work without a sideways scroll", async ({ page, browser }) => {
  await signIn(page);
  await planEvent(page, "Walk with a phone");
  const eventPlan = page.url();
  const state = await page.context().storageState();
  const phone = await (
    await browser.newContext({ viewport: { width: 390, height: 844 }, storageState: state })
  ).newPage();
  await phone.goto(eventPlan);
  // of the page that one came to, not of the one that is being left
  const arrived = async (address: RegExp) => {
    await expect(phone).toHaveURL(address);
    await expect(phone.getByRole("main")).toHaveCount(1);
    await expectNoSidewaysScroll(phone, String(address));
  };
  for (const [place, address] of [
    [/People/, /people/],
    [/Run sheet/, /run-sheet/],
    [/Public page/, /front-door/],
    [/Mailings/, /mailings/],
    [/Report/, /afterwards/],
    [/^Plan/, /plan/],
  ] as const) {
    await workPlace(phone, place);
    await arrived(address);
  }
  for (const [place, address] of [
    ["Events", /season/],
    ["Contacts", /contacts/],
    ["Slots", /slots/],
    ["Recordings", /recordings/],
    ["The year", /year/],
    ["Mail", /outbox/],
    ["Organisation", /organisation/],
    ["Help", /help/],
  ] as const) {
    await phone.getByRole("link", { name: place, exact: true }).click();
    await arrived(address);
  }
});

test("what an hour came to is read on a phone without a sideways scroll", async ({ page }) => {
  await signIn(page);
  const past = page.getByRole("link", { name: "Public evening: tides and the saltmarsh" }).first();
  await page.goto((await past.getAttribute("href"))!);
  const places = page.getByRole("navigation", { name: "Parts of the report" }).getByRole("link");
  await expect(places).toHaveCount(7);
  const addresses = await places.evaluateAll((all) => all.map((one) => (one as HTMLAnchorElement).href));
  await page.setViewportSize({ width: 390, height: 844 });
  for (const address of addresses) {
    await page.goto(address);
    await expect(page.getByRole("main")).toHaveCount(1);
    await expectNoSidewaysScroll(page, address);
  }
});
