import { expectNoSeriousFinding } from "./support/axe";
import { calledDate, endingItsDates, rowsOf } from "./support/room";
import { expect, test, type Browser, type Page } from "./support/test";
import { signIn } from "./support/team";
import { addToEvent } from "./support/two-desks";

endingItsDates();

/**
 * Somebody's own browser, which gives no camera and no sound: those have a journey of their own (`programme`), and eight
 * pages that encode and decode take a small machine away from what is looked at here.
 */
async function comeIn(browser: Browser, token: string, act: string, options: object = {}): Promise<Page> {
  const page = await (await browser.newContext(options)).newPage();
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException("none here", "NotFoundError"));
  });
  await page.goto(`/enter/${token}`);
  await page.getByRole("button", { name: act }).click();
  return page;
}
const tray = (desk: Page) => desk.getByRole("complementary", { name: "In-tray" });
const list = (desk: Page, name: RegExp) => desk.getByRole("tab", { name }).first().click();

/** A poll with a question of each kind that a poll can hold, and a presence check, made at the desk. */
async function preparePolls(desk: Page): Promise<void> {
  await list(desk, /^Polls/);
  await desk.getByRole("button", { name: "New poll" }).click();
  const sheet = desk.getByRole("dialog", { name: "New poll" });
  const kinds = [
    ["One answer", "Seen a roost?", "Yes\nNo"],
    ["Several answers", "Which birds?", "Knot\nCurlew\nDunlin"],
    ["Scale", "How clear?", null],
    ["Put in order", "What first?", "Hide\nBoardwalk"],
    ["Free text", "One word?", null],
    ["Quiz", "Which tide?", "Ebb\nFlood"],
  ] as const;
  for (const [i, [kind, text, answers]] of kinds.entries()) {
    if (i > 0) await sheet.getByRole("button", { name: "Add a question to this poll" }).click();
    await sheet.getByLabel("Kind of question").nth(i).selectOption(kind);
    await sheet.getByLabel("The poll's question").nth(i).fill(text);
    if (answers) await sheet.getByLabel("Answers, one a line").last().fill(answers);
  }
  await sheet.getByLabel("Answers, one a line").last().blur();
  await sheet.getByLabel("Flood").check();
  await sheet.getByRole("button", { name: "Prepare the poll" }).click();
  await expect(sheet).toBeHidden();
  await desk.getByRole("button", { name: "New poll" }).click();
  await sheet.getByLabel("Kind of question").selectOption("Presence check");
  await sheet.getByLabel("The poll's question").fill("Still here?");
  await sheet.getByRole("button", { name: "Prepare the poll" }).click();
  await expect(sheet).toBeHidden();
}

async function answerAll(guest: Page, word: string): Promise<void> {
  await guest.getByRole("radio", { name: "Yes" }).click();
  for (const bird of ["Knot", "Dunlin"]) await guest.getByLabel(bird).check();
  await guest.getByRole("radio", { name: "4", exact: true }).click();
  for (const place of ["Boardwalk", "Hide"]) await guest.getByRole("button", { name: place }).click();
  await guest.getByLabel("One word?").fill(word);
  await guest.getByRole("radio", { name: "Flood" }).click();
  await guest.getByRole("button", { name: "Send my answer" }).click();
  await expect(guest.getByText("Your vote is counted.", { exact: false })).toBeVisible();
}

test("an hour of two desks, two panelists and four attendees, carried to its end by whoever is left at a desk", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await calledDate(baseURL!, 4);
  const [, leiraLink, ilkaLink] = await addToEvent(date, [
    {
      name: "Nuno Fenmoor",
      role: "crew",
      duties: ["people", "questions", "chat", "polls"],
      member: "nuno@brinewold.example.org",
    },
    { name: "Leira Quill", role: "panelist" },
    { name: "Ilka Varn", role: "panelist" },
  ]);
  const desk = `/events/${date.eventId}/desk/${date.occurrenceId}`;
  await signIn(marit);
  await marit.goto(desk);
  const nuno = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(nuno, "nuno@brinewold.example.org");
  await nuno.goto(desk);
  const leira = await comeIn(browser, leiraLink!, "Go backstage");
  const ilka = await comeIn(browser, ilkaLink!, "Go backstage");
  const guests: Page[] = [];
  for (const { token } of date.attendees) guests.push(await comeIn(browser, token, "Take my seat"));
  const [anna, bo, cai, dora] = guests as [Page, Page, Page, Page];
  for (const guest of guests) await expect(guest.getByText("The doors are still closed.")).toBeVisible();

  await test.step("people are let in one by one: whoever is at the door is named", async () => {
    await list(marit, /^Switches/);
    await marit.getByRole("switch", { name: "Let people in one by one" }).click();
    await marit.getByRole("button", { name: "Open the doors" }).click();
    await marit.getByRole("button", { name: /^Let \d+ in$/ }).click();
    await expect(tray(nuno).getByRole("button", { name: /^Let in: / })).toHaveCount(4);
    await expect(anna.getByText("People are let in one by one. You are at the door.")).toBeVisible();
    await tray(nuno).getByRole("button", { name: "Let in: Guest 1" }).click();
    await expect(anna.getByRole("region", { name: "Programme" })).toBeVisible();
    await expect(bo.getByRole("region", { name: "Programme" })).toHaveCount(0);
    await tray(nuno).getByRole("button", { name: "Let all 3 in" }).click();
    for (const guest of [bo, cai, dora]) await expect(guest.getByRole("region", { name: "Programme" })).toBeVisible();
  });

  await test.step("the stage is set and the curtain rises", async () => {
    for (const name of ["Leira Quill", "Ilka Varn"]) {
      await marit.getByRole("button", { name: `To the stage: ${name}` }).click();
    }
    await marit.getByRole("button", { name: /^Raise it for 4/ }).click();
    await expect(leira.getByText("The audience sees you")).toBeVisible();
    await expect(dora.getByRole("region", { name: "Programme" }).getByText("Ilka Varn")).toBeVisible();
    await marit.getByRole("button", { name: "Ask to open the microphone: Ilka Varn" }).click();
    await ilka.getByRole("button", { name: "Open it", exact: true }).click();
    await expect(marit.getByRole("button", { name: "Close the microphone: Ilka Varn" })).toBeVisible();
    // a camera is asked for as a microphone is: closed from the desk, opened by its owner alone
    const shelves = marit.getByRole("region", { name: "People" });
    await marit.getByRole("button", { name: "More about Ilka Varn" }).click();
    await marit.getByRole("menuitem", { name: "Ask to open the camera" }).click();
    await ilka.getByRole("button", { name: "Open it", exact: true }).click();
    await expect(shelves.getByText("camera open")).toHaveCount(1);
    await expect(ilka.getByRole("button", { name: "Camera open: close it" })).toBeVisible();
    await marit.getByRole("button", { name: "More about Ilka Varn" }).click();
    await marit.getByRole("menuitem", { name: "Close the camera" }).click();
    await expect(ilka.getByRole("button", { name: "Camera closed: open it" })).toBeVisible();
    await ilka.getByRole("button", { name: "Camera closed: open it" }).click();
    await expect(shelves.getByText("camera open")).toHaveCount(1);
  });

  await test.step("a hand that one of two desks takes is dim at the other; the floor is given and opened", async () => {
    await cai.getByRole("button", { name: "Raise a hand" }).click();
    await tray(nuno).getByRole("button", { name: "I take it: Guest 3" }).click();
    await list(marit, /^In-tray/);
    await expect(tray(marit).getByText("Nuno Fenmoor is at it.")).toBeVisible();
    await expect(tray(nuno).getByText("You are at it.")).toBeVisible();
    await tray(nuno).getByRole("button", { name: "Give the floor: Guest 3" }).click();
    await cai.getByRole("button", { name: "Open my microphone" }).click();
    await expect(marit.getByRole("region", { name: "People" }).getByText("microphone open").first()).toBeVisible();
    await expect(anna.getByText("On the floor: Guest 3")).toBeVisible();
    await cai.getByRole("button", { name: "Give the floor back" }).click();
    await expect(anna.getByText("On the floor: Guest 3")).toBeHidden();
  });

  await test.step("somebody of the audience comes on stage and goes back", async () => {
    await list(nuno, /^People/);
    await nuno.getByLabel("Find somebody").fill("Guest 4");
    await nuno.getByRole("list", { name: "Everyone" }).getByRole("button").first().click();
    await nuno.getByRole("button", { name: "Bring on stage" }).click();
    await dora.getByRole("button", { name: "Open my microphone" }).click();
    await expect(bo.getByRole("region", { name: "Programme" }).getByText("Guest 4")).toBeVisible();
    await nuno.getByRole("button", { name: "Back to the audience: Guest 4" }).click();
    await expect(bo.getByRole("region", { name: "Programme" }).getByText("Guest 4")).toBeHidden();
  });

  await test.step("a line is held, let through and becomes a question; two that say the same are one", async () => {
    await list(marit, /^Switches/);
    await marit.getByRole("switch", { name: "Look at lines first" }).click();
    await expect(marit.getByRole("switch", { name: "Look at lines first" })).toBeChecked();
    await anna.getByRole("tab", { name: /Chat/ }).click();
    const field = anna.getByRole("textbox", { name: "Write to the chat" });
    await field.fill("When does the tide turn tonight?");
    await field.press("Enter");
    await list(nuno, /^In-tray/);
    await nuno.getByRole("button", { name: "Let through" }).click();
    await anna.getByRole("button", { name: "Ask it as a question" }).click();
    await expect(tray(nuno).getByText("When does the tide turn tonight?").first()).toBeVisible();
    await bo.getByLabel("Ask a question").fill("When does the tide turn, tonight?");
    await bo.getByRole("button", { name: "Ask", exact: true }).click();
    await list(nuno, /^Questions/);
    await nuno.getByRole("button", { name: /^Take as one with: / }).click();
    await expect(nuno.getByRole("button", { name: /^Take apart again: / })).toBeVisible();
  });

  await test.step("polls of every kind, and a presence check", async () => {
    await preparePolls(marit);
    await marit
      .getByRole("listitem")
      .filter({ hasText: "Seen a roost?" })
      .getByRole("button", { name: "Open the poll" })
      .click();
    await answerAll(bo, "Mud");
    await answerAll(cai, "mud ");
    await expect(marit.getByText("2 answered").first()).toBeVisible();
    await marit.getByRole("button", { name: "Close the poll" }).first().click();
    await marit
      .getByRole("listitem")
      .filter({ hasText: "Still here?" })
      .getByRole("button", { name: "Open the poll" })
      .click();
    await bo.getByRole("radio", { name: "I am here" }).click();
    await expect(bo.getByText("Your vote is counted.", { exact: false })).toBeVisible();
  });

  await test.step("somebody is shown out", async () => {
    await list(marit, /^People/);
    await marit.getByLabel("Find somebody").fill("Guest 4");
    await marit.getByRole("list", { name: "Everyone" }).getByRole("button").first().click();
    await marit.getByRole("button", { name: "Show out" }).click();
    await marit.getByRole("alertdialog").getByRole("button", { name: "Show them out" }).click();
    await expect(dora.getByRole("region", { name: "Programme" })).toBeHidden();
    await expectNoSeriousFinding(marit, "desk in the middle of an hour");
  });

  await test.step("a duty changes hands, the producer's line is cut, and the hour is carried to its end", async () => {
    await expect(nuno.getByRole("button", { name: "Drop the curtain" })).toBeDisabled();
    await marit.getByRole("button", { name: "Duties of Nuno Fenmoor" }).click();
    await marit.getByRole("menuitem", { name: /^Give: .*doors/i }).click();
    await expect(nuno.getByRole("button", { name: "Drop the curtain" })).toBeEnabled();
    await marit.context().setOffline(true);
    await nuno.keyboard.press("x");
    await expect(anna.getByText("One moment, please")).toBeVisible();
    await nuno.getByRole("button", { name: /Raise it for/ }).click();
    await expect(leira.getByText("The audience sees you")).toBeVisible();
    await nuno.getByRole("button", { name: "End the date" }).click();
    await nuno.getByRole("button", { name: "End it for everybody" }).click();
    for (const guest of [anna, bo, cai]) await expect(guest.getByText("The event has ended.")).toBeVisible();
    await marit.context().setOffline(false);
  });

  const file = (what: string) => rowsOf(marit, date, what);
  const polls = await file("polls");
  expect(new Set(polls.map((row) => row["kind"]))).toEqual(
    new Set(["one-choice", "several-choices", "scale", "ranking", "open-text", "quiz", "presence-check"]),
  );
  const votes = (question: string, option: string) =>
    polls.find((row) => row["question"] === question && row["option"] === option)?.["votes"];
  expect([votes("Seen a roost?", "Yes"), votes("Which birds?", "Dunlin"), votes("How clear?", "4")]).toEqual([
    "2",
    "2",
    "2",
  ]);
  const people = await file("attendance");
  const of = (name: string) => people.find((row) => row["name"] === name)!;
  expect([of("Guest 3")["hands"], of("Guest 1")["questions"], of("Guest 2")["questions"]]).toEqual(["1", "1", "1"]);
  expect((await file("floor")).map((row) => row["name"])).toEqual(["Guest 3", "Guest 4"]);
  expect((await file("chat")).map((row) => row["text"])).toContain("When does the tide turn tonight?");
});
