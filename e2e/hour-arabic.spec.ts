import { ar } from "../src/contracts/messages/ar";
import { expectNoSeriousFinding } from "./support/axe";
import { calledDate, endingItsDates } from "./support/room";
import { expectNoSidewaysScroll } from "./support/scroll";
import { addToEvent, readIn } from "./support/two-desks";
import { expect, test, type Page } from "./support/test";

endingItsDates();

/** Presses a button as somebody without a mouse does. */
async function press(page: Page, name: string | RegExp): Promise<void> {
  const button = page.getByRole("button", { name, exact: true });
  await button.focus();
  await page.keyboard.press("Enter");
}

test("the attendee's hour on a phone, in Arabic, from right to left, by keyboard alone", async ({
  browser,
  baseURL,
}) => {
  const date = await calledDate(baseURL!, 1);
  const { producerAtWork: desk } = date;
  await readIn(date.attendees[0]!.ticketId, "ar");
  const options = { viewport: { width: 390, height: 844 }, locale: "ar", timezoneId: "Africa/Cairo" };
  const page = await (await browser.newContext(options)).newPage();
  await page.goto(`/enter/${date.attendees[0]!.token}`);
  await press(page, ar.foyer.enter);
  await expect(page.getByText(ar.foyer.doorsClosed)).toBeVisible();
  expect(await page.locator("html").getAttribute("dir")).toBe("rtl");
  await expectNoSidewaysScroll(page, "foyer in Arabic");
  await desk.send({ type: "hour.open-doors" });
  await expect(page.getByText(ar.house.curtainDown)).toBeVisible();
  await desk.send({ type: "hour.raise-curtain" });

  await press(page, ar.floor.raise);
  await expect(page.getByText(ar.floor.isUp)).toBeVisible();
  await desk.send({ type: "floor.offer", ticketId: date.attendees[0]!.ticketId, parts: ["sound"] });
  await expect(page.getByRole("heading", { name: ar.floor.offered })).toBeVisible();
  await press(page, ar.floor.open);
  await expect(page.getByRole("heading", { name: ar.floor.isOpen })).toBeVisible();
  await expectNoSeriousFinding(page, "house in Arabic, with the floor");
  await press(page, ar.floor.giveBack);
  await expect(page.getByRole("heading", { name: ar.floor.isOpen })).toBeHidden();

  const applause = new RegExp(`^${ar.signals.kinds.applause}`);
  await page.getByRole("button", { name: applause }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: new RegExp(`^${ar.signals.kinds.applause}\\s*1`) })).toBeVisible();

  const ask = page.getByLabel(ar.house.ask);
  await expect(ask).toHaveCSS("direction", "rtl");
  await ask.fill("Knots?");
  await expect(ask).toHaveCSS("direction", "ltr");
  await ask.fill("");
  await ask.focus();
  await page.keyboard.type("متى يعود المد الليلة؟");
  await expect(ask).toHaveCSS("direction", "rtl");
  await press(page, ar.house.send);
  await expect(page.getByText(ar.house.sent)).toBeVisible();

  await desk.send({ type: "polls.open", pollId: date.pollId });
  const first = page.getByRole("radio").first();
  await expect(first).toBeVisible();
  await expectNoSidewaysScroll(page, "house in Arabic, a poll open");
  await first.focus();
  await page.keyboard.press("Space");
  await expect(page.getByText(ar.house.pollVoted, { exact: false })).toBeVisible();
  await desk.send({ type: "polls.close", pollId: date.pollId });
  await desk.send({ type: "polls.reveal", pollId: date.pollId });
  await expect(page.getByText(/100/).first()).toBeVisible();

  await page.getByRole("tab", { name: ar.chat.tabs.chat }).focus();
  await page.keyboard.press("Enter");
  await page.getByRole("textbox", { name: ar.chat.say }).focus();
  await page.keyboard.type("مساء الخير من القاهرة");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("log").getByText("مساء الخير من القاهرة")).toBeVisible();
  await expectNoSeriousFinding(page, "house in Arabic, chat");
  await expectNoSidewaysScroll(page, "house in Arabic, chat");
  await desk.send({ type: "hour.end" });
  await expect(page.getByText(ar.house.ended)).toBeVisible();
});

test("somebody on stage reads it in Arabic, from right to left: what the desk asks, what is left, the board, the chat", async ({
  browser,
  baseURL,
}) => {
  const date = await calledDate(baseURL!, 1);
  const { producerAtWork: desk } = date;
  const [link] = await addToEvent(date, [{ name: "ليلى", role: "panelist", locale: "ar" }]);
  const page = await (await browser.newContext({ locale: "ar" })).newPage();
  await page.goto(`/enter/${link}`);
  await press(page, ar.foyer.enterBackstage);
  await expect(page.getByText(ar.stage.places.backstage, { exact: true }).first()).toBeVisible();
  expect(await page.locator("html").getAttribute("dir")).toBe("rtl");
  await expect(page.getByText(ar.stage.before)).toBeVisible();
  await desk.send({ type: "stage.ask-to-open", ticketId: null });
  await desk.send({ type: "cues.show-card", card: "one-minute" });
  await expect(page.getByText(ar.stage.cards["one-minute"])).toBeVisible();
  await desk.send({ type: "board.make", title: "المد" });
  await expect(page.getByRole("region", { name: ar.board.title })).toBeVisible();
  await expect(page.getByRole("radio", { name: ar.board.tools.pen, exact: true })).toBeVisible();
  await expect(page.getByRole("tab", { name: ar.stage.talks.talkback })).toBeVisible();
  // nothing English is left to be read out
  const labels = await page
    .locator("main [aria-label]")
    .evaluateAll((all) => all.map((one) => one.getAttribute("aria-label")!));
  expect(labels.filter((label) => /^[A-Z][a-z]+/.test(label) && !/Marit|Guest/.test(label))).toEqual([]);
  await expectNoSeriousFinding(page, "stage in Arabic");
  await expectNoSidewaysScroll(page, "stage in Arabic");
});
