import { readSvg } from "../src/core/room";
import { expectNoSeriousFinding } from "./support/axe";
import { backstageOf, endingItsDates, openDate, seatOf } from "./support/room";
import { expectNoSidewaysScroll } from "./support/scroll";
import { drag } from "./support/drag";
import { expect, test, type Page } from "./support/test";
import { sitAtDesk } from "./support/team";
import { addToEvent } from "./support/two-desks";

endingItsDates();

const things = (page: Page, words: string) => expect(page.getByText(words, { exact: true }).last()).toBeVisible();

test("a board drawn on by three, with a mouse, a finger's place and keys alone; taken back, wiped out, read back from its file", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 2);
  const [leiraLink] = await addToEvent(date, [{ name: "Leira Quill", role: "panelist" }]);
  const files = `/events/${date.eventId}/dates/${date.occurrenceId}`;
  await sitAtDesk(marit, date);
  const anna = await seatOf(browser, date.attendees[0]!.token);
  const leira = await backstageOf(browser, leiraLink!);

  await test.step("the desk makes it, draws behind the curtain's back, and shows it", async () => {
    await marit.getByRole("tab", { name: "Boards" }).click();
    await marit.getByLabel("Name of the board").fill("Where the roosts are");
    await marit.getByRole("button", { name: "Make a board" }).click();
    await marit.getByRole("radio", { name: "ellipse" }).click();
    await drag(marit, [0.2, 0.2], [0.5, 0.6]);
    await things(marit, "1 thing is drawn here");
    await expect(anna.getByRole("img", { name: "Where the roosts are" })).toBeHidden();
    await marit.getByRole("button", { name: "Show it" }).click();
    await expect(anna.getByRole("img", { name: "Where the roosts are" })).toBeVisible();
    await expectNoSeriousFinding(marit, "desk: board");
  });

  await test.step("a panelist draws by keys alone", async () => {
    await leira.getByRole("radio", { name: "arrow" }).focus();
    await leira.keyboard.press("Space");
    await leira.getByRole("radio", { name: "red" }).click();
    await leira.getByRole("application").focus();
    for (const key of ["ArrowLeft", "Enter", "Shift+ArrowRight", "ArrowDown", "Enter"]) await leira.keyboard.press(key);
    await things(marit, "2 things are drawn here");
    await leira.getByRole("radio", { name: "text" }).click();
    await leira.getByRole("application").focus();
    await leira.keyboard.press("Enter");
    await leira.getByLabel("Type, then Enter").fill("north creek");
    await leira.keyboard.press("Enter");
    await things(marit, "3 things are drawn here");
    await expectNoSeriousFinding(leira, "stage: board");
  });

  await test.step("somebody of the audience draws once the desk lets everybody, and takes it back; they clear nothing", async () => {
    await expect(anna.getByRole("heading", { name: "You may draw on the board" })).toBeHidden();
    await marit.getByRole("radio", { name: "everybody" }).click();
    await expect(anna.getByRole("heading", { name: "You may draw on the board" })).toBeVisible();
    await drag(anna, [0.6, 0.2], [0.8, 0.4]);
    await things(marit, "4 things are drawn here");
    await expect(anna.getByRole("button", { name: "Clear" })).toBeHidden();
    await anna.getByRole("button", { name: "Take back" }).click();
    await things(marit, "3 things are drawn here");
    await anna.getByRole("button", { name: "Bring back" }).click();
    await things(leira, "4 things are drawn here");
    await expectNoSeriousFinding(anna, "house: board");
  });

  await test.step("one thing is wiped out from the list, everything cleared and brought back", async () => {
    await leira.getByText("4 things are drawn here").click();
    await leira.getByRole("listitem").filter({ hasText: "ellipse" }).getByRole("button", { name: "Wipe out" }).click();
    await things(anna, "3 things are drawn here");
    await leira.getByRole("button", { name: "Clear" }).click();
    await leira.getByRole("alertdialog").getByRole("button", { name: "Clear" }).click();
    await things(anna, "Nothing is drawn here");
    await leira.getByRole("button", { name: "Take back" }).click();
    await things(anna, "3 things are drawn here");
  });

  await test.step("what stands is in the date's files, is read again, and becomes a board that can be drawn on", async () => {
    const svg = await marit.request.get(`${files}/board-1.svg`);
    const text = await svg.text();
    const read = readSvg(text);
    expect(read.ok && read.value.map((mark) => [mark.tool, mark.colour, mark.text])).toEqual([
      ["arrow", "red", ""],
      ["text", "red", "north creek"],
      ["pen", "blue", ""],
    ]);
    const png = await marit.request.get(`${files}/board-1.png`);
    expect([png.headers()["content-type"], (await png.body()).subarray(1, 4).toString()]).toEqual(["image/png", "PNG"]);
    expect((await anna.request.get(`${files}/board-1.svg`)).status()).toBe(401);
    await marit.getByText("Another board").click();
    await marit
      .getByLabel("A board that was saved as SVG")
      .setInputFiles({ name: "Last year.svg", mimeType: "image/svg+xml", buffer: Buffer.from(text) });
    await expect(marit.getByRole("listitem").filter({ hasText: "Last year" })).toBeVisible();
    const again = readSvg(await (await marit.request.get(`${files}/board-2.svg`)).text());
    expect(again).toEqual(read);
  });
});

test("scenes on keys, a picture of one's own, the holding picture's words, and files that are shown and taken", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 2);
  const links = await addToEvent(date, [
    { name: "Leira Quill", role: "panelist" },
    { name: "Ilka Varn", role: "panelist" },
  ]);
  await sitAtDesk(marit, date);
  for (const link of links) await backstageOf(browser, link);
  for (const name of ["Leira Quill", "Ilka Varn"])
    await marit.getByRole("listitem").filter({ hasText: name }).getByRole("button", { name: "To the stage" }).click();
  const anna = await seatOf(browser, date.attendees[0]!.token, { viewport: { width: 390, height: 844 } });
  const programme = anna.getByRole("region", { name: "Programme" });
  const leira = programme.getByText("Leira Quill");
  const ilka = programme.getByText("Ilka Varn");
  await expect(leira.and(programme.getByText("Leira Quill"))).toBeVisible();
  await expect(ilka).toBeVisible();

  await test.step("a key shows one, a list says whom; another goes back", async () => {
    await marit.keyboard.press("2");
    await expect(ilka.or(leira)).toHaveCount(1);
    await marit.getByRole("combobox", { name: "Who is on the picture" }).selectOption({ label: "Ilka Varn" });
    await expect(ilka).toBeVisible();
    await expect(leira).toHaveCount(0);
    await marit.getByRole("combobox", { name: "Who is on the picture" }).blur();
    await marit.keyboard.press("1");
    await expect(leira).toBeVisible();
    await marit.keyboard.press("u");
    await expect(leira).toHaveCount(0);
    await marit.keyboard.press("0");
    await expect(leira).toBeVisible();
  });

  await test.step("somebody keeps one person on their own picture, and comes back", async () => {
    await anna.getByRole("button", { name: "Keep Leira Quill on my picture" }).click();
    await expect(ilka).toHaveCount(0);
    await anna.getByRole("button", { name: "Show what everybody sees" }).last().click();
    await expect(ilka).toBeVisible();
  });

  await test.step("the holding picture says what the desk wrote", async () => {
    await marit.getByRole("button", { name: "Holding picture …" }).click();
    await marit.getByLabel("Message").fill("Back at low water");
    await marit.getByRole("radio", { name: "a quiet shore" }).click();
    await marit.getByRole("button", { name: "Keep it" }).click();
    // keys never fire behind a dialog
    await expect(marit.getByRole("dialog")).toBeHidden();
    await marit.keyboard.press("7");
    await expect(programme.getByText("Back at low water")).toBeVisible();
    await expect(anna.getByRole("button", { name: "Sound off" })).toBeVisible();
    await expectNoSeriousFinding(anna, "house: holding picture");
    await expectNoSidewaysScroll(anna, "house: holding picture");
    await marit.keyboard.press("0");
    await expect(programme.getByText("Back at low water")).toBeHidden();
  });

  await test.step("a file is brought, hidden until it is shown, taken and counted", async () => {
    await marit.getByRole("tab", { name: "Files" }).click();
    const program = { name: "count.exe", mimeType: "application/octet-stream", buffer: Buffer.from("MZ") };
    await marit.getByLabel("Share a file").setInputFiles(program);
    await expect(marit.getByText("This is a program.")).toBeVisible();
    const table = { name: "Tide table.txt", mimeType: "text/plain", buffer: Buffer.from("low water 18:42") };
    await marit.getByLabel("Share a file").setInputFiles(table);
    const row = marit.getByRole("listitem").filter({ hasText: "Tide table.txt" });
    await expect(row.getByText("The audience does not see it.")).toBeVisible();
    await expect(anna.getByRole("tab", { name: "Files" })).toBeHidden();
    await row.getByRole("button", { name: "Show it" }).click();
    await anna.getByRole("tab", { name: "Files" }).click();
    const href = (await anna.getByRole("link", { name: "Tide table.txt" }).getAttribute("href"))!;
    expect(await (await anna.request.get(href)).text()).toBe("low water 18:42");
    await row.getByRole("button", { name: "Hide it" }).click();
    await expect(row.getByText("taken once")).toBeVisible();
    await expect(anna.getByRole("link", { name: "Tide table.txt" })).toBeHidden();
    expect((await anna.request.get(href)).status()).toBe(404);
    await expectNoSeriousFinding(marit, "desk: files");
  });
});

test("captions in two languages: typed, put right, read as one wants them, in the date's files", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 1);
  const [ilkaLink] = await addToEvent(date, [{ name: "Ilka Varn", role: "captioner" }]);
  await sitAtDesk(marit, date);
  const ilka = await backstageOf(browser, ilkaLink!);
  const anna = await seatOf(browser, date.attendees[0]!.token, { viewport: { width: 390, height: 844 } });
  const captions = anna.getByRole("region", { name: "Captions" });
  const place = ilka.getByRole("region", { name: "Captions" });

  await test.step("the desk opens two languages; the captioner's place comes up", async () => {
    await expect(ilka.getByText("The desk has opened no captions yet.")).toBeVisible();
    await expect(captions).toBeHidden();
    await marit.getByRole("tab", { name: "Captions" }).click();
    await marit.getByRole("button", { name: "Open captions" }).click();
    // the list of languages is another once this one is open
    await expect(marit.getByText("Captions in English")).toBeVisible();
    await marit.getByRole("combobox", { name: "Language of the captions" }).click();
    await marit.getByRole("option", { name: "Portuguese", exact: true }).click();
    await marit.getByRole("button", { name: "Open captions" }).click();
    await expect(marit.getByText("Captions in Portuguese")).toBeVisible();
    await expect(place).toBeVisible();
  });

  await test.step("a line is typed with an abbreviation and put right; the house reads it", async () => {
    await place.getByRole("tab", { name: "Abbreviations" }).click();
    await place.getByRole("textbox", { name: "Abbreviations" }).fill("hw = high water");
    await place.getByRole("tab", { name: "By hand" }).click();
    await place.getByLabel("The next line").fill("The knots come at hw tonigth.");
    await ilka.keyboard.press("Enter");
    await expect(place.getByText("The knots come at high water tonigth.")).toBeVisible();
    await place.getByRole("button", { name: "Put right" }).click();
    await place.getByLabel("Put this line right").fill("The knots come at high water tonight.");
    await ilka.keyboard.press("Enter");
    await expect(place.getByText("The knots come at high water tonight.")).toBeVisible();
    await expect(place.getByText("tonigth")).toBeHidden();
  });

  await test.step("each reader has a language, a size, or none", async () => {
    await captions
      .getByRole("combobox", { name: "Language of the captions" })
      .selectOption({ label: "Captions in Portuguese" });
    await place.getByLabel("I write in").selectOption({ label: "Portuguese" });
    await place.getByLabel("The next line").fill("Boa noite a todos.");
    await ilka.keyboard.press("Enter");
    await expect(captions.getByText("Boa noite a todos.")).toBeVisible();
    await captions.getByRole("combobox", { name: "Size of the captions" }).selectOption("largest");
    await expectNoSeriousFinding(anna, "house: captions");
    await expectNoSidewaysScroll(anna, "house: captions");
    await expectNoSeriousFinding(ilka, "captioner");
    await captions.getByRole("combobox", { name: "Language of the captions" }).selectOption("off");
    await expect(captions.getByRole("combobox", { name: "Size of the captions" })).toBeHidden();
  });

  await test.step("a text is fed line by hand where nobody is heard", async () => {
    await place.getByRole("tab", { name: "From a text" }).click();
    await place
      .getByLabel("Text", { exact: true })
      .fill("A primeira frase é um pouco longa. A segunda frase vem depois dela.");
    await place.getByRole("button", { name: "Next line now" }).click();
    await expect(place.getByText("Line 1 of 2")).toBeVisible();
  });

  await test.step("both are in the date's files", async () => {
    const file = async (language: string) =>
      (await marit.request.get(`/events/${date.eventId}/dates/${date.occurrenceId}/captions.${language}.vtt`)).text();
    expect(await file("en")).toMatch(/^WEBVTT\n\n[\d:.]+ --> [\d:.]+\nThe knots come at high water tonight\.\n$/);
    expect(await file("pt")).toMatch(/Boa noite a todos\.[^]*A primeira frase é um pouco longa\./);
  });
});
