import { eq } from "drizzle-orm";
import { events } from "../src/server/db/schema";
import { makeContext } from "../src/server/worker";
import { endingItsDates, openDate } from "./support/room";
import { sitAtDesk } from "./support/team";
import { expect, test } from "./support/test";

endingItsDates();

test("somebody without a computer's sound is called, raises a hand by a key, speaks and hangs up", async ({
  page: desk,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 1);
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  await context.db.update(events).set({ soundBy: "both" }).where(eq(events.id, date.eventId));
  await close();
  await sitAtDesk(desk, date);

  const ticket = await (await browser.newContext()).newPage();
  await ticket.goto(`/ticket/${date.attendees[0]!.token}`);
  await ticket.getByLabel("Your number, with the country’s code").fill("12");
  await ticket.getByRole("button", { name: "Call me" }).click();
  await expect(ticket.getByText("Write it with the country’s code, as in +44 20 7946 0123.")).toBeVisible();
  // kept for fiction (Ofcom, numbers for drama use)
  await ticket.getByLabel("Your number, with the country’s code").fill("+44 20 7946 0188");
  await ticket.getByRole("button", { name: "Call me" }).click();
  await expect(ticket.getByText("Your phone rings in a moment.", { exact: false })).toBeVisible();

  const phone = await (await browser.newContext()).newPage();
  await phone.goto("/phone-line");
  await phone.getByLabel("This telephone’s own number, to be called at").fill("0044 20 7946 0188");
  await phone.getByRole("button", { name: "Pick up" }).click();
  await phone.getByRole("button", { name: "5: raise a hand" }).click();
  const tray = desk.getByRole("complementary", { name: "In-tray" });
  await tray.getByRole("button", { name: /^Give the floor: / }).click();
  await phone.getByRole("button", { name: "6: open the microphone" }).click();
  await phone.getByRole("slider").fill("80");
  const people = desk.getByRole("region", { name: "People" });
  await expect(people.getByText("microphone open")).toBeVisible();
  await expect
    .poll(async () => Number(await people.getByRole("meter").first().getAttribute("aria-valuenow")))
    .toBeGreaterThan(0);
  await phone.getByRole("button", { name: "9: give the floor back" }).click();
  await expect(people.getByText("microphone open")).toBeHidden();
  await phone.getByRole("button", { name: "Hang up" }).click();
  const entries = await desk.request.get(`/events/${date.eventId}/dates/${date.occurrenceId}/entries.csv`);
  expect(await entries.text()).toContain("phone-line");
});
