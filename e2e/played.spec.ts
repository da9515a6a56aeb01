import { eq } from "drizzle-orm";
import { events, mailings } from "../src/server/db/schema";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { attendanceByHand, rowsInZip } from "./support/by-hand";
import { calledDate, endingItsDates } from "./support/room";
import { figure } from "./support/report-page";
import { sitAtDesk } from "./support/team";
import { expect, test } from "./support/test";
import { withTools } from "./support/tools";

endingItsDates();

test("an hour is played; who left is written to, an accident struck out, two lines merged, and all of it computed again from the archive", async ({
  page,
  baseURL,
}) => {
  const people = 6;
  const date = await calledDate(baseURL!, people, { areAdmitted: true });
  const threshold = 75;
  await withTools(({ db }) =>
    db.update(events).set({ creditPoints: 2, creditThresholdPercent: threshold }).where(eq(events.id, date.eventId)),
  );
  const guests = date.attendees.map((one) => new SimulatedGuest(baseURL!, one));
  const base = `/events/${date.eventId}/afterwards/${date.occurrenceId}`;
  const files = `/events/${date.eventId}/dates/${date.occurrenceId}`;
  const archive = async () => (await page.request.get(`${files}/report.zip`)).body();

  await test.step("the hour: an accidental rise, the show, somebody leaves while it is counted", async () => {
    await sitAtDesk(page, date);
    await page.getByRole("button", { name: "Open the doors" }).click();
    await page.getByRole("button", { name: /^Let \d+ in$/ }).click();
    for (const guest of guests) await guest.come();
    await expect(page.getByText(`${people} of 5000 in the audience`)).toBeVisible();
    await page.getByRole("button", { name: `Raise it for ${people}` }).click();
    await expect(page.getByRole("button", { name: /^Raise it for/ })).toHaveCount(0);
    await page.keyboard.press("x");
    await page.getByRole("button", { name: `Raise it for ${people}` }).click();
    await page.keyboard.press("n");
    await expect(page.getByRole("listitem").filter({ hasText: "Welcome" })).toHaveAttribute("aria-current", "step");
    await guests[1]!.send({ type: "questions.ask", text: "How many this year?", segmentId: null });
    await expect(page.getByText("How many this year?").first()).toBeVisible();
    await page.keyboard.press("n");
    await expect(page.getByRole("listitem").filter({ hasText: "The count" })).toHaveAttribute("aria-current", "step");
    guests[0]!.leave();
    await expect(page.getByText(`${people - 1} of 5000 in the audience`)).toBeVisible();
    await page.getByRole("button", { name: "End the date" }).click();
    await page.getByRole("button", { name: "End it for everybody" }).click();
    await expect(page.getByRole("link", { name: "Workspace" })).toBeVisible();
    for (const guest of guests) guest.leave();
  });

  await test.step("who left while it was counted is one, and the mail goes to them alone", async () => {
    await page.goto(base);
    expect(await figure(page, "Came")).toBe(people);
    const segments = page.getByRole("list", { name: "Segments and who stayed through them" });
    await segments.getByRole("button", { name: /^The count/ }).click();
    await expect(page.getByRole("list", { name: "Left in it" }).getByRole("listitem")).toHaveText(/Guest 1$/);
    await page.getByRole("button", { name: "Write to this person" }).click();
    await expect(page).toHaveURL(/\/mailings\?mailing=/);
    const mailingId = new URL(page.url()).searchParams.get("mailing")!;
    const [mailing] = await withTools(({ db }) => db.select().from(mailings).where(eq(mailings.id, mailingId)));
    expect(mailing!.audience).toMatchObject({ dateId: date.occurrenceId, personIds: [expect.any(String)] });
  });

  await test.step("an accidental rise is struck out of every figure", async () => {
    const before = attendanceByHand(await archive());
    await page.goto(base);
    await page.getByRole("button", { name: "It was an accident: strike it out" }).first().click();
    await expect(page.getByRole("button", { name: "Count it again" })).toBeVisible();
    const after = attendanceByHand(await archive());
    expect(after.show).toBeLessThan(before.show);
    expect(rowsInZip(await archive(), "show.csv").map((row) => row["what"])).toEqual(
      expect.arrayContaining(["show", "struck out", "segment"]),
    );
  });

  await test.step("two lines are one person", async () => {
    await page.goto(`${base}/people`);
    const rows = page.getByRole("rowgroup", { name: "Rows" });
    await rows.getByRole("link", { name: "Guest 5" }).click();
    await page.getByRole("button", { name: "Same person as …" }).click();
    await page.getByRole("combobox", { name: "Person" }).click();
    await page.getByPlaceholder("Type to find").fill("guest 6 example");
    await page.getByRole("option", { name: /Guest 6/ }).click();
    await page.getByRole("button", { name: "Merge", exact: true }).click();
    await expect(page.getByRole("button", { name: /^Undo the merge with/ })).toBeVisible();
    await page.goto(base);
    expect(await figure(page, "Came")).toBe(people - 1);
  });

  await test.step("the archive alone gives every line of the attendance, and who earned the credit", async () => {
    const zip = await archive();
    const { show, minutes } = attendanceByHand(zip);
    const lines = rowsInZip(zip, "attendance.csv").filter((row) => row["role"] === "attendee");
    expect(lines).toHaveLength(people - 1);
    for (const line of lines) {
      const own = minutes.get(line["person"]!) ?? 0;
      // the file is rounded to hundredths
      expect(Math.abs(Number(line["minutes_present"]) - own)).toBeLessThan(0.0051);
      expect(Math.abs(Number(line["percent_present"]) - (100 * own) / show)).toBeLessThan(0.0051);
    }
    const earned = [...minutes].filter(
      ([key, own]) => lines.some((line) => line["person"] === key) && own >= (threshold / 100) * show,
    );
    await page.goto(`${base}/credit`);
    await page.getByRole("button", { name: `Issue ${earned.length} certificates` }).click();
    await page
      .getByRole("alertdialog")
      .getByRole("button", { name: /^Issue/ })
      .click();
    const table = page.getByRole("table", { name: "Certificates" });
    await expect(table.getByRole("link", { name: "PDF" })).toHaveCount(earned.length);
  });

  await test.step("it stands among the dates of its event, and beside others", async () => {
    await page.goto(`${base}/series`);
    await expect(page.getByText("This event was held once.")).toBeVisible();
    await page.goto(`${base}/compare`);
    await expect(page.getByRole("table", { name: "Dates side by side" })).toBeVisible();
  });
});
