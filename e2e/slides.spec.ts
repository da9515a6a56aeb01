import { chromiumFlags } from "../scripts/lib/chromium-flags";
import { chromium } from "@playwright/test";
import { messagesFor } from "../src/contracts/messages";
import { deckOf } from "../tests/support/pdf";
import { expectNoSeriousFinding } from "./support/axe";
import { calledDate, endingItsDates, seatOf } from "./support/room";
import { expect, test } from "./support/test";
import { signIn } from "./support/team";
import { addToEvent, readIn } from "./support/two-desks";

endingItsDates();

const pdf = (name: string, bytes: Uint8Array) => ({ name, mimeType: "application/pdf", buffer: Buffer.from(bytes) });

/** Slides as a browser prints them: real fonts, Arabic in order and shaped. */
async function printed(pages: readonly string[]): Promise<Buffer> {
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: [...chromiumFlags] });
  const page = await browser.newPage();
  await page.setContent(
    pages.map((one) => `<section dir="auto" style="page-break-after:always;font-size:60px">${one}</section>`).join(""),
  );
  const bytes = await page.pdf({ width: "960px", height: "540px" });
  await browser.close();
  return bytes;
}

test("a panelist's slides: brought by their link, another language added, opened by a cue, turned, looked at elsewhere, taken away", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await calledDate(baseURL!, 2, { areAdmitted: true });
  const [leiraLink] = await addToEvent(date, [{ name: "Leira Quill", role: "panelist" }]);
  await readIn(date.attendees[1]!.ticketId, "pt");

  const leira = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await test.step("what is no PDF is refused with the way to export; a PDF's pages are made while one looks on", async () => {
    await leira.goto(`/enter/${leiraLink}`);
    await leira.getByText("Slides", { exact: true }).click();
    await leira.getByLabel("Add slides").setInputFiles(pdf("talk.pptx", new TextEncoder().encode("PK no slides")));
    await expect(leira.getByText("This is no PDF. Export the slides as PDF")).toBeVisible();
    const deck = await deckOf([
      { text: "The shore", note: "Greet the wardens." },
      { text: "Neap and spring" },
      { text: "The roosts" },
    ]);
    await leira.getByLabel("Add slides").setInputFiles(pdf("Tides.pdf", deck));
    await expect(leira.getByText("3 pages")).toBeVisible({ timeout: 120_000 });
  });

  await test.step("the producer adds the Portuguese ones and ties them to a segment at page 2", async () => {
    await signIn(marit);
    await marit.goto(`/events/${date.eventId}/run-sheet`);
    const slides = marit.getByRole("region", { name: "Slides" });
    await slides.getByLabel("They are").selectOption({ label: "“Tides” in another language" });
    await slides.getByRole("combobox", { name: "Language of these slides" }).click();
    await marit.getByRole("option", { name: "Portuguese", exact: true }).click();
    await slides.getByLabel("Add slides").setInputFiles({
      ...pdf("Marés.pdf", new Uint8Array()),
      buffer: await printed(["A costa", "مد وجزر", "Os pousos"]),
    });
    await expect(slides.getByText("3 pages")).toHaveCount(2, { timeout: 120_000 });
    await slides.getByRole("checkbox", { name: "people may take the file" }).first().check();
    await marit.getByLabel("Slides of The count").selectOption({ label: "Tides" });
    await marit.getByLabel("First page of The count").fill("2");
    await marit.getByLabel("Led by").nth(1).selectOption({ label: "Leira Quill" });
    await marit.getByRole("button", { name: "Save", exact: true }).click();
    await expect(marit.getByText("Run sheet saved.")).toBeVisible();
    await expectNoSeriousFinding(marit, "run sheet with slides");
  });

  await marit.goto(`/events/${date.eventId}/desk/${date.occurrenceId}`);
  await leira.getByRole("button", { name: "Go backstage" }).click();
  await date.producerAtWork.send({ type: "hour.open-doors" });
  await date.producerAtWork.send({ type: "hour.raise-curtain" });
  const anna = await seatOf(browser, date.attendees[0]!.token);
  const rui = await seatOf(
    browser,
    date.attendees[1]!.token,
    { viewport: { width: 390, height: 844 } },
    messagesFor("pt").foyer.enter,
  );
  const picture = (page: typeof anna) => page.getByRole("img", { name: /^Page|^Página/ }).first();

  await test.step("the cue opens them at page 2, in each reader's language, with the text for who hears it", async () => {
    await marit.getByRole("button", { name: /^Next: Welcome/ }).click();
    await marit.getByRole("button", { name: /^Next: The count/ }).click();
    await expect(anna.getByRole("img", { name: "Page 2 of 3" })).toBeVisible();
    await expect(rui.getByRole("img", { name: "Página 2 de 3" })).toBeVisible();
    // on a phone the page has the width for itself
    expect((await rui.getByRole("img", { name: "Página 2 de 3" }).boundingBox())!.height).toBeGreaterThan(180);
    await expect(anna.getByText("Neap and spring")).toBeAttached();
    await expect(rui.getByText("مد وجزر")).toBeAttached();
    expect(await picture(anna).getAttribute("src")).not.toBe(await picture(rui).getAttribute("src"));
    // not one page of those to come is known to the house
    expect(await anna.content()).not.toContain("The roosts");
  });

  await test.step("whoever leads turns by the arrow keys and reads the notes; the others follow", async () => {
    await expect(leira.getByText("You turn the slides")).toBeVisible();
    await leira.getByRole("heading", { name: "Tides" }).click();
    await leira.keyboard.press("ArrowRight");
    await expect(anna.getByRole("img", { name: "Page 3 of 3" })).toBeVisible();
    await leira.keyboard.press("ArrowLeft");
    await leira.keyboard.press("ArrowLeft");
    await expect(rui.getByRole("img", { name: "Página 1 de 3" })).toBeVisible();
    await expect(leira.getByText("Greet the wardens.")).toBeVisible();
    await expect(anna.getByText("Greet the wardens.")).toHaveCount(0);
  });

  await test.step("the desk names who turns, lets people look elsewhere, and puts the slides away", async () => {
    await marit.getByRole("tab", { name: "Slides" }).click();
    const turner = marit.getByLabel("Who turns");
    const other = turner.locator("option").filter({ hasNotText: /whoever|Leira/ });
    await turner.selectOption((await other.first().getAttribute("value"))!);
    await expect(leira.getByText("You turn the slides")).toBeHidden();
    await marit.getByRole("tab", { name: "Switches" }).click();
    await marit.getByRole("switch", { name: "People turn the slides for themselves" }).click();
    await anna.getByRole("button", { name: "Next page" }).click();
    await anna.getByRole("button", { name: "Next page" }).click();
    await expect(anna.getByText("The stage is on page 1.")).toBeVisible();
    await expect(anna.getByRole("img", { name: "Page 3 of 3" })).toBeVisible();
    await anna.getByRole("button", { name: "Back to the stage’s page" }).click();
    await expect(anna.getByRole("img", { name: "Page 1 of 3" })).toBeVisible();
    await expectNoSeriousFinding(anna, "house with slides");
    const taken = await anna.request.get(
      (await anna.getByRole("link", { name: "Take the slides with you" }).getAttribute("href"))!,
    );
    expect((await taken.body()).subarray(0, 5).toString()).toBe("%PDF-");
    await marit.getByRole("tab", { name: "Slides" }).click();
    await expectNoSeriousFinding(marit, "desk with slides");
    await marit.getByRole("button", { name: "Put the slides away" }).click();
    await expect(anna.getByRole("img", { name: /^Page/ })).toHaveCount(0);
  });
});

test("slides arrive in pieces and go on where they broke off (tus 1.0.0), for whoever may bring them", async ({
  page,
  request,
  baseURL,
}) => {
  const date = await calledDate(baseURL!, 0);
  await signIn(page);
  const bytes = Buffer.from(await deckOf([{ text: "In two pieces" }]));
  const metadata = (about: Record<string, string>) =>
    Object.entries(about)
      .map(([key, value]) => `${key} ${Buffer.from(value).toString("base64")}`)
      .join(",");
  const about = metadata({ occurrenceId: date.occurrenceId, title: "In pieces", language: "en" });
  const headers = { "tus-resumable": "1.0.0", origin: baseURL! };
  const create = (by: typeof request, more: object = {}) =>
    by.post("/upload/slides", {
      headers: { ...headers, "upload-length": String(bytes.length), "upload-metadata": about, ...more },
    });
  const patch = (url: string, offset: number, data: Buffer) =>
    page.request.patch(url, {
      headers: { ...headers, "upload-offset": String(offset), "content-type": "application/offset+octet-stream" },
      data,
    });
  // nobody who is not signed in and has no link; nothing from elsewhere; nothing too large
  expect((await create(request)).status()).toBe(401);
  expect((await create(page.request, { origin: "https://elsewhere.example.org" })).status()).toBe(403);
  expect((await create(page.request, { "upload-length": "100000001" })).status()).toBe(413);

  const made = await create(page.request);
  expect(made.status()).toBe(201);
  const url = made.headers()["location"]!;
  expect((await patch(url, 0, bytes.subarray(0, 500))).headers()["upload-offset"]).toBe("500");
  // the piece before again is a conflict (§ PATCH: the offset must be the present one)
  expect((await patch(url, 0, bytes.subarray(0, 500))).status()).toBe(409);
  const kept = await page.request.head(url, { headers });
  expect([kept.headers()["upload-offset"], kept.headers()["upload-length"]]).toEqual(["500", String(bytes.length)]);
  expect((await patch(url, 500, bytes.subarray(500))).status()).toBe(204);
  await page.goto(`/events/${date.eventId}/run-sheet`);
  await expect(page.getByRole("region", { name: "Slides" }).getByText("1 page", { exact: true })).toBeVisible({
    timeout: 120_000,
  });
});
