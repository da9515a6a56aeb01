import { expect, test, type Page } from "./support/test";
import pg from "pg";
import { mailWith, mailsTo } from "./support/mail";
import { signIn } from "./support/team";

/** The minutes that a change notice waits for further edits pass at once: the clock of the mails is moved, nobody sleeps. */
async function letMinutesPass(minutes: number): Promise<void> {
  const client = new pg.Client({ connectionString: process.env["DATABASE_URL"] });
  await client.connect();
  await client.query(
    "update messages set due_at = due_at - make_interval(mins => $1) where state = 'planned' and kind = 'change'",
    [minutes],
  );
  await client.end();
}

/** The coming year whose spring clock change lies ahead: the last Sunday of March. */
const year =
  new Date(Date.now() + 40 * 86_400_000).getUTCMonth() < 2
    ? new Date(Date.now() + 40 * 86_400_000).getUTCFullYear()
    : new Date().getUTCFullYear() + 1;
const lastSunday = 31 - new Date(Date.UTC(year, 2, 31)).getUTCDay();
const dayIn = (offset: number) => new Date(Date.UTC(year, 2, lastSunday + offset));
/** Thursdays: two before the change, two after. */
const thursdays = [-10, -3, 4, 11].map(dayIn);
const words = (day: Date, clock: string) =>
  `${new Intl.DateTimeFormat("en-GB", { timeZone: "UTC", weekday: "short", day: "numeric", month: "short", year: "numeric" }).format(day).replace(",", "").replace("Sept", "Sep")}, ${clock}`;
const local = (day: Date, clock: string) => `${day.toISOString().slice(0, 10)}T${clock}`;
const title = "Spring passage count";

async function planSeries(page: Page): Promise<void> {
  await page.getByRole("link", { name: "Plan an event" }).click();
  await page.getByLabel("Title").fill(title);
  await page.getByRole("radio", { name: "A series" }).click();
  await page.getByLabel("First date and hour", { exact: true }).fill(local(thursdays[0]!, "18:00"));
  await page.getByLabel("Time zone, by city").fill("Lisbon, Portugal");
  const days = page.getByRole("group", { name: "On these days" });
  if ((await days.getByRole("button", { name: "Thu" }).getAttribute("aria-pressed")) === "false")
    await days.getByRole("button", { name: "Thu" }).click();
  for (const name of ["Mon", "Tue", "Wed", "Fri", "Sat", "Sun"]) {
    const day = days.getByRole("button", { name });
    if ((await day.getAttribute("aria-pressed")) === "true") await day.click();
  }
  await page.getByLabel("Number of dates").fill("4");
  await expect(page.getByText("· 4 dates")).toBeVisible();
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
}

async function registerFor(page: Page, front: string, index: number, email: string): Promise<void> {
  await page.goto(front);
  await page.getByRole("navigation", { name: "Dates" }).getByRole("link").nth(index).click();
  await expect(page.getByRole("navigation", { name: "Dates" }).getByRole("link").nth(index)).toHaveAttribute(
    "aria-current",
    "date",
  );
  await page.getByLabel("Your name").fill("Anna Skerry");
  await page.getByLabel("Mail address").fill(email);
  await page.getByRole("checkbox").check();
  await page.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(page.getByText("Look at your mail")).toBeVisible();
}

test("a weekly series over a clock change: one date moved, the later ones split off, a deletion undone", async ({
  browser,
  page,
}) => {
  await signIn(page);
  await planSeries(page);
  const strip = page.getByRole("region", { name: "Dates of the series" });
  for (const day of thursdays) await expect(strip.getByRole("button", { name: words(day, "18:00") })).toBeVisible();
  const plan = page.url();

  await page
    .getByRole("navigation", { name: "Order of work" })
    .getByRole("link", { name: /Public page/ })
    .click();
  await page.getByRole("button", { name: "Publish" }).click();
  const front = (await page.getByRole("link", { name: /\/front\// }).textContent())!;
  const guest = await (await browser.newContext()).newPage();
  await registerFor(guest, front, 1, "anna.series@example.org");
  await registerFor(guest, front, 3, "bo.series@example.org");
  // 18:00 in Lisbon on both sides of the change, so an hour apart in UTC
  for (const [address, day] of [
    ["anna.series@example.org", thursdays[1]!],
    ["bo.series@example.org", thursdays[3]!],
  ] as const) {
    const mail = await mailWith(address, /Your ticket/);
    expect(new TextDecoder().decode(mail.attachments[0]!.content as Uint8Array)).toContain(
      `DTSTART;TZID=Europe/Lisbon:${day.toISOString().slice(0, 10).replaceAll("-", "")}T180000`,
    );
    expect(mail.text).toContain("18:00 in Lisbon");
  }

  // one date, with its people told
  await page.goto(plan);
  await strip.getByRole("button", { name: words(thursdays[1]!, "18:00") }).click();
  await page.getByLabel("The first of 1 marked moves to", { exact: true }).fill(local(thursdays[1]!, "19:30"));
  await expect(strip.getByText("Each marked date changes by itself")).toBeVisible();
  await expect(strip.getByText(/1 registrations follow/)).toBeVisible();
  await strip.getByRole("checkbox", { name: /Tell the people concerned/ }).check();
  await strip.getByRole("button", { name: "Move the date" }).click();
  await expect(strip.getByRole("button", { name: words(thursdays[1]!, "19:30") })).toBeVisible();
  await letMinutesPass(6);
  expect((await mailWith("anna.series@example.org", /New time/)).text).toContain("19:30 in Lisbon");

  // the last two as a later stretch, nobody told
  await strip.getByRole("button", { name: words(thursdays[2]!, "18:00") }).click();
  await strip.getByRole("button", { name: "Mark from there on" }).click();
  await strip.getByRole("checkbox", { name: /Tell the people concerned/ }).uncheck();
  await page.getByLabel("The first of 2 marked moves to", { exact: true }).fill(local(thursdays[2]!, "17:00"));
  await expect(strip.getByText("The series parts here")).toBeVisible();
  await strip.getByRole("button", { name: "Move 2 dates" }).click();
  await expect(strip.getByRole("button", { name: words(thursdays[3]!, "17:00") })).toBeVisible();
  await expect(page.getByText("Nobody was told.")).toBeVisible();

  // one called off by mail, and taken back
  await strip.getByRole("button", { name: words(thursdays[3]!, "17:00") }).click();
  await strip.getByRole("checkbox", { name: /Tell the people concerned/ }).check();
  await strip.getByRole("button", { name: "Cancel the date" }).click();
  await page.getByRole("button", { name: "Cancel 1", exact: true }).click();
  await expect(strip.getByRole("button", { name: `${words(thursdays[3]!, "17:00")}, cancelled` })).toBeVisible();
  await mailWith("bo.series@example.org", /Cancelled/);
  await page.getByRole("button", { name: "Undo" }).first().click();
  await expect(page.getByText("Undone.")).toBeVisible();
  await expect(strip.getByRole("button", { name: words(thursdays[3]!, "17:00"), exact: true })).toBeVisible();
  expect((await mailsTo("bo.series@example.org")).filter((mail) => /New time/.test(mail.subject ?? ""))).toEqual([]);

  // the whole event into the bin and back
  await page.getByRole("button", { name: "Delete the event" }).click();
  await page.getByRole("alertdialog").getByRole("checkbox").uncheck();
  await page.getByRole("button", { name: "Delete it" }).click();
  const binned = page.getByRole("listitem").filter({ hasText: title });
  await binned.getByRole("button", { name: "Bring it back" }).click();
  await expect(binned.getByRole("button", { name: "Bring it back" })).toHaveCount(0);
  await page.goto(plan);
  await expect(strip.getByRole("button", { name: words(thursdays[1]!, "19:30") })).toContainText("1 reg.");
});

test("of two browsers saving the last licence at once one gets it, the other the nearest fits", async ({ browser }) => {
  const start = local(dayIn(60), "11:00");
  const pages = await Promise.all(
    ["first", "second"].map(async (name) => {
      const page = await (await browser.newContext({ locale: "en-GB", timezoneId: "Europe/Lisbon" })).newPage();
      await signIn(page);
      await page.goto("/events/new");
      await page.getByLabel("Title").fill(`The great count, ${name}`);
      await page.getByLabel("Date and hour", { exact: true }).fill(start);
      await page.getByLabel("Seats", { exact: true }).fill("1000");
      await expect(page.getByText("A seat licence for 1000 is free at that hour.")).toBeVisible();
      return page;
    }),
  );
  await Promise.all(pages.map((page) => page.getByRole("button", { name: "Make the event" }).click()));
  const outcome = await Promise.all(
    pages.map((page) =>
      Promise.race([
        page
          .getByRole("button", { name: "Save the plan" })
          .waitFor()
          .then(() => "made"),
        page
          .getByRole("alert")
          .filter({ hasText: "Nothing was saved." })
          .waitFor()
          .then(() => "refused"),
      ]),
    ),
  );
  expect([...outcome].sort()).toEqual(["made", "refused"]);
  const loser = pages[outcome.indexOf("refused")]!;
  const strip = loser.getByRole("region", { name: "Seats that day" });
  await expect(loser.getByLabel("Title")).toHaveValue(/The great count/);
  // touching the hour asks again: now the strip shows it taken and offers what fits
  await loser.getByLabel("Length, min").fill("65");
  await expect(strip.getByText("No seat licence for 1000 is free at that hour.")).toBeVisible();
  await strip
    .getByRole("button", { name: /2027|202\d/ })
    .last()
    .click();
  await loser.getByRole("button", { name: "Make the event" }).click();
  await expect(loser.getByRole("button", { name: "Save the plan" })).toBeVisible();
});

test("a room is opened from anywhere, its code leads a guest in by name", async ({ browser, page }) => {
  await signIn(page);
  await page.getByRole("button", { name: "Open a room now" }).click();
  await expect(page.getByText(/^Time in /)).toBeVisible();
  const code = (await page.locator("header").getByText(/^code/).locator("span").textContent())!;
  const guest = await (await browser.newContext()).newPage();
  await guest.goto("/");
  await guest.getByLabel("A room code you were told").fill("nothing");
  await guest.getByRole("button", { name: "To the room" }).click();
  await expect(guest.getByText("No room has this code.")).toBeVisible();
  await guest.getByLabel("A room code you were told").fill(code.toUpperCase());
  await guest.getByRole("button", { name: "To the room" }).click();
  await guest.getByLabel("Your name").fill("Bo Thrift");
  await guest.getByRole("checkbox").check();
  await guest.getByRole("button", { name: "Take me there" }).click();
  await guest.getByRole("button", { name: "Take my seat" }).click();
  await expect(page.getByText("1 in the foyer")).toBeVisible();
});

test("a date is dragged to another day of the month, and back by undo", async ({ page }) => {
  await signIn(page);
  await page.getByRole("link", { name: "Month", exact: true }).click();
  const query = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 7);
  for (const view of ["", "&view=list"]) {
    await page.goto(`/season?words=none-of-that-name${view}`);
    await expect(page.getByText("Nothing fits your search")).toBeVisible();
  }
  await page.goto(`/season?view=month&month=${query}&words=Ringing`);
  const chip = page.getByRole("link", { name: /Ringing crew evening/ }).nth(1);
  const before = (await chip.getAttribute("href"))!;
  const box = (await chip.boundingBox())!;
  await page.mouse.move(box.x + 30, box.y + 6);
  await page.mouse.down();
  await page.mouse.move(box.x + 80, box.y + 8, { steps: 4 });
  await page.mouse.move(box.x + 30 + box.width + 10, box.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByText("Nobody was told.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Undone.")).toBeVisible();
  await expect(page.locator(`a[href="${before}"]`)).toBeVisible();
});

test("by hand: a date dragged along the season's clock and taken back, a segment stretched and pinned on the rail", async ({
  page,
}) => {
  await signIn(page);
  await page.getByRole("link", { name: "Plan an event" }).click();
  const name = "Dragged by hand";
  await page.getByLabel("Title").fill(name);
  const day = new Date(Date.now() + 2 * 86_400_000);
  await page.getByLabel("Date and hour", { exact: true }).fill(local(day, "09:00"));
  await page.getByLabel("Time zone, by city").fill("Lisbon, Portugal");
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
  const plan = page.url();

  await page.goto(`/season?words=${encodeURIComponent(name)}`);
  const rail = page.getByTitle("Drag along the clock to move the date");
  await expect(rail).toHaveCount(1);
  const box = (await rail.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  const moved = page.getByText(/Moved to .*Nobody was told\./);
  await expect(moved).toBeVisible();
  expect(await moved.textContent()).not.toContain("09:00");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Undone.")).toBeVisible();

  await page.goto(plan);
  await page
    .getByRole("navigation", { name: "Order of work" })
    .getByRole("link", { name: /Run sheet/ })
    .click();
  await page.getByRole("button", { name: "Add a segment" }).click();
  await page.getByRole("textbox", { name: "Segment" }).fill("Welcome");
  const edge = page.locator('[data-edge="Welcome"]');
  const at = (await edge.boundingBox())!;
  await page.mouse.move(at.x + 6, at.y + 10);
  await page.mouse.down();
  await page.mouse.move(at.x + 106, at.y + 10, { steps: 5 });
  await page.mouse.up();
  const stretched = (await edge.boundingBox())!;
  expect(stretched.x).toBeGreaterThan(at.x + 60);
  const body = (await page.locator('[data-segment="Welcome"]').boundingBox())!;
  await page.mouse.move(body.x + 20, body.y + 10);
  await page.mouse.down();
  await page.mouse.move(body.x + 120, body.y + 10, { steps: 5 });
  await page.mouse.up();
  // pinned: a start of its own, and the gap before it hatched
  await expect(page.getByTitle(/min of nothing/)).toHaveCount(1);
});
