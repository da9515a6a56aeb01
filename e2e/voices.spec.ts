import { expect, test } from "./support/test";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { endingItsDates, openDate, seatOf, rowsOf } from "./support/room";
import { sitAtDesk } from "./support/team";

endingItsDates();

test("hands in order, the floor given and taken back, signals that turn into trouble, somebody shown out and let back", async ({
  page,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 5);
  const others = date.attendees.slice(2).map((one) => new SimulatedGuest(baseURL!, one));
  for (const one of others) await one.come();
  const anna = await seatOf(browser, date.attendees[0]!.token);
  const bo = await seatOf(browser, date.attendees[1]!.token, { viewport: { width: 390, height: 844 } });

  await sitAtDesk(page, date);
  const tray = page.getByRole("complementary", { name: "In-tray" });
  const floor = page.getByRole("region", { name: "People" });

  // two hands, in their order; one goes down again
  await anna.getByRole("button", { name: "Raise a hand" }).click();
  await expect(anna.getByText("Your hand is up.")).toBeVisible();
  await expect(tray.getByText(/hand up for/)).toHaveCount(1);
  await bo.getByRole("button", { name: "Raise a hand" }).click();
  await expect(tray.getByText(/hand up for/)).toHaveCount(2);
  await bo.getByRole("button", { name: "Lower my hand" }).click();
  await expect(tray.getByText(/hand up for/)).toHaveCount(1);

  // the first hand gets the floor by one key; nothing opens without her own act
  await page.keyboard.press("f");
  await expect(anna.getByRole("heading", { name: "You may speak" })).toBeVisible();
  await expect(floor.getByText("offered, not yet accepted")).toBeVisible();
  await anna.getByRole("button", { name: "Open my microphone" }).click();
  await expect(floor.getByText("microphone open")).toBeVisible();
  await expect(bo.getByText(/On the floor: /)).toBeVisible();
  await floor.getByRole("button", { name: /^Take the floor back/ }).click();
  await expect(bo.getByText(/On the floor: /)).toBeHidden();
  await expect(anna.getByRole("button", { name: "Raise a hand" })).toBeVisible();

  // one who cannot hear is helped; three of them are the desk's matter
  await bo.getByRole("button", { name: /^Cannot hear/ }).click();
  await expect(bo.getByText("Is your sound on", { exact: false })).toBeVisible();
  await expect(tray.getByText(/cannot hear/)).toBeHidden();
  for (const one of others.slice(0, 2)) await one.send({ type: "signals.give", kind: "cannot-hear" });
  await expect(tray.getByText("3 of 5 in the audience cannot hear.")).toBeVisible();
  await expect(anna.getByRole("button", { name: /^Cannot hear 3/ })).toBeVisible();

  // found by letters of the name, shown out on every device, let back
  await page.getByRole("tab", { name: /^People/ }).click();
  const name = (await page
    .getByRole("list", { name: "Everyone" })
    .getByRole("button")
    .nth(0)
    .locator("span")
    .first()
    .textContent())!;
  await page.getByLabel("Find somebody").fill(name);
  await page.getByRole("list", { name: "Everyone" }).getByRole("button").first().click();
  await page.getByRole("button", { name: "Show out" }).click();
  await page
    .getByRole("alertdialog", { name: `Show ${name} out` })
    .getByRole("button", { name: "Show them out" })
    .click();
  await page.getByRole("button", { name: `Let back: ${name}` }).click();
  await expect(page.getByRole("button", { name: `Let back: ${name}` })).toBeHidden();

  // a switch turned off is off on every screen, and says who turned it
  await page.getByRole("tab", { name: "Switches" }).click();
  await page.getByRole("switch", { name: "Raised hands" }).click();
  await expect(page.getByText(/Turned by .+ at \d\d:\d\d\./)).toBeVisible();
  await expect(bo.getByRole("button", { name: "Raise a hand" })).toBeHidden();

  const file = (what: string) => rowsOf(page, date, what);
  const [turn] = await file("floor");
  expect(turn!["accepted_at"]).not.toBe("");
  expect(
    (await file("signals"))
      .filter((row) => row["signal"] === "cannot-hear")
      .reduce((n, row) => n + Number(row["count"]), 0),
  ).toBe(3);
  expect((await file("attendance")).map((row) => row["hands"]).filter((n) => n === "1")).toHaveLength(2);
  for (const one of others) one.leave();
});
