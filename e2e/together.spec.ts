import { languageNames, messagesFor } from "../src/contracts/messages";
import { sayIn } from "../src/contracts/say";
import { sayTables } from "../src/contracts/say/tables";
import { expectNoSeriousFinding } from "./support/axe";
import { backstageOf, endingItsDates, openDate, seatOf } from "./support/room";
import { expectNoSidewaysScroll } from "./support/scroll";
import { sitAtDesk } from "./support/team";
import { expect, test, type Page } from "./support/test";
import { addToEvent, publish } from "./support/two-desks";

endingItsDates();
const phone = { viewport: { width: 390, height: 844 } };
const { page: read } = messagesFor("en");

/** A picture of three bands, taller than a screen: drawn here, by no file. */
const tallPicture = (page: Page) =>
  page.evaluate(() => {
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [400, 1600];
    const pen = canvas.getContext("2d")!;
    ["#24507a", "#3f5b1d", "#7a3b1e"].forEach((colour, i) => {
      pen.fillStyle = colour;
      pen.fillRect(0, i * 534, 400, 534);
    });
    return canvas.toDataURL("image/png").split(",")[1]!;
  });
/** Which part of the page lies above the screen, of its whole height. */
const above = (page: Page) =>
  page
    .getByRole("region", { name: /^(Everybody reads “|“.*scroll here)/ })
    .evaluate((pane) => pane.scrollTop / pane.scrollHeight);

test("a page is read in step; a picture too; somebody who leads it scrolls for all", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 2);
  const [link] = await addToEvent(date, [{ name: "Livia Aranda", role: "panelist" }]);
  await publish(date);
  await sitAtDesk(marit, date);
  const anna = await seatOf(browser, date.attendees[0]!.token, phone);
  const livia = await backstageOf(browser, link!);
  await marit.getByRole("tab", { name: "Files" }).click();

  await test.step("the event's page, on every screen alike", async () => {
    await marit.getByRole("button", { name: read.showAll }).click();
    for (const page of [marit, anna, livia])
      await expect(
        page
          .getByRole("region", { name: read.title })
          .locator("iframe")
          .contentFrame()
          .getByRole("heading", { level: 1 }),
      ).toBeVisible();
    await expectNoSidewaysScroll(anna, "house: a page read together");
    await expectNoSeriousFinding(anna, "house: a page read together");
    await marit.getByRole("button", { name: read.putAway }).click();
    await expect(anna.getByRole("region", { name: read.title })).toBeHidden();
  });

  await test.step("a picture among the files, once the audience sees it: whoever scrolls is followed to the same line", async () => {
    const buffer = Buffer.from(await tallPicture(marit), "base64");
    await marit.getByLabel("Share a file").setInputFiles({ name: "bands.png", mimeType: "image/png", buffer });
    await marit.getByRole("button", { name: "Show it", exact: true }).click();
    await marit.getByRole("button", { name: "More about “bands.png”" }).click();
    await marit.getByRole("menuitem", { name: read.showAll }).click();
    await expect(anna.getByRole("img", { name: "bands.png" })).toBeVisible();
    await marit.getByRole("region", { name: /scroll here/ }).hover();
    await marit.mouse.wheel(0, 240);
    await expect.poll(() => above(anna)).toBeGreaterThan(0.05);
    const led = await above(marit);
    await expect.poll(async () => Math.abs((await above(anna)) - led)).toBeLessThan(0.01);
    await expectNoSeriousFinding(marit, "desk: a page read together");
  });

  await test.step("whoever comes late begins where the others are", async () => {
    const late = await seatOf(browser, date.attendees[1]!.token);
    await expect.poll(() => above(late)).toBeGreaterThan(0.05);
  });

  await test.step("somebody of the stage leads it by the keys; what is hidden is read by nobody", async () => {
    await marit.getByLabel(read.whoLeads).selectOption({ label: "Livia Aranda" });
    await expect(anna.getByText("Livia Aranda scrolls")).toBeVisible();
    const pane = livia.getByRole("region", { name: /scroll here/ });
    await pane.focus();
    await livia.keyboard.press("Home");
    await expect.poll(() => above(anna)).toBeLessThan(0.01);
    await marit.getByRole("button", { name: "Hide it" }).click();
    await expect(anna.getByRole("img", { name: "bands.png" })).toBeHidden();
  });
});

test("somebody shows what they see; settings are put right by their leave alone; either ends it", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const { help } = messagesFor("en");
  const date = await openDate(baseURL!, 1);
  const [link] = await addToEvent(date, [{ name: "Livia Aranda", role: "interpreter", pair: ["en", "es"] }]);
  await backstageOf(browser, link!);
  await sitAtDesk(marit, date);
  const anna = await seatOf(browser, date.attendees[0]!.token, phone);
  const seen = marit.getByRole("region", { name: "What Guest 1 sees" });
  const offerOf = () => anna.getByRole("dialog");

  await test.step("asked by one act, looked at by one of the team", async () => {
    await anna.getByRole("button", { name: help.ask }).click();
    await expect(anna.getByText(help.asked)).toBeVisible();
    await marit.getByRole("button", { name: "Look at what Guest 1 sees" }).click();
    await expect(anna.getByText(help.shown)).toBeVisible();
    await expect(seen).toContainText("390 × 844");
    await expect(seen).toContainText(help.shown);
    await expectNoSeriousFinding(marit, "desk: helping somebody");
  });

  await test.step("a setting is offered, and changes once it is let", async () => {
    await expect(anna.getByLabel("What you hear")).toHaveValue("");
    await seen.getByLabel(help.settings.hear).selectOption({ label: "Spanish, interpreted" });
    await expect(offerOf()).toContainText("Spanish, interpreted");
    await expectNoSeriousFinding(anna, "house: an offered setting");
    await expect(anna.getByLabel("What you hear")).toHaveValue("");
    await offerOf().getByRole("button", { name: help.let }).click();
    await expect(anna.getByLabel("What you hear")).toHaveValue("es");
    await expect(seen).toContainText("Guest 1 let it happen: “Spanish, interpreted”.");
  });

  await test.step("or stays as it is", async () => {
    await seen.getByLabel(help.settings.hear).selectOption({ label: messagesFor("en").channels.floor });
    await offerOf().getByRole("button", { name: help.refuse }).click();
    await expect(seen).toContainText("Guest 1 left it as it was.");
    await expect(anna.getByLabel("What you hear")).toHaveValue("es");
  });

  await test.step("ended at once by whoever asked, and again by whoever helps", async () => {
    await anna.getByRole("button", { name: help.end }).click();
    await expect(seen).toBeHidden();
    await anna.getByRole("button", { name: help.ask }).click();
    await marit.getByRole("button", { name: "Look at what Guest 1 sees" }).click();
    await marit.getByRole("button", { name: "End helping Guest 1" }).click();
    await expect(anna.getByRole("button", { name: help.ask })).toBeVisible();
  });
});

test("the desk is read in another language, from right to left where it is read so", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 1);
  await sitAtDesk(marit, date);
  const anna = await seatOf(browser, date.attendees[0]!.token, phone);
  const says = (locale: "ar" | "de") => sayIn(locale, sayTables[locale]);

  await test.step("German: the curtain, the in-tray and a refusal", async () => {
    await marit.getByLabel("Language of the desk").selectOption({ label: languageNames.de });
    await expect(marit.getByRole("button", { name: says("de").of("Drop the curtain"), exact: true })).toBeVisible();
    await expect(marit.getByRole("tab", { name: says("de").of("In-tray") })).toBeVisible();
    await anna.getByRole("button", { name: messagesFor("en").floor.raise }).click();
    await expect(marit.getByText(/^Hand oben seit/)).toBeVisible();
    await expectNoSeriousFinding(marit, "desk, in German");
  });

  await test.step("Arabic: the whole page turns round, keys and command line go on", async () => {
    await marit.getByLabel(messagesFor("de").deskLanguage).selectOption({ label: languageNames.ar });
    // what stands first is on the right now: the hour, then the curtain, then the lists
    const tray = marit.getByRole("tab", { name: says("ar").of("In-tray") });
    await expect(tray).toHaveCSS("direction", "rtl");
    const [lists, hall] = await Promise.all([tray.boundingBox(), marit.getByRole("main").boundingBox()]);
    expect(lists!.x).toBeLessThan(hall!.x);
    await expectNoSeriousFinding(marit, "desk, from right to left");
    for (const list of ["Polls", "Chat", "Switches"]) {
      await marit
        .getByRole("tab", { name: says("ar").of(list), exact: true })
        .first()
        .click();
      await expectNoSidewaysScroll(marit, `${list} of the desk, from right to left`);
    }
    await marit.keyboard.press("Control+k");
    await marit.getByLabel(says("ar").of("Person and act")).fill(says("ar").of("Drop the curtain"));
    await marit.keyboard.press("Enter");
    await expect(marit.getByText(says("ar").of("Holding picture, stage unheard"))).toBeVisible();
    await marit.getByLabel(messagesFor("ar").deskLanguage).selectOption({ label: languageNames.en });
    await expect(marit.getByRole("button", { name: "Drop the curtain" })).toBeVisible();
  });
});
