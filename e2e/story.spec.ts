import { expect, test, type Browser, type Page } from "./support/test";
import { parse } from "csv-parse/sync";
import { readFile } from "node:fs/promises";
import { linkIn, mailWith } from "./support/mail";
import { lisbonIn, signIn } from "./support/team";

const title = "Spring roost evening";

async function planEvent(page: Page): Promise<void> {
  await page.getByRole("link", { name: "Plan an event" }).click();
  await page.getByLabel("Title").fill(title);
  await page.getByRole("textbox", { name: "Description" }).fill("Where the flocks sleep.");
  await page.getByLabel("Date and hour", { exact: true }).fill(lisbonIn(10));
  await page.getByLabel("Time zone, by city").fill("Lisbon, Portugal");
  await page.getByLabel("Registration limit").fill("2");
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
}

async function addPanelist(page: Page): Promise<void> {
  await page
    .getByRole("navigation", { name: "Order of work" })
    .getByRole("link", { name: /People/ })
    .click();
  await page.getByLabel("Name", { exact: true }).fill("Leira Quill");
  await page.getByLabel("Mail address").fill("leira.quill@example.net");
  await page.getByRole("button", { name: "Add to the event" }).click();
  await expect(page.getByText("leira.quill@example.net")).toBeVisible();
  await page.getByRole("button", { name: "Preview invitation" }).click();
  await expect(page.getByText("You are on stage: Spring roost evening")).toBeVisible();
  await page.getByRole("button", { name: "Send it" }).click();
  await expect(page.getByText("Sent.", { exact: true })).toBeVisible();
}

async function writeRunSheet(page: Page): Promise<void> {
  await page
    .getByRole("navigation", { name: "Order of work" })
    .getByRole("link", { name: /Run sheet/ })
    .click();
  for (const [segment, minutes] of [
    ["Welcome", "10"],
    ["The roosts", "30"],
    ["Goodbye", "20"],
  ] as const) {
    await page.getByRole("button", { name: "Add a segment" }).click();
    await page.getByLabel("Segment", { exact: true }).last().fill(segment);
    await page.getByLabel("Length in minutes").last().fill(minutes);
  }
  // reordered by keyboard alone
  await page.getByRole("button", { name: "Move Goodbye", exact: true }).focus();
  const said = page.locator("[id^=DndLiveRegion]");
  await page.keyboard.press("Space");
  await expect(said).toContainText("at its own place");
  const lifted = (await said.textContent())!;
  await page.keyboard.press("ArrowUp");
  await expect(said).not.toHaveText(lifted);
  await page.keyboard.press("Space");
  await expect(page.getByLabel("Segment", { exact: true }).nth(1)).toHaveValue("Goodbye");
  await page.getByRole("button", { name: "Add a poll" }).click();
  await page.getByLabel("The poll's question").fill("Have you seen a roost?");
  await page.getByLabel("Answers, one a line").fill("Yes\nNot yet");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Run sheet saved.")).toBeVisible();
}

async function registerAs(browser: Browser, name: string, email: string, front: string): Promise<Page> {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(front);
  await page.getByLabel("Your name").fill(name);
  await page.getByLabel("Mail address").fill(email);
  await page.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(page.getByText("Without your consent").first()).toBeVisible();
  await page.getByRole("checkbox").check();
  await expect(page.getByLabel("Your name")).toHaveValue(name);
  await page.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(page.getByText("Look at your mail")).toBeVisible();
  return page;
}

test("the whole story, from planning to the attendance file", async ({ browser, page }) => {
  await signIn(page);
  await planEvent(page);
  await addPanelist(page);
  await writeRunSheet(page);

  await page
    .getByRole("navigation", { name: "Order of work" })
    .getByRole("link", { name: /Public page/ })
    .click();
  await page.getByRole("button", { name: "Publish" }).click();
  await expect(page.getByText("Published.")).toBeVisible();
  const front = (await page.getByRole("link", { name: /\/front\// }).textContent())!;

  const anna = await registerAs(browser, "Anna Skerry", "anna.skerry@example.org", front);
  const bo = await registerAs(browser, "Bo Thrift", "bo.thrift@example.com", front);
  await registerAs(browser, "Cai Wadden", "cai.wadden@example.com", front);
  const annaMail = await mailWith("anna.skerry@example.org", /Your ticket/);
  const boMail = await mailWith("bo.thrift@example.com", /Your ticket/);
  await mailWith("cai.wadden@example.com", /Waiting list/);
  expect(annaMail.attachments.some((one) => one.mimeType === "text/calendar")).toBe(true);

  // panelist: the link of the mail, the check, backstage
  const leiraContext = await browser.newContext();
  const leira = await leiraContext.newPage();
  await leira.goto(linkIn(await mailWith("leira.quill@example.net", /You are on stage/), "enter"));
  await leira.getByRole("button", { name: "Try microphone and camera" }).click();
  await expect(leira.getByRole("button", { name: "Hear yourself" })).toBeVisible();
  await leira.getByRole("button", { name: "Go backstage" }).click();
  await expect(leira.getByText("Backstage", { exact: true }).first()).toBeVisible();

  // attendees: foyer
  for (const [guest, mail] of [
    [anna, annaMail],
    [bo, boMail],
  ] as const) {
    await guest.goto(linkIn(mail, "enter"));
    await guest.getByRole("button", { name: "Take my seat" }).click();
    await expect(guest.getByText("The doors are still closed.")).toBeVisible();
  }

  // the desk
  await page.getByRole("navigation", { name: "Order of work" }).getByRole("link", { name: /Desk/ }).click();
  await expect(page.getByText("2 in the foyer")).toBeVisible();
  await page.getByRole("button", { name: "To the stage: Leira Quill" }).click();
  await expect(leira.getByText("On stage, curtain down")).toBeVisible();
  await page.getByRole("button", { name: "Open the doors" }).click();
  await page.getByRole("button", { name: "Let 2 in" }).click();
  await expect(anna.getByText("The programme begins shortly")).toBeVisible();
  await expect(page.getByText("2 of 100 in the audience")).toBeVisible();
  await page.getByRole("button", { name: "Raise it for 2" }).click();
  await expect(anna.getByRole("region", { name: "Programme" }).getByText("Leira Quill")).toBeVisible();
  await expect(leira.getByText("The audience sees you")).toBeVisible();
  await page.keyboard.press("n");
  await expect(page.getByRole("listitem").filter({ hasText: "Welcome" })).toHaveAttribute("aria-current", "step");

  // what the panelist's microphone hears (the browser's own test tone) is seen at the desk, never in the house
  await leira.getByRole("button", { name: "Try microphone and camera" }).click();
  await leira.getByRole("button", { name: "Microphone closed: open it" }).click();
  const level = page.getByRole("meter", { name: "Level of Leira Quill" });
  await expect.poll(async () => Number(await level.getAttribute("aria-valuenow"))).toBeGreaterThan(0);
  await expect(anna.getByRole("meter")).toHaveCount(0);

  // one key drops the curtain; it rises again
  await page.keyboard.press("x");
  await expect(anna.getByText("One moment, please")).toBeVisible();
  await page.getByRole("button", { name: /Raise it for/ }).click();
  await expect(anna.getByRole("region", { name: "Programme" }).getByText("Leira Quill")).toBeVisible();

  // a question, voted for, lined up, on stage, answered aloud
  await anna.getByLabel("Ask a question").fill("Where do the knots sleep?");
  await anna.getByRole("button", { name: "Ask", exact: true }).click();
  await bo.getByRole("button", { name: /I would like to know this too/ }).click();
  const card = page.getByRole("listitem").filter({ hasText: "Where do the knots sleep?" });
  await expect(card.getByText("1 vote")).toBeVisible();
  await card.getByRole("button", { name: "Line up" }).click();
  await card.getByRole("button", { name: "Show now" }).click();
  await expect(leira.getByText("Where do the knots sleep?")).toBeVisible();
  await expect(bo.getByText("Being answered now")).toBeVisible();
  await card.getByRole("button", { name: "Answered aloud" }).click();
  await expect(anna.getByText("· answered")).toBeVisible();

  // a poll: opened, voted, closed, its results shown
  await page.getByRole("tab", { name: "Polls" }).click();
  await page.getByRole("button", { name: "Open the poll" }).click();
  await anna.getByRole("radio", { name: "Yes" }).click();
  await bo.getByRole("radio", { name: "Not yet" }).click();
  await bo.getByRole("radio", { name: "Yes" }).click();
  await expect(page.getByText("2 · 100 %")).toBeVisible();
  await page.getByRole("button", { name: "Close the poll" }).click();
  await page.getByRole("button", { name: "Show the results" }).click();
  await expect(anna.getByText("2 · 100 %")).toBeVisible();

  // the end, asked once
  await page.getByRole("button", { name: "End the date" }).click();
  await page.getByRole("button", { name: "End it for everybody" }).click();
  await expect(anna.getByText("The event has ended.")).toBeVisible();

  await page.getByRole("link", { name: "Workspace" }).click();
  await page
    .getByRole("navigation", { name: "Order of work" })
    .getByRole("link", { name: /Report/ })
    .click();
  const attendance = async () => {
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("link", { name: "attendance.csv" }).click(),
    ]);
    return parse(await readFile(await download.path()), { bom: true, columns: true }) as Record<string, string>[];
  };
  const ofAnna = (rows: Record<string, string>[]) => rows.find((row) => row["email"] === "anna.skerry@example.org")!;
  // the last sign of life arrives within two seconds of the end
  await expect.poll(async () => Number(ofAnna(await attendance())["percent_present"])).toBeGreaterThan(80);
  const rows = await attendance();
  const line = ofAnna(rows);
  expect(line).toMatchObject({ name: "Anna Skerry", role: "attendee", registered: "yes", questions: "1", votes: "1" });
  expect(rows.find((row) => row["email"] === "bo.thrift@example.com")).toMatchObject({ votes: "2", questions: "0" });

  // every mail, as its recipient got it
  await page.getByRole("link", { name: "Mail", exact: true }).click();
  await page
    .getByRole("link", { name: `Your ticket: ${title}` })
    .first()
    .click();
  await expect(page.getByText("Calendar file (REQUEST)")).toBeVisible();
});
