import { expect, test } from "./support/test";
import { expectNoSeriousFinding } from "./support/axe";
import { endingItsDates, openDate, seatOf, rowsOf } from "./support/room";
import { sitAtDesk } from "./support/team";

endingItsDates();

test("a poll of several kinds made at the desk, answered on a laptop and a phone, read back from the files; two questions taken as one", async ({
  page,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 3);
  const anna = await seatOf(browser, date.attendees[0]!.token);
  const bo = await seatOf(browser, date.attendees[1]!.token, { viewport: { width: 390, height: 844 } });

  await sitAtDesk(page, date);
  await page.getByRole("tab", { name: "Polls" }).click();

  // prepared on the fly: what is missing is said, what was typed is there after a reload
  await page.getByRole("button", { name: "New poll" }).click();
  const sheet = page.getByRole("dialog", { name: "New poll" });
  await sheet.getByLabel("Kind of question").selectOption("Put in order");
  await sheet.getByLabel("The poll's question").fill("What first?");
  await sheet.getByLabel("Answers, one a line").fill("Hide\nBoardwalk\nhide");
  await sheet.getByRole("button", { name: "Prepare the poll" }).click();
  await expect(sheet.getByText("Two answers are the same.", { exact: false })).toBeVisible();
  await page.reload();
  await page.getByRole("tab", { name: "Polls" }).click();
  await page.getByRole("button", { name: "Go on with the poll that was begun" }).click();
  await sheet.getByLabel("Answers, one a line").fill("Hide\nBoardwalk\nTelescope");
  await sheet.getByRole("button", { name: "Add a question to this poll" }).click();
  await sheet.getByLabel("Kind of question").nth(1).selectOption("Free text");
  await sheet.getByLabel("The poll's question").nth(1).fill("One word?");
  await sheet.getByLabel("Anonymous").check();
  await sheet.getByRole("button", { name: "Prepare the poll" }).click();
  await expect(sheet).toBeHidden();
  const card = page.getByRole("listitem").filter({ hasText: "What first?" });
  await card.getByRole("button", { name: "Open the poll" }).click();

  for (const [who, order, word] of [
    [anna, ["Boardwalk", "Hide", "Telescope"], "Mud"],
    [bo, ["Boardwalk", "Telescope", "Hide"], "mud "],
  ] as const) {
    const send = who.getByRole("button", { name: "Send my answer" });
    await expect(who.getByText("Nobody is told who answered what.")).toBeVisible();
    for (const label of order) await who.getByRole("button", { name: label }).click();
    await who.getByLabel("One word?").fill(word);
    await send.click();
    await expect(who.getByText("Your vote is counted.", { exact: false })).toBeVisible();
  }
  await expect(card.getByText("2 answered")).toHaveCount(2);
  await card.getByRole("button", { name: "Close the poll" }).click();
  await card.getByRole("button", { name: "Show the results" }).click();
  await expect(anna.getByText("4 points")).toBeVisible();
  await expect(bo.getByText("2 · 100 %")).toBeVisible();
  await expectNoSeriousFinding(page, "desk, polls");
  await expectNoSeriousFinding(bo, "house on a phone, results");

  // two who ask nearly the same are taken as one, and voted for as one
  for (const [who, text] of [
    [anna, "How high is the tide tonight?"],
    [bo, "How high is the tide, tonight?"],
  ] as const) {
    await who.getByLabel("Ask a question").fill(text);
    await who.getByRole("button", { name: "Ask", exact: true }).click();
    await expect(who.getByText("Your question is at the desk.")).toBeVisible();
  }
  await page.getByRole("tab", { name: /^Questions/ }).click();
  await page.getByRole("button", { name: /^Take as one with: / }).click();
  await expect(page.getByRole("button", { name: /^Take apart again: / })).toBeVisible();
  await expectNoSeriousFinding(page, "desk, questions");

  const file = (what: string) => rowsOf(page, date, what);
  const polls = await file("polls");
  expect(
    polls.filter((row) => row["kind"] === "ranking").map((row) => [row["option"], row["votes"], row["points"]]),
  ).toEqual([
    ["Hide", "0", "1"],
    ["Boardwalk", "2", "4"],
    ["Telescope", "0", "1"],
  ]);
  const ballots = (await file("ballots")).filter((row) => row["question"] === "One word?");
  expect(ballots.map((row) => [row["name"], row["at"]])).toEqual([
    ["", ""],
    ["", ""],
  ]);
  expect(await file("questions")).toHaveLength(2);
});
