import { expect, test, type Browser, type Page } from "./support/test";
import { parse } from "csv-parse/sync";
import sharp from "sharp";
import { linkIn, mailsTo, mailWith } from "./support/mail";
import { signIn } from "./support/team";

const inDays = (days: number, clock: string) =>
  `${new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)}T${clock}`;
const visitor = async (browser: Browser): Promise<Page> =>
  (await browser.newContext({ locale: "en-GB", timezoneId: "Europe/Lisbon" })).newPage();

async function planEvent(page: Page, title: string): Promise<string> {
  await page.goto("/events/new");
  await page.getByLabel("Title").fill(title);
  await page.getByLabel("Date and hour", { exact: true }).fill(inDays(4, "20:00"));
  await page.getByLabel("Time zone, by city").fill("Lisbon, Portugal");
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
  return page.url().replace(/\/plan.*/, "");
}

test("open hours: the last slot goes to one of two who want it, a booking moves and is given back", async ({
  browser,
  page,
}) => {
  await signIn(page);
  await page.goto("/slots");
  await page.getByRole("button", { name: "New hours" }).click();
  await page.getByLabel("Title").fill("Ask a warden");
  await page.getByLabel("First day and hour", { exact: true }).fill(inDays(3, "10:00"));
  await page.getByLabel("Until").fill("10:50");
  await page.getByRole("button", { name: "Open them for booking" }).click();
  const own = page.getByRole("region", { name: "Ask a warden" });
  await expect(own.getByText("Nobody has booked yet")).toBeVisible();
  const address = (await own.getByRole("link", { name: /\/book\// }).getAttribute("href"))!;

  const guests = await Promise.all([visitor(browser), visitor(browser)]);
  for (const [i, guest] of guests.entries()) {
    await guest.goto(address);
    await guest.getByText("10:00", { exact: true }).click();
    await guest.getByLabel("Your name").fill(`Slot Guest ${i}`);
    await guest.getByLabel("Mail address").fill(`slot.guest.${i}@example.org`);
    await guest.getByRole("checkbox").check();
  }
  await Promise.all(guests.map((guest) => guest.getByRole("button", { name: "Book it" }).click()));
  const outcome = await Promise.all(
    guests.map((guest) =>
      Promise.race([
        guest
          .getByText("Look at your mail")
          .waitFor()
          .then(() => "booked"),
        guest
          .getByText("This time has just been taken.")
          .waitFor()
          .then(() => "taken"),
      ]),
    ),
  );
  expect([...outcome].sort()).toEqual(["booked", "taken"]);
  const winner = outcome.indexOf("booked");
  // what the other typed is still there; the next slot is theirs
  const other = guests[1 - winner]!;
  await expect(other.getByLabel("Your name")).toHaveValue(`Slot Guest ${1 - winner}`);
  await other.getByText("10:25", { exact: true }).click();
  await other.getByRole("button", { name: "Book it" }).click();
  await expect(other.getByText("Look at your mail")).toBeVisible();
  await page.reload();
  await expect(own.getByRole("row")).toHaveCount(3);
  await (await visitor(browser)).goto(address).then((answer) => expect(answer!.status()).toBe(200));

  // the first gives theirs back: it can be booked again, the second moves there with the same ticket
  const first = linkIn(await mailWith(`slot.guest.${winner}@example.org`, /Your ticket/), "ticket");
  await guests[winner]!.goto(first);
  await guests[winner]!.getByRole("button", { name: "Cancel my place" }).click();
  await guests[winner]!.getByRole("button", { name: "Yes, cancel it" }).click();
  await expect(guests[winner]!.getByText("This registration is cancelled.")).toBeVisible();
  await other.goto(linkIn(await mailWith(`slot.guest.${1 - winner}@example.org`, /Your ticket/), "ticket"));
  await other.getByRole("link", { name: "Another time" }).click();
  await other.getByText("10:00", { exact: true }).click();
  await other.getByRole("button", { name: "Move it here" }).click();
  await expect(other.getByText("You have a place.")).toBeVisible();
  expect((await mailWith(`slot.guest.${1 - winner}@example.org`, /New time/)).text).toContain("10:00 in Lisbon");
  await page.reload();
  await expect(own.getByRole("row").last()).toHaveText(/10:00.*Slot Guest/);
  // whoever gives the hours out cancels, closes, and takes bookings again
  await own.getByRole("row").last().getByRole("button", { name: "Cancel" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Cancel it" }).click();
  await expect(own.getByText("Nobody has booked yet")).toBeVisible();
  await mailWith(`slot.guest.${1 - winner}@example.org`, /cancelled/i);
  await own.getByRole("button", { name: "Close for booking" }).click();
  await expect(own.getByText("closed", { exact: true })).toBeVisible();
  await other.goto(address);
  await expect(other.getByText("Nothing is free at the moment.")).toBeVisible();
});

test("a front door of its own look: picture cropped, questions asked when they apply, answers in the file", async ({
  browser,
  page,
}) => {
  await signIn(page);
  const base = await planEvent(page, "Eider count evening");
  await page.goto(`${base}/front-door`);
  await page.getByRole("button", { name: "Publish" }).click();
  await expect(page.getByText("Published.")).toBeVisible();
  const front = (await page.getByRole("link", { name: /\/front\// }).textContent())!;
  const picture = await sharp({ create: { width: 1200, height: 900, channels: 3, background: "#2E6F8E" } })
    .png()
    .toBuffer();
  await page.getByLabel("Banner").setInputFiles({ name: "shore.png", mimeType: "image/png", buffer: picture });
  await page.getByRole("button", { name: "Use this picture" }).click();
  await expect(page.getByRole("button", { name: "Remove" })).toBeVisible();
  await page.getByRole("textbox", { name: "Colour", exact: true }).fill("#1F6F4A");
  const add = async (label: string, kind: string, more?: (row: ReturnType<Page["getByRole"]>) => Promise<void>) => {
    await page.getByRole("button", { name: "Add a question" }).click();
    const row = page.getByRole("region", { name: "Registration form" }).getByRole("listitem").last();
    await row.getByLabel("Question", { exact: true }).fill(label);
    await row.getByLabel("Kind of answer").selectOption({ label: kind });
    await more?.(row);
  };
  await add("Have you counted before?", "one of several", async (row) => {
    await row.getByLabel("Answers, one a line").fill("Yes\nNo");
    await row.getByLabel("required").check();
  });
  await add("At which site?", "short text", async (row) => {
    await row.getByLabel("required").check();
    await row.getByLabel("Asked if").selectOption({ label: "if “Have you counted before?” is" });
    await row.getByLabel("Answered with").selectOption("Yes");
  });
  // the preview beside is the page itself
  await expect(page.getByRole("complementary").getByText("Have you counted before?").first()).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("The public page is saved.")).toBeVisible();

  const guest = await visitor(browser);
  await guest.goto(`${front}?via=shorenews`);
  await expect(guest.locator("img").first()).toBeVisible();
  await expect(guest.getByLabel(/At which site/)).toHaveCount(0);
  await guest.getByLabel("Your name").fill("Una Dunlin");
  await guest.getByLabel("Mail address").fill("una.eider@example.org");
  await guest.getByRole("checkbox").check();
  await guest.getByLabel(/Have you counted before/).selectOption("Yes");
  await guest.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(guest.getByText("An answer is needed.").first()).toBeVisible();
  await expect(guest.getByLabel("Your name")).toHaveValue("Una Dunlin");
  await guest.getByLabel(/At which site/).fill("The north creek");
  await guest.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(guest.getByText("Look at your mail")).toBeVisible();
  expect((await mailWith("una.eider@example.org", /Your ticket/)).html).toContain("#1F6F4A");
  const rows = parse(await (await page.request.get(`${base}/registrants.csv`)).text(), {
    bom: true,
    columns: true,
  }) as Record<string, string>[];
  expect(Object.values(rows[0]!)).toEqual(
    expect.arrayContaining(["Una Dunlin", "shorenews", "Yes", "The north creek"]),
  );
});

test("the mailing track by hand: a reminder dragged, one typed, one switched off; a mailing stopped and let go on", async ({
  page,
}) => {
  await signIn(page);
  const base = await planEvent(page, "Dunlin evening");
  await page.goto(`${base}/mailings`);
  const before = page.getByLabel("How long before the start");
  await expect(before).toHaveCount(2);
  await before.nth(1).fill("soon");
  await before.nth(1).blur();
  await expect(page.getByText("Say it as 20 min, 24 h or 2 days.")).toBeVisible();
  await before.nth(1).fill("45 min");
  await before.nth(1).press("Enter");
  await expect(before.nth(1)).toHaveValue("45 min");
  await page.getByRole("button", { name: "Switch the reminder 45 min ahead off" }).click();
  await expect(before).toHaveCount(1);
  const mark = page.getByTitle(/^Reminder, /);
  const box = (await mark.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 120, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(before).not.toHaveValue("24 h");

  // a mailing is written, sent and stopped before it left; it goes on where it stood
  await page.getByRole("link", { name: "Note", exact: true }).click();
  await page.getByLabel("Subject").fill("A word before the evening");
  await page.getByLabel("Pasted list").fill(Array.from({ length: 400 }, (_, i) => `dunlin${i}@example.org`).join("\n"));
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved. Nothing was sent.")).toBeVisible();
  await page.getByRole("button", { name: "Send to 400 people" }).click();
  await page.getByRole("button", { name: "Send 400", exact: true }).click();
  const line = page.getByRole("listitem").filter({ hasText: "A word before the evening" });
  await expect(line.getByText(/\d+ of 400/)).toBeVisible();
  await expect(line.getByText("400 of 400")).toBeVisible({ timeout: 60_000 });
  expect(await mailsTo("dunlin0@example.org")).toHaveLength(1);
  expect(await mailsTo("dunlin399@example.org")).toHaveLength(1);
  // somebody named by the list is in the book now; the outbox has each mail
  await page.goto("/outbox");
  await page.getByRole("link", { name: "A word before the evening" }).first().click();
  await expect(page.getByText(/to dunlin\d+/).first()).toBeVisible();
  await page.getByRole("link", { name: "Earlier mails" }).click();
  await expect(page.getByRole("link", { name: "Newest mails" })).toBeVisible();
});

test("the book: somebody added, two made one, one erased for good", async ({ page }) => {
  await signIn(page);
  const add = async (name: string, email: string) => {
    await page.goto("/contacts?view=new");
    await page.getByLabel("Name", { exact: true }).fill(name);
    await page.getByLabel("Mail address").fill(email);
    await page.getByLabel("Groups").fill("Reed crew");
    await page.getByRole("button", { name: "Add to the book" }).click();
    await expect(page).toHaveURL(/contact=/);
  };
  await add("Philippa Reedling", "philippa@example.org");
  await add("Reedling Philippa", "p.reedling@example.com");
  await page.goto("/contacts?view=new");
  await page.getByLabel("Name", { exact: true }).fill("Somebody else");
  await page.getByLabel("Mail address").fill("philippa@example.org");
  await page.getByRole("button", { name: "Add to the book" }).click();
  await expect(page.getByText("Somebody with this address is already on the list.")).toBeVisible();
  await expect(page.getByLabel("Name", { exact: true })).toHaveValue("Somebody else");

  await page.goto("/contacts?view=duplicates");
  await page.getByLabel("Search contacts").fill("réedling");
  await page.getByRole("button", { name: "Search", exact: true }).click();
  const pair = page.getByRole("listitem").filter({ hasText: "p.reedling@example.com" });
  await pair.getByLabel("Mail address: p.reedling@example.com").check();
  await pair.getByRole("button", { name: "Make them one" }).click();
  await expect(page.getByText("They are one person now.")).toBeVisible();
  await page.goto("/contacts?group=Reed crew");
  const book = page.getByRole("region", { name: "The book" });
  await expect(book.getByRole("row")).toHaveCount(2);
  await book
    .getByRole("checkbox", { name: /^Tick / })
    .last()
    .check();
  const many = page.getByRole("form", { name: "With those ticked" });
  await many.getByLabel("Name of the tag or group").fill("spring walk");
  await many.getByRole("button", { name: "Do it" }).click();
  await expect(book.getByText("spring walk")).toBeVisible();
  await expect(book.getByText("p.reedling@example.com")).toBeVisible();

  await book.getByRole("link", { name: /Reedling/ }).click();
  await page.getByRole("button", { name: "Erase this person" }).click();
  await page.getByRole("button", { name: "Erase for good" }).click();
  await page.waitForURL(/\/contacts$/);
  await page.goto("/contacts?words=reedling");
  await expect(page.getByText("Nobody fits")).toBeVisible();
  const file = await page.request.get("/contacts/contacts.csv");
  expect(await file.text()).not.toMatch(/reedling/i);
});
