import { expectNoSeriousFinding } from "./support/axe";
import { messagesFor } from "../src/contracts/messages";
import { endingItsDates, openDate, rowsOf, seatOf } from "./support/room";
import { expectNoSidewaysScroll } from "./support/scroll";
import { signIn } from "./support/team";
import { expect, test, type Page } from "./support/test";
import { addressOf, addToEvent, readIn } from "./support/two-desks";

endingItsDates();
const ar = messagesFor("ar");
test.use({ actionTimeout: 20_000 });

const phone = { viewport: { width: 390, height: 844 } };
const listed = (page: Page, list: string, words: string | RegExp) =>
  page.getByRole("list", { name: list }).getByRole("listitem").filter({ hasText: words });

test("a language is interpreted by two who hand over; a listener chooses it and keeps it", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 1);
  const pair: [string, string] = ["en", "es"];
  const links = await addToEvent(date, [
    { name: "Livia Aranda", role: "interpreter", pair },
    { name: "Tomas Reyo", role: "interpreter", pair },
  ]);
  await signIn(marit);
  await marit.goto(`/events/${date.eventId}/desk/${date.occurrenceId}`);
  const booths: Page[] = [];
  for (const link of links) {
    const booth = await (await browser.newContext()).newPage();
    await booth.goto(`/enter/${link}`);
    await booth.getByRole("button", { name: "Go backstage" }).click();
    await expect(booth.getByRole("heading", { name: "Interpreting" })).toBeVisible();
    booths.push(booth);
  }
  const [livia, tomas] = booths as [Page, Page];
  const anna = await seatOf(browser, date.attendees[0]!.token, phone);
  await marit.getByRole("tab", { name: "Interpreting" }).click();

  await test.step("a listener chooses the language before anybody speaks", async () => {
    await anna.getByLabel("What you hear").selectOption({ label: "Spanish, interpreted" });
    await expect(anna.getByText("Nobody interprets just now: you hear the stage.")).toBeVisible();
    await expect(listed(marit, "Interpreted languages", "Spanish")).toContainText("Nobody interprets · 1 listens");
  });

  await test.step("one microphone speaks; the other says when they take it, and it moves by itself", async () => {
    await livia.getByRole("button", { name: "Open my microphone" }).click();
    await expect(anna.getByText("Livia Aranda interprets.")).toBeVisible();
    await expect(livia.getByText("Your microphone is open.")).toBeVisible();
    await tomas.getByRole("button", { name: "I take it in 30 s" }).click();
    await expect(tomas.getByText("Waiting for Livia Aranda to agree.")).toBeVisible();
    await livia.getByRole("button", { name: "Agreed" }).click();
    await expect(tomas.getByText(/You take over in \d+ s/)).toBeVisible();
    await expectNoSeriousFinding(tomas, "interpreter");
    await expect(tomas.getByText("Your microphone is open.")).toBeVisible({ timeout: 60_000 });
    await expect(anna.getByText("Tomas Reyo interprets.")).toBeVisible();
  });

  await test.step("the choice stays with whoever comes back; the desk can close a microphone", async () => {
    await anna.reload();
    await expect(anna.getByLabel("What you hear")).toHaveValue("es");
    await expectNoSidewaysScroll(anna, "house: languages");
    await listed(marit, "Interpreted languages", "Spanish")
      .getByRole("button", { name: "Close the microphone" })
      .click();
    await expect(anna.getByText("Nobody interprets just now: you hear the stage.")).toBeVisible();
    const quieter = marit.getByLabel("Under an interpreter the stage is quieter by (decibels)");
    await quieter.fill("20");
    await marit.keyboard.press("Enter");
    await expect(quieter).toHaveValue("20");
    await expectNoSeriousFinding(marit, "desk: interpreting");
  });
});

test("side rooms from a file: opened with a countdown, written in, helped, called back, in the date's files", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 3);
  const [first, second, late] = date.attendees;
  await readIn(second!.ticketId, "ar");
  await signIn(marit);
  await marit.goto(`/events/${date.eventId}/desk/${date.occurrenceId}`);
  const anna = await seatOf(browser, first!.token, phone);
  const leila = await seatOf(browser, second!.token, { locale: "ar" }, ar.foyer.enter);
  await marit.getByRole("tab", { name: "Side rooms" }).click();
  const room = (name: string) => listed(marit, "Side rooms", name);

  await test.step("two rooms from a file; whoever is not registered is told with the line", async () => {
    const [knot, curlew] = [await addressOf(first!.ticketId), await addressOf(second!.ticketId)];
    const rows = ["room,email", `Knots,${knot}`, `Curlews,${curlew}`, "Knots,nobody@example.org"];
    await marit
      .getByLabel("Rooms from a file")
      .setInputFiles({ name: "rooms.csv", mimeType: "text/csv", buffer: Buffer.from(rows.join("\r\n")) });
    await expect(room("Knots")).toContainText("1 of 1 here");
    await expect(anna.getByText("Your side room: Knots")).toBeVisible();
  });

  await test.step("the room wears other colours for everybody, and its own again", async () => {
    const dressed = anna.locator("div", { has: anna.locator("> main") }).last();
    await marit.getByRole("button", { name: "Colours …" }).click();
    await marit.getByRole("button", { name: "Rust" }).click();
    await expectNoSeriousFinding(marit, "desk: colours of the room");
    await marit.getByRole("button", { name: "Use it" }).click();
    await expect(dressed).toHaveAttribute("style", /--action: ?#7a3b1e/i);
    await marit.getByRole("button", { name: "Colours …" }).click();
    await marit.getByRole("button", { name: "Take the last change back" }).click();
    await expect(dressed).not.toHaveAttribute("style", /#7a3b1e/i);
    await marit.keyboard.press("Escape");
  });

  await test.step("they open after a countdown; each writes in their own room", async () => {
    await marit.getByRole("button", { name: "Open them for 2" }).click();
    await expect(anna.getByText(/The side rooms open in/)).toBeVisible();
    await expect(anna.getByRole("heading", { name: "Knots" })).toBeVisible({ timeout: 30_000 });
    await expect(leila.getByRole("heading", { name: "Curlews" })).toBeVisible();
    await anna.getByRole("textbox").fill("We count on the ebb.");
    await anna.keyboard.press("Enter");
    await expect(anna.getByText("We count on the ebb.")).toBeVisible();
    await expect(leila.getByText("We count on the ebb.")).toBeHidden();
    await expectNoSidewaysScroll(anna, "side room");
    await expectNoSeriousFinding(anna, "side room");
    await expectNoSeriousFinding(leila, "side room, from right to left");
  });

  await test.step("a late comer goes to the smallest room by themselves", async () => {
    const oskar = await (await browser.newContext()).newPage();
    await oskar.goto(`/enter/${late!.token}`);
    await oskar.getByRole("button", { name: "Take my seat" }).click();
    await expect(oskar.getByRole("heading", { name: "Knots" })).toBeVisible();
    await expect(room("Knots")).toContainText("2 of 2 here");
  });

  await test.step("help is asked; the producer looks in, writes, and is seen", async () => {
    await anna.getByRole("button", { name: "Ask for help" }).click();
    await expect(room("Knots")).toContainText("asks for help");
    await room("Knots").getByRole("button", { name: "Look in: Knots" }).click();
    await expect(marit.getByText("We count on the ebb.")).toBeVisible();
    await expect(room("Knots")).not.toContainText("asks for help");
    await marit.getByRole("region", { name: "Chat" }).getByRole("textbox").fill("Count what lands, not what flies.");
    await marit.keyboard.press("Enter");
    await expect(anna.getByText("Count what lands, not what flies.")).toBeVisible();
    await marit.getByLabel("Say to all side rooms").fill("Five minutes left");
    await marit.getByRole("button", { name: "Say it" }).click();
    await expect(leila.getByText(/Five minutes left/)).toBeVisible();
    await expectNoSeriousFinding(marit, "desk: side rooms");
  });

  await test.step("somebody goes back by themselves and returns; everybody is called back", async () => {
    await anna.getByRole("button", { name: "Back to the main room" }).click();
    await expect(anna.getByRole("region", { name: "Programme" })).toBeVisible();
    await anna.getByRole("button", { name: "Go to Knots" }).click();
    await expect(anna.getByRole("heading", { name: "Knots" })).toBeVisible();
    await marit.getByRole("button", { name: "Call everybody back in a minute" }).click();
    await expect(anna.getByText(/Everybody is back in the main room in \d+:\d\d/)).toBeVisible();
    await marit.getByRole("button", { name: "Back at once" }).click();
    await marit.getByRole("button", { name: "Bring them back" }).click();
    await expect(anna.getByRole("region", { name: "Programme" })).toBeVisible();
  });

  await test.step("who was where, and what was written, is in the files", async () => {
    const stays = await rowsOf(marit, date, "side-rooms");
    expect(stays.filter((row) => row["name"] === "Guest 1").map((row) => row["room"])).toEqual(["Knots", "Knots"]);
    const chat = await rowsOf(marit, date, "chat");
    expect(chat.map((row) => [row["to"], row["text"]])).toEqual([
      ["side room: 1", "We count on the ebb."],
      ["side room: 1", "Count what lands, not what flies."],
    ]);
  });
});
