import { expectNoSeriousFinding } from "./support/axe";
import { endingItsDates, openDate, seatOf } from "./support/room";
import { expect, test } from "./support/test";
import { sitAtDesk } from "./support/team";

endingItsDates();

test("a rehearsal filled with an invented audience: they come by themselves, are marked everywhere, and go without a trace", async ({
  page,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 1, "rehearsal");
  await sitAtDesk(page, date);
  await page.getByRole("button", { name: "Fill with an invented audience" }).click();
  const sheet = page.getByRole("dialog", { name: "An invented audience" });
  await sheet.getByLabel(/How many/).fill("24");
  await sheet.getByLabel("How much they do").selectOption({ index: 2 });
  await sheet.getByLabel(/Number to repeat/).fill("12");
  await sheet.getByRole("button", { name: "Fill the rehearsal" }).click();
  await expect(page.getByText("The audience of 24 is invented", { exact: false })).toBeVisible();
  // a third comes at once, by the same way in as everybody
  await expect
    .poll(async () =>
      Number(
        /(\d+) of/.exec(
          (await page
            .getByText(/in the audience/)
            .first()
            .textContent())!,
        )?.[1],
      ),
    )
    .toBeGreaterThan(4);
  const guest = await seatOf(browser, date.attendees[0]!.token);
  await expect(guest.getByText("Rehearsal: 24 people in the audience are invented.")).toBeVisible();
  // a poll is answered by them
  await page.getByRole("tab", { name: "Polls" }).click();
  await page.getByRole("button", { name: "Open the poll" }).click();
  await expect(page.getByText(/^[1-9]\d* answered/)).toBeVisible();
  await expectNoSeriousFinding(page, "desk of a rehearsal");
  // captions by recognition are tried with invented words, as far as the audience's screens
  await page.getByRole("tab", { name: "Captions" }).click();
  await page.getByRole("button", { name: "Open captions" }).click();
  await page.getByRole("tab", { name: "By recognition" }).click();
  await page.getByRole("button", { name: "Try it with invented words" }).click();
  await expect(guest.getByRole("region", { name: "Captions" }).getByText(/Good evening from the shore/)).toBeVisible();
  await expectNoSeriousFinding(page, "captions by recognition");
  await page.getByRole("button", { name: "Stop listening" }).click();

  await page.getByRole("button", { name: "Send them home" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Send them home" }).click();
  await expect(page.getByText("Nobody of the audience sees it.")).toBeVisible();
  await expect(guest.getByText(/are invented/)).toBeHidden();
  const attendance = await page.request.get(`/events/${date.eventId}/dates/${date.occurrenceId}/attendance.csv`);
  // the two of the team and the one guest who is not invented, under the heads
  expect((await attendance.text()).trim().split("\r\n")).toHaveLength(4);
});
