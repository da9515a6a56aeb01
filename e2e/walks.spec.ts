import { expect, test } from "./support/test";
import { linkIn, mailWith } from "./support/mail";
import { planEvent, publish, workPlace } from "./support/plan";
import { signIn } from "./support/team";

/** Walks of a stranger: nothing but what stands on the screen, by its visible labels. */

test("registered with a slip in the address: the person mends it on the ticket, and the new one gets the link", async ({
  page,
  browser,
}) => {
  await signIn(page);
  await planEvent(page, "Walk of the slip");
  const front = await publish(page);

  const guest = await (await browser.newContext({ locale: "en-GB" })).newPage();
  await guest.goto(front);
  await guest.getByLabel("Your name").fill("Dana Slip");
  await guest.getByLabel("Mail address").fill("not an address");
  await guest.getByRole("button", { name: "Send me my ticket" }).click();
  // the first field that is wrong has the focus, and what was typed is still there
  await expect(guest.getByLabel("Mail address")).toBeFocused();
  await expect(guest.getByLabel("Your name")).toHaveValue("Dana Slip");
  await guest.getByLabel("Mail address").fill("dana.slp@example.org");
  await guest.getByRole("checkbox").check();
  await guest.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(guest.getByRole("status").filter({ hasText: "Look at your mail" })).toBeFocused();

  const old = linkIn(await mailWith("dana.slp@example.org", /ticket/), "ticket");
  await guest.goto(old);
  await guest.getByRole("button", { name: "Correct your name or address" }).click();
  await guest.getByLabel("Mail address").fill("dana.slip@example.org");
  await guest.getByRole("button", { name: "Save" }).click();
  await expect(guest.getByText("Your ticket is on its way to dana.slip@example.org")).toBeVisible();
  const next = linkIn(await mailWith("dana.slip@example.org", /ticket/), "ticket");
  expect(next).not.toBe(old);
  await mailWith("dana.slp@example.org", /address .* was changed/);
  await guest.goto(old);
  await expect(guest.getByText("There is nothing here")).toBeVisible();
  await guest.goto(next);
  await expect(guest.getByText("You have a place.")).toBeVisible();
});

test("from the list of events one is duplicated and deleted, and the deletion is taken back", async ({ page }) => {
  await signIn(page);
  await planEvent(page, "Walk of the copies");
  await page.getByRole("link", { name: "Events", exact: true }).click();
  await page.getByRole("button", { name: "More for Walk of the copies" }).click();
  await page.getByRole("menuitem", { name: "Duplicate" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
  await page.getByLabel("Title").fill("Walk of the second");
  await page.getByRole("button", { name: "Save the plan" }).click();
  await expect(page.getByRole("heading", { name: "Walk of the second", level: 1 })).toBeVisible();

  await page.goto("/season?view=list&words=walk+of+the");
  await page.getByRole("button", { name: "More for Walk of the second" }).click();
  await page.getByRole("menuitem", { name: "Delete" }).click();
  const dialog = page.getByRole("alertdialog", { name: "Delete “Walk of the second”" });
  await expect(dialog).toContainText("It can be brought back for a week");
  await dialog.getByRole("button", { name: "Delete it" }).click();
  await expect(page.getByRole("link", { name: "Walk of the second" })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: "Walk of the second" })).toBeVisible();
});

test("a time that suits everybody is found, and the date is moved there in the same place", async ({ page }) => {
  await signIn(page);
  await planEvent(page, "Walk of the better hour");
  await workPlace(page, /People/);
  await page.getByRole("button", { name: "Look for slots" }).click();
  const act = page.getByRole("button", { name: /^Move the date to / });
  const wanted = (await act.textContent())!.replace("Move the date to ", "");
  await act.click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Move it" }).click();
  await expect(page.getByText(/The date is moved/)).toBeVisible();
  await workPlace(page, /^Plan/);
  const clock = /\d\d:\d\d/.exec(wanted)![0];
  await expect(page.getByText(new RegExp(clock)).first()).toBeVisible();
});

test("an invitation in two languages: written side by side, each reader gets their own", async ({ page }) => {
  await signIn(page);
  await planEvent(page, "Walk of two tongues");
  await workPlace(page, /Mailings/);
  await page.getByRole("link", { name: "Invitation", exact: true }).click();
  await page.getByLabel("Subject").fill("Come and count");
  const words = page.getByRole("textbox", { name: "Words of the mail" });
  await words.click();
  await page.keyboard.press("Control+Home");
  await page.getByRole("button", { name: "Table", exact: true }).click();
  await page.keyboard.type("When");
  await page.keyboard.press("Tab");
  await page.keyboard.type("Where");
  await expect(words.getByRole("columnheader", { name: "Where" })).toBeVisible();
  await page.getByRole("button", { name: "Add a language" }).click();
  await page.getByRole("menuitem", { name: "Deutsch" }).click();
  await page.getByLabel("Subject").fill("Kommt zählen");
  await expect(page.getByText("Readers who chose Deutsch get these words")).toBeVisible();
  await page.getByRole("radio", { name: "Everybody else" }).click();
  await expect(page.getByLabel("Subject")).toHaveValue("Come and count");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved. Nothing was sent.")).toBeVisible();
  await expect(page).toHaveURL(/mailing=/);
  await page.reload();
  await expect(words.getByRole("columnheader", { name: "When" })).toBeVisible();
  await page.getByRole("radio", { name: "Deutsch" }).click();
  await expect(page.getByLabel("Subject")).toHaveValue("Kommt zählen");
});

test("a time that suits two people is found before there is an event, and becomes its start; what was typed stays", async ({
  page,
}) => {
  await signIn(page);
  for (const [name, email] of [
    ["Ruta Lang", "ruta.lang@example.org"],
    ["Sami Brock", "sami.brock@example.org"],
  ] as const) {
    await page.getByRole("link", { name: "Contacts", exact: true }).click();
    await page.getByRole("link", { name: "Add somebody" }).click();
    // until then the form beside the book is that of whoever was added before
    await expect(page.getByRole("button", { name: "Add to the book" })).toBeVisible();
    await page.getByLabel("Name", { exact: true }).fill(name);
    await page.getByLabel("Mail address").fill(email);
    await page.getByRole("button", { name: "Add to the book" }).click();
    await expect(page).toHaveURL(/contact=/);
  }
  await page.getByRole("link", { name: "Events", exact: true }).click();
  await page.getByRole("link", { name: "Plan an event" }).click();
  await page.getByLabel("Title").fill("Found before it was");
  await page.getByText("Find a time that suits several people first").click();
  for (const name of ["Ruta Lang", "Sami Brock"]) {
    await page.getByRole("searchbox", { name: "Who should be there" }).fill(name.slice(0, 4));
    await page.getByRole("list", { name: "Found" }).getByRole("button", { name }).click();
  }
  const search = page.getByRole("region", { name: "Find a time" });
  await search.getByRole("button", { name: "Look for slots" }).click();
  await expect(search.getByText("2 within working hours · everybody free").first()).toBeVisible();
  await search.getByRole("button", { name: /^Plan it for/ }).click();
  await expect(page.getByText("These come onto the stage list as panelists.")).toBeVisible();
  await expect(page.getByLabel("Title")).toHaveValue("Found before it was");
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
  await workPlace(page, /People/);
  for (const name of ["Ruta Lang", "Sami Brock"]) await expect(page.getByRole("cell", { name }).first()).toBeVisible();
});
