import { linkIn, mailWith } from "./support/mail";
import { planEvent, publish, registrant, workPlace } from "./support/plan";
import { signIn } from "./support/team";
import { expect, test } from "./support/test";

/** Walks of guests, and of a producer who helps them: nothing but what stands on the screen, by its visible labels. */

test("the list of a mailing is read, searched and thinned before it goes; whoever says yes to an event with a question is led to it", async ({
  page,
  browser,
}) => {
  await signIn(page);
  await planEvent(page, "Walk of the reeds");
  await publish(page);
  await page.getByRole("button", { name: "Add a question" }).click();
  const row = page.getByRole("region", { name: "Registration form" }).getByRole("listitem").last();
  await row.getByLabel("Question", { exact: true }).fill("Which reed bed is yours?");
  await row.getByLabel("required").check();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("The public page is saved.")).toBeVisible();

  await workPlace(page, /Mailings/);
  await page.getByRole("link", { name: "Invitation", exact: true }).click();
  await page
    .getByLabel("Pasted list")
    .fill("To: Rush Warden <rush.warden@example.org>; [mailto:sedge.warden@example.org], all, nobody@@example..org");
  await page.getByRole("button", { name: "Read the list" }).click();
  const list = page.getByRole("dialog", { name: "Whom it goes to" });
  await expect(list.getByRole("table", { name: "Would get it" }).getByRole("row")).toHaveCount(2);
  await list.getByLabel("Search").fill("sedge");
  await expect(list.getByRole("table", { name: "Would get it" }).getByRole("row")).toHaveCount(1);
  await list.getByRole("button", { name: "Leave out" }).click();
  await expect(list.getByRole("table", { name: "Left out" }).getByText("left out by hand")).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved. Nothing was sent.")).toBeVisible();
  await page.getByRole("button", { name: "Send to 1 person" }).click();
  await page.getByRole("button", { name: "Send 1", exact: true }).click();

  const invitation = await mailWith("rush.warden@example.org", /You are invited/);
  const guest = await (await browser.newContext({ locale: "en-GB" })).newPage();
  await guest.goto(linkIn(invitation, "reply"));
  await guest.getByRole("button", { name: "I am coming" }).click();
  // a yes is no place yet where a question must be answered: the next step is offered, and filled in
  await guest.getByRole("link", { name: "Register" }).click();
  await expect(guest.getByLabel("Your name")).toHaveValue("Rush Warden");
  await guest.getByLabel(/Which reed bed is yours/).fill("The eastern one");
  await guest.getByRole("checkbox").check();
  await guest.getByRole("button", { name: "Send me my ticket" }).click();
  await guest.goto(linkIn(await mailWith("rush.warden@example.org", /Your ticket/), "ticket"));
  await expect(guest.getByText("You have a place.")).toBeVisible();
});

test("somebody lost their link: found on the list, it is sent again, replaced, noted, and their place is cancelled for them", async ({
  page,
  browser,
}) => {
  await signIn(page);
  await planEvent(page, "Walk of the lost link");
  const front = await publish(page);
  const guest = await registrant(browser, front, "Lost Linker", "lost.linker@example.org");
  const first = linkIn(await mailWith("lost.linker@example.org", /Your ticket/), "ticket");

  await page.reload();
  const table = page.getByRole("table", { name: "Registrants" });
  await table.getByRole("button", { name: /Lost Linker/ }).click();
  const panel = page.getByRole("dialog", { name: /Lost Linker/ });
  await panel.getByLabel("Note").fill("Rings before she clicks.");
  await panel.getByRole("button", { name: "Save the note" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await panel.getByRole("button", { name: "Send their link again" }).click();
  await expect(page.getByText("Their link is on its way again.")).toBeVisible();
  await panel.getByRole("button", { name: "Replace their link" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Replace it" }).click();
  await expect(page.getByText("The old link is dead; a new one is on its way.")).toBeVisible();
  await guest.goto(first);
  await expect(guest.getByText("There is nothing here")).toBeVisible();
  await panel.getByRole("button", { name: "Cancel for them" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Cancel their registration" }).click();
  await mailWith("lost.linker@example.org", /cancelled/i);
  await expect(panel.getByText("cancelled", { exact: true })).toBeVisible();
});
