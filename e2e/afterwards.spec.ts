import { parse } from "csv-parse/sync";
import { namesInZip } from "../tests/support/zip";
import { expectNoSeriousFinding } from "./support/axe";
import { pastDate } from "./support/past";
import { expectNoSidewaysScroll } from "./support/scroll";
import { figure } from "./support/report-page";
import { signIn } from "./support/team";
import { expect, test, type Page } from "./support/test";

const training = "Warden training, part one";
const shots = process.env["REPORT_SHOTS"];
const picture = async (page: Page, name: string) => {
  if (shots) await page.screenshot({ path: `${shots}/${name}.png` });
};
test("after an hour: who left is written to, lines are put right, credit is issued, a survey answered, dates compared, everything taken along", async ({
  page,
  browser,
}) => {
  const date = await pastDate(training);
  const base = `/events/${date.eventId}/afterwards/${date.occurrenceId}`;
  const files = `/events/${date.eventId}/dates/${date.occurrenceId}`;
  await signIn(page);
  await page.goto(base);
  const came = await figure(page, "Came");

  await test.step("the archive holds every file, and the figures can be computed from it", async () => {
    const rows = parse(await (await page.request.get(`${files}/attendance.csv`)).text(), {
      bom: true,
      columns: true,
    }) as Record<string, string>[];
    const there = rows.filter((row) => row["role"] === "attendee" && Number(row["minutes_present"]) > 0);
    expect(there).toHaveLength(came);
    const zip = await (await page.request.get(`${files}/report.zip`)).body();
    expect(namesInZip(zip)).toEqual(expect.arrayContaining(["readme.txt", "attendance.csv", "polls.csv"]));
    expect((await (await page.request.get(`${files}/report.xlsx`)).body()).subarray(0, 2).toString()).toBe("PK");
  });

  await test.step("the hand on the rail says the hour by keys alone, and marks a stretch", async () => {
    const rail = page.getByRole("slider");
    await rail.focus();
    for (let i = 0; i < 20; i += 1) await page.keyboard.press("ArrowRight");
    await expect(rail).toHaveAttribute("aria-valuetext", /\d\d:\d\d · \d+ in the audience/);
    for (let i = 0; i < 15; i += 1) await page.keyboard.press("Shift+ArrowRight");
    const marked = page.getByRole("region", { name: "The stretch that is marked" });
    await expect(marked).toContainText("there at any time");
    await picture(page, "report");
    await page.keyboard.press("Escape");
    await expect(marked).toHaveCount(0);
    await page.mouse.move(0, 0);
    await expectNoSeriousFinding(page, "report");
  });

  await test.step("who left in a segment gets a mail that only begins", async () => {
    const segments = page.getByRole("list", { name: "Segments and who stayed through them" });
    const buttons = segments.getByRole("button");
    await buttons.nth((await buttons.count()) - 2).click();
    const write = page.getByRole("button", { name: /^Write to (these \d+|this person)$/ });
    await write.click();
    await expect(page).toHaveURL(/\/mailings\?mailing=/);
  });

  await test.step("somebody only tried, and counts again; two are one, and two again", async () => {
    await page.goto(`${base}/people`);
    await page.getByRole("checkbox", { name: "Came", exact: true }).click();
    await expect(page.getByRole("status").filter({ hasText: " of " })).toContainText(`${came} of`);
    await picture(page, "people-of-date");
    await expectNoSeriousFinding(page, "people of a date");
    await page.getByRole("rowgroup", { name: "Rows" }).getByRole("link").first().click();
    await page.getByRole("button", { name: "Only tried: count in no figure" }).click();
    await expect(page.getByRole("button", { name: "Count them again" })).toBeVisible();
    const person = page.url();
    await page.goto(base);
    expect(await figure(page, "Came")).toBe(came - 1);
    await page.goto(person);
    await page.getByRole("button", { name: "Count them again" }).click();
    await expect(page.getByRole("button", { name: "Only tried: count in no figure" })).toBeVisible();
    await page.getByRole("button", { name: "Same person as …" }).click();
    await page.getByRole("combobox", { name: "Person" }).click();
    await page.getByRole("option").nth(1).click();
    await page.getByRole("button", { name: "Merge", exact: true }).click();
    await page.getByRole("button", { name: /^Undo the merge with/ }).click();
    await expect(page.getByRole("button", { name: /^Undo the merge with/ })).toHaveCount(0);
  });

  await test.step("an entry is put right with its reason; one that ends before it begins is refused", async () => {
    await page.goto(`${base}/people`);
    await page.getByRole("checkbox", { name: "Came", exact: true }).click();
    await page.getByRole("rowgroup", { name: "Rows" }).getByRole("link").nth(3).click();
    await page.getByRole("button", { name: "Correct …" }).first().click();
    const out = page.getByLabel("Went out");
    const was = await out.inputValue();
    await out.fill(was.replace(/^\d{4}/, "2020"));
    await page.getByLabel("Reason").fill("The bridge was cut off");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByText("It would be over before it begins.")).toBeVisible();
    await out.fill(was);
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByText("The bridge was cut off")).toBeVisible();
    await picture(page, "person");
    await expectNoSeriousFinding(page, "one person");
  });

  await test.step("credit is issued once; a certificate says whether it is valid, and nothing more", async () => {
    await page.goto(`${base}/credit`);
    await page.getByRole("button", { name: /^Issue \d+ certificates$/ }).click();
    await page
      .getByRole("alertdialog")
      .getByRole("button", { name: /^Issue/ })
      .click();
    const table = page.getByRole("table", { name: "Certificates" });
    await expect(table).toBeVisible();
    await picture(page, "credit");
    await expectNoSeriousFinding(page, "credit");
    const number = table.getByRole("link").first();
    const address = (await number.getAttribute("href"))!;
    const pdf = await page.request.get((await table.getByRole("link", { name: "PDF" }).first().getAttribute("href"))!);
    expect([pdf.headers()["content-type"], (await pdf.body()).subarray(0, 5).toString()]).toEqual([
      "application/pdf",
      "%PDF-",
    ]);
    const outside = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    await outside.goto(address);
    await expect(outside.getByText("This certificate is valid.")).toBeVisible();
    await expectNoSidewaysScroll(outside, "certificate");
    await table
      .getByRole("button", { name: /^Correct the certificate/ })
      .first()
      .click();
    await page.getByRole("checkbox", { name: "Withdrawn: not valid any more" }).click();
    await page.getByLabel("Reason").fill("Issued to the wrong person");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(table.getByText("Issued to the wrong person")).toBeVisible();
    await outside.reload();
    await expect(outside.getByText("This certificate was withdrawn: it is not valid.")).toBeVisible();
  });

  await test.step("a survey is written, answered from a phone, changed, and read", async () => {
    await page.goto(`${base}/survey`);
    await page.getByRole("checkbox", { name: "Answers are kept without names" }).click();
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByText("Saved.", { exact: false })).toBeVisible();
    const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    await phone.goto(`/survey/${date.token}`);
    await phone.getByRole("button", { name: "Send the answers" }).click();
    await expect(phone.getByText("An answer is missing here.")).toBeVisible();
    await phone.getByRole("radio", { name: "4", exact: false }).first().check();
    await phone.getByRole("textbox").fill("More time for questions");
    await phone.getByRole("button", { name: "Send the answers" }).click();
    await expect(phone.getByText("Thank you. Your answers are kept.")).toBeVisible();
    await picture(phone, "survey-phone");
    await expectNoSeriousFinding(phone, "survey");
    await expectNoSidewaysScroll(phone, "survey");
    await page.reload();
    await expect(page.getByText("More time for questions")).toBeVisible();
    await picture(page, "survey");
    await expectNoSeriousFinding(page, "survey of a date");
  });

  await test.step("the date stands beside earlier ones, and in its year", async () => {
    await page.goto(`${base}/compare`);
    await expect(page.getByRole("table", { name: "Dates side by side" })).toBeVisible();
    await picture(page, "compare");
    await expectNoSeriousFinding(page, "compare");
    await page.goto("/year");
    await expect(page.getByRole("heading", { name: /^The year \d{4}$/ })).toBeVisible();
    await picture(page, "year");
    await expectNoSeriousFinding(page, "year");
  });

  await test.step("a summary is shown to somebody else, and taken back", async () => {
    await page.goto(`${base}/summary`);
    await page.getByRole("button", { name: "Make a link" }).click();
    const links = page.getByRole("list", { name: "Links given out" });
    const address = (await links.locator("span.mono").first().textContent())!;
    const path = new URL(address).pathname;
    const other = await (await browser.newContext()).newPage();
    await other.goto(path);
    await expect(other.getByRole("heading", { level: 1, name: training })).toBeVisible();
    await picture(other, "summary");
    await expectNoSeriousFinding(other, "summary");
    await links.getByRole("button", { name: "Take back" }).click();
    await expect(links.getByText("taken back")).toBeVisible();
    expect((await other.request.get(path)).status()).toBe(404);
  });
});
