import { and, eq, isNull } from "drizzle-orm";
import { ballots, chatLines, questions, stays } from "../src/server/db/schema";
import { makeContext } from "../src/server/worker";
import { endingItsDates, openDate, seatOf } from "./support/room";
import { expect, test } from "./support/test";
import { sitAtDesk } from "./support/team";

endingItsDates();

test("a line that is gone in the middle of a ballot, a chat line and a question: each arrives once or is refused in words, nothing typed is lost", async ({
  page: desk,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 2);
  const guest = date.attendees[0]!.ticketId;
  const tools = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  const { db } = tools.context;
  const seat = await seatOf(browser, date.attendees[0]!.token);
  await sitAtDesk(desk, date);
  await desk.getByRole("tab", { name: "Polls" }).click();
  await desk.getByRole("button", { name: "Open the poll" }).click();
  await expect(seat.getByRole("radio", { name: "in" })).toBeVisible();

  await seat.context().setOffline(true);
  await seat.getByRole("radio", { name: "in" }).click();
  await seat.getByLabel("Ask a question").fill("Asked while the line was gone");
  await seat.getByRole("button", { name: "Ask", exact: true }).click();
  await seat.getByRole("tab", { name: /Chat/ }).click();
  const field = seat.getByRole("textbox", { name: "Write to the chat" });
  await field.fill("Said while the line was gone");
  await field.press("Enter");
  await expect(seat.getByText(/Connection lost|The line is gone/).first()).toBeVisible();
  // long enough for the server to take them for gone: no sign of life for 25 s
  const open = and(eq(stays.ticketId, guest), isNull(stays.toAt));
  await expect.poll(() => db.$count(stays, open), { timeout: 60_000, intervals: [1000] }).toBe(0);
  expect([
    await db.$count(questions, eq(questions.occurrenceId, date.occurrenceId)),
    await db.$count(ballots, eq(ballots.ticketId, guest)),
  ]).toEqual([0, 0]);
  // the poll is closed while the ballot is still under way
  await desk.getByRole("button", { name: "Close the poll" }).click();
  await expect(desk.getByRole("button", { name: "Close the poll" })).toBeHidden();

  await seat.context().setOffline(false);
  // the list that was open is open still, what was sent has left its field
  await expect(seat.getByRole("log").getByText("Said while the line was gone")).toBeVisible();
  await expect(seat.getByRole("textbox", { name: "Write to the chat" })).toHaveValue("");
  await expect(seat.getByLabel("Ask a question")).toHaveValue("");
  await expect(seat.getByText("The poll is not open. Your vote was not counted.")).toBeVisible();
  await seat.getByRole("tab", { name: "Questions" }).click();
  await expect(seat.getByText("Asked while the line was gone").first()).toBeVisible();
  await desk
    .getByRole("tab", { name: /^Questions/ })
    .first()
    .click();
  await expect(desk.getByText("Asked while the line was gone")).toHaveCount(1);
  expect([
    await db.$count(questions, eq(questions.occurrenceId, date.occurrenceId)),
    await db.$count(chatLines, eq(chatLines.authorTicketId, guest)),
    await db.$count(ballots, eq(ballots.ticketId, guest)),
  ]).toEqual([1, 1, 0]);
  // back in the same seat, in an interval of its own
  await expect.poll(() => db.$count(stays, open)).toBe(1);
  await tools.close();
});
