import { expectNoSeriousFinding } from "./support/axe";
import { movedToNow, uploadedRecording } from "./support/recorded";
import { expect, test, type Browser, type Page } from "./support/test";

const at = (page: Page) => page.locator("video").evaluate((one: HTMLVideoElement) => one.currentTime);

test("a recording is watched together: planned like a date, begun by itself, the same instant for all, waiting while the curtain is down", async ({
  page,
  browser,
  baseURL,
}) => {
  const date = await uploadedRecording(page, baseURL!);
  const form = page.getByRole("region", { name: "Watch it together" });
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
  await form.getByRole("textbox").fill(`${tomorrow} 19:00`);
  await form.getByRole("button", { name: "Plan the screening" }).click();
  await expect(form.getByRole("link", { name: "Desk" })).toBeVisible();
  await expectNoSeriousFinding(page, "a screening that is planned");

  // its hour has come: nobody waits a day for a test
  const { occurrenceId, tokens } = await movedToNow(date.eventId, ["Ines Marl", "Oskar Vell"]);
  const ines = await (await browser.newContext()).newPage();
  await test.step("the way in is the screening's own address; any other date's link leads nowhere there", async () => {
    expect((await ines.goto(`/screening/${date.attendees[0]!.token}`))?.status()).toBe(404);
    await ines.goto(`/screening/${tokens[0]}`);
    await ines.getByRole("button", { name: "Take my seat" }).click();
  });
  const oskar = await seatOfScreening(browser, tokens[1]!);

  await test.step("it plays by itself, at the same place on every screen", async () => {
    for (const one of [ines, oskar]) {
      await expect(one.getByText("Recording: A busy evening")).toBeVisible();
      await expect.poll(() => at(one), { timeout: 60_000 }).toBeGreaterThan(2);
    }
    await expect
      .poll(async () => Math.abs((await at(ines)) - (await at(oskar))), { timeout: 60_000 })
      .toBeLessThan(0.7);
    await expectNoSeriousFinding(ines, "house: a screening");
  });

  await test.step("it has a chat of its own", async () => {
    for (const one of [ines, oskar]) await one.getByRole("tab", { name: /Chat/ }).click();
    await ines.getByRole("textbox", { name: "Write to the chat" }).fill("The third bay is ours");
    await ines.keyboard.press("Enter");
    await expect(oskar.getByText("The third bay is ours")).toBeVisible();
  });

  await test.step("while the desk has the curtain down it waits, and no byte of it is given out", async () => {
    await page.goto(`/events/${date.eventId}/desk/${occurrenceId}`);
    await expect(page.getByText("It begins and ends by itself", { exact: false }).first()).toBeVisible();
    const src = (await ines.locator("video").getAttribute("src"))!;
    expect((await ines.request.get(src, { headers: { range: "bytes=0-99" } })).status()).toBe(206);
    await page.getByRole("button", { name: "Drop the curtain" }).click();
    await expect(ines.locator("video")).toHaveCount(0);
    expect((await ines.request.get(src)).status()).toBe(404);
    await page.getByRole("button", { name: /^Raise it for/ }).click();
    await expect.poll(() => at(ines), { timeout: 60_000 }).toBeGreaterThan(2);
  });
});

/** By the ticket's usual link, which leads to the same room. */
async function seatOfScreening(browser: Browser, token: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(`/enter/${token}`);
  await page.getByRole("button", { name: "Take my seat" }).click();
  return page;
}
