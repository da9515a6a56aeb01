import { expect, test } from "./support/test";
import { randomUUID } from "node:crypto";
import { executeWhole, RoomCache } from "../src/server/services/ground/room/commands";
import { bringFact } from "../src/server/services/hour/facts";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { makeContext } from "../src/server/worker";
import { makeBusyDate } from "../tests/support/busy-date";
import { sitAtDesk } from "./support/team";

let producer: SimulatedGuest | null = null;

// an ended date gives the seat licence of this hour back to the journeys that follow, also when this one fails
test.afterEach(async () => {
  await producer?.send({ type: "hour.end" });
  producer?.leave();
  producer = null;
});

test("a line is held, let through, made a question; a removed one leaves no trace; talkback stays behind the stage", async ({
  page,
  browser,
  baseURL,
}) => {
  const tools = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  const date = await makeBusyDate(tools.context, 3, { areAdmitted: true });
  // more lines than a screen is given on joining
  const who = { actorId: date.producer.ticketId, actor: { role: "producer" as const, duties: [] } };
  const inRoom = { ...who, occurrenceId: date.occurrenceId, organisationId: date.organisationId };
  await executeWhole(tools.context, new RoomCache(), inRoom, {
    commandId: randomUUID(),
    command: { type: "stage.enter" },
  });
  for (let i = 1; i <= 75; i += 1) {
    await bringFact(tools.context, inRoom, { type: "chat.say", to: "all", withId: null, text: `Line number ${i}` });
  }
  await tools.close();
  producer = new SimulatedGuest(baseURL!, date.producer);
  await producer.come();
  await producer.send({ type: "stage.enter" });
  await producer.send({ type: "hour.open-doors" });
  const seat = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await seat.goto(`/enter/${date.attendees[0]!.token}`);
  await seat.getByRole("button", { name: "Take my seat" }).click();
  await seat.getByRole("tab", { name: /Chat/ }).click();
  const log = seat.getByRole("log");
  await expect(log.getByText("Line number 75", { exact: true })).toBeVisible();
  await expect(log.getByText("Line number 15", { exact: true })).toHaveCount(0);
  await seat.getByRole("button", { name: "Show earlier lines" }).click();
  await expect(log.getByText("Line number 1", { exact: true })).toHaveCount(1);
  await expect(seat.getByRole("button", { name: "Show earlier lines" })).toHaveCount(0);
  const page100 = (topic: string) =>
    seat.request.get(`/live/${date.occurrenceId}/lines?topic=${topic}&before=50&as=${date.attendees[0]!.ticketId}`);
  expect((await (await page100("chat:house")).json()).rows).toHaveLength(49);
  expect([(await page100("chat:talkback")).status(), (await page100("chat:none")).status()]).toEqual([404, 404]);
  const other = new SimulatedGuest(baseURL!, date.attendees[1]!);
  await other.come();
  await producer.send({ type: "chat.say", to: "talkback", withId: null, text: "Between us backstage" });

  await sitAtDesk(page, date);
  await page.getByRole("tab", { name: "Chat", exact: true }).first().click();
  await page.getByRole("switch", { name: "Look at lines first" }).click();
  await expect(page.getByRole("switch", { name: "Look at lines first" })).toBeChecked();

  const field = seat.getByRole("textbox", { name: "Write to the chat" });
  // an emoji by its name, put where the line is being written
  await field.fill("Do curlews sleep on one leg? ");
  await seat.getByRole("button", { name: "Emoji" }).click();
  await seat.getByRole("searchbox", { name: "Find an emoji" }).fill("bird");
  await seat.getByRole("gridcell", { name: "Bird", exact: true }).click();
  await expect(field).toHaveValue(/^Do curlews sleep on one leg\? 🐦/u);
  await field.press("Enter");
  await expect(field).toHaveValue("");
  await expect(seat.getByRole("log").getByText("Waiting to be let through")).toBeVisible();
  await page.getByRole("tab", { name: /In-tray/ }).click();
  await page.getByRole("button", { name: "Let through" }).click();
  await expect(seat.getByRole("log").getByText("Waiting to be let through")).toBeHidden();
  await expect(seat.getByRole("log").getByText("Do curlews sleep on one leg?")).toBeVisible();

  await seat.getByRole("button", { name: "Ask it as a question" }).click();
  await expect(seat.getByText("asked as a question")).toBeVisible();
  await expect(page.getByRole("listitem").filter({ hasText: "Do curlews sleep" }).getByText("0 votes")).toBeVisible();

  await page.getByRole("tab", { name: "Chat", exact: true }).first().click();
  await page.getByRole("switch", { name: "Look at lines first" }).click();
  await expect(page.getByRole("switch", { name: "Look at lines first" })).not.toBeChecked();
  await other.send({ type: "chat.say", to: "all", withId: null, text: "Something rude" });
  await expect(seat.getByText("Something rude")).toBeVisible();
  const line = page.getByRole("listitem").filter({ hasText: "Something rude" });
  await line.hover();
  await line.getByRole("button", { name: "Remove" }).click();
  await expect(seat.getByText("Something rude")).toBeHidden();
  await expect(page.getByText("Something rude")).toBeHidden();

  await page.getByRole("tab", { name: "Backstage" }).click();
  await expect(page.getByText("Between us backstage")).toBeVisible();
  expect(await seat.content()).not.toContain("Between us backstage");
  other.leave();
});
