import { expectNoSeriousFinding } from "./support/axe";
import { messagesFor } from "../src/contracts/messages";
import { heardFrom } from "./support/heard";
import { backstageOf, endingItsDates, openDate, rowsOf, seatOf } from "./support/room";
import { expectNoSidewaysScroll } from "./support/scroll";
import { sitAtDesk } from "./support/team";
import { drag } from "./support/drag";
import { expect, test, type Browser, type Page } from "./support/test";
import { addressOf, addToEvent, readIn } from "./support/two-desks";

endingItsDates();
const ar = messagesFor("ar");

const phone = { viewport: { width: 390, height: 844 } };
const listed = (page: Page, list: string, words: string | RegExp) =>
  page.getByRole("list", { name: list }).getByRole("listitem").filter({ hasText: words });

/** Who interprets from another interpreter hears them, and the floor 14 dB under them; from the floor again, the floor alone. */
async function relayed(browser: Browser, link: string, voice: string): Promise<void> {
  const rute = await backstageOf(browser, link);
  const from = rute.getByLabel("I interpret from");
  const others = "audio:not([aria-label])";
  await expect.poll(async () => (await heardFrom(rute, others, 100)).volume, { timeout: 60_000 }).toBe(1);
  await from.selectOption({ label: "Spanish, spoken by Tomas Reyo" });
  await expect(async () => {
    expect((await heardFrom(rute, voice)).loudest).toBeGreaterThan(0.01);
    expect((await heardFrom(rute, others, 100)).volume).toBeCloseTo(0.1995, 3);
  }).toPass({ timeout: 60_000, intervals: [2000] });
  await from.selectOption({ label: "The stage itself" });
  await expect(rute.locator(voice)).toHaveCount(0);
  await expect.poll(async () => (await heardFrom(rute, others, 100)).volume).toBe(1);
  await rute.close();
}

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
    { name: "Oskar Vell", role: "panelist" },
    { name: "Rute Salgado", role: "interpreter", pair: ["es", "pt"] },
  ]);
  const [, , panelist, onward] = links;
  await sitAtDesk(marit, date);
  const booths: Page[] = [];
  for (const link of links.slice(0, 2)) {
    const booth = await backstageOf(browser, link!);
    await expect(booth.getByRole("heading", { name: "Interpreting" })).toBeVisible();
    booths.push(booth);
  }
  const [livia, tomas] = booths as [Page, Page];
  const anna = await seatOf(browser, date.attendees[0]!.token, phone);
  const voice = 'audio[aria-label="Spanish, interpreted"]';
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
    await expect.poll(async () => (await heardFrom(anna, voice)).loudest, { timeout: 60_000 }).toBeGreaterThan(0.01);
    await tomas.getByRole("button", { name: "I take it in 30 s" }).click();
    await expect(tomas.getByText("Waiting for Livia Aranda to agree.")).toBeVisible();
    await livia.getByRole("button", { name: "Agreed" }).click();
    await expect(tomas.getByText(/You take over in \d+ s/)).toBeVisible();
    await expectNoSeriousFinding(tomas, "interpreter");
    await expect(tomas.getByText("Your microphone is open.")).toBeVisible({ timeout: 60_000 });
    await expect(anna.getByText("Tomas Reyo interprets.")).toBeVisible();
    const before = (await heardFrom(anna, voice, 100)).at;
    await expect(async () => {
      const { at, loudest } = await heardFrom(anna, voice, 1500);
      expect(at).toBeGreaterThan(before + 2);
      expect(loudest).toBeGreaterThan(0.01);
    }).toPass({ timeout: 60_000 });
  });

  await test.step("the stage goes on 14 dB under the interpreter, and comes back when their microphone is closed", async () => {
    const oskar = await backstageOf(browser, panelist!, { permissions: ["camera", "microphone"] });
    await oskar.getByRole("button", { name: messagesFor("en").stage.microphone.isClosed }).click();
    await marit.getByRole("button", { name: "To the stage: Oskar Vell" }).click();
    const stage = 'video[aria-label="Programme"]';
    const listening = { timeout: 90_000, intervals: [3000] };
    // ISO 80000-8: 14 dB under is a factor of 10^(−14/20)
    await expect(async () => {
      const { loudest, volume } = await heardFrom(anna, stage);
      expect(loudest).toBeGreaterThan(0.01);
      expect(volume).toBeCloseTo(0.1995, 3);
    }).toPass(listening);
    await relayed(browser, onward!, voice);
    await tomas.getByRole("button", { name: "Close my microphone" }).click();
    await expect.poll(async () => (await heardFrom(anna, stage, 100)).volume).toBe(1);
    await tomas.getByRole("button", { name: "Open my microphone" }).click();
    await expect.poll(async () => (await heardFrom(anna, stage, 100)).volume).toBeCloseTo(0.1995, 3);
    await oskar.close();
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
  await sitAtDesk(marit, date);
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
    await expect(anna.getByRole("heading", { name: "Knots" })).toBeVisible();
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

  await test.step("the room draws together, asks and answers; what it cannot answer goes to the main room", async () => {
    const board = anna.getByRole("region", { name: "Board of Knots" });
    await drag(anna, [0.2, 0.3], [0.7, 0.6]);
    await expect(board.getByText("1 thing is drawn here")).toBeVisible();
    await expect(leila.getByText(/1 thing/)).toBeHidden();
    await marit.getByRole("tab", { name: "Board", exact: true }).click();
    const visited = marit.getByRole("region", { name: "Board of Knots" });
    await expect(visited.getByText("1 thing is drawn here")).toBeVisible();
    await anna.getByRole("tab", { name: "Questions" }).click();
    await anna.getByRole("textbox", { name: "Ask this room" }).fill("Do sleeping ones count?");
    await anna.getByRole("button", { name: "Ask", exact: true }).click();
    await marit
      .getByRole("tab", { name: /^Questions 1$/ })
      .last()
      .click();
    await expectNoSeriousFinding(anna, "side room: questions");
    await marit.getByRole("button", { name: "It is answered" }).click();
    await expect(anna.getByText(/Answered \d\d:\d\d/)).toBeVisible();
    await anna.getByRole("textbox", { name: "Ask this room" }).fill("Who counts the far bank?");
    await anna.getByRole("button", { name: "Ask", exact: true }).click();
    await anna.getByRole("button", { name: "Ask in the main room" }).click();
    await expect(anna.getByText("Asked in the main room")).toBeVisible();
    await expectNoSidewaysScroll(anna, "side room: questions");
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
      ["side room: 1", "Do sleeping ones count?"],
      ["side room: 1", "Who counts the far bank?"],
    ]);
    await marit.goto(`/events/${date.eventId}/afterwards/${date.occurrenceId}`);
    const drawn = marit.getByRole("region", { name: "Boards" });
    await expect(drawn.getByText("Side room Knots")).toBeVisible();
    const saved = await marit.request.get((await drawn.getByRole("link", { name: "SVG" }).getAttribute("href"))!);
    expect(await saved.text()).toContain("data-mark");
  });
});
