import { expect, test, type Page } from "./support/test";
import { lisbonIn } from "./support/team";

/** Presses Tab until the focused control has this name, as somebody without a mouse would. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 250; i += 1) {
    await page.keyboard.press("Tab");
    const said = await page.evaluate(() => {
      const one = document.activeElement as HTMLElement | null;
      if (!one || one === document.body) return "";
      const label = one.id ? document.querySelector(`label[for="${CSS.escape(one.id)}"]`)?.textContent : null;
      return one.getAttribute("aria-label") ?? label ?? one.closest("label")?.textContent ?? one.textContent ?? "";
    });
    if (name.test(said.trim())) return;
  }
  throw new Error(`the keyboard never reached ${name}`);
}

async function press(page: Page, name: RegExp): Promise<void> {
  await tabTo(page, name);
  await page.keyboard.press("Enter");
}

async function type(page: Page, name: RegExp, text: string): Promise<void> {
  await tabTo(page, name);
  await page.keyboard.press("Control+A");
  await page.keyboard.type(text);
}

test("the producer's whole path works by keyboard", async ({ page }) => {
  await page.goto("/sign-in");
  await type(page, /^Mail address/, "marit@brinewold.example.org");
  await type(page, /^Password/, "salt-marsh-at-dawn");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Events" })).toBeVisible();

  await press(page, /^Plan an event$/);
  await expect(page.getByRole("heading", { name: "Plan an event" })).toBeVisible();
  await type(page, /^Title/, "By keyboard alone");
  await type(page, /^Description/, "Nobody needs a mouse.");
  await type(page, /^Date and hour$/, lisbonIn(15));
  await press(page, /^Make the event$/);
  await expect(page.getByRole("heading", { name: "By keyboard alone" })).toBeVisible();

  await press(page, /^People/);
  await expect(page.getByRole("button", { name: "Add to the event" })).toBeVisible();
  await type(page, /^Name$/, "Oskar Vell");
  await type(page, /^Mail address/, "oskar.vell@example.net");
  await press(page, /^Add to the event$/);
  await expect(page.getByText("oskar.vell@example.net")).toBeVisible();
  await press(page, /^Send the invitation to 1/);
  await expect(page.getByText("Sent to 1.")).toBeVisible();

  await page.reload();
  await press(page, /^Run sheet/);
  await expect(page.getByRole("button", { name: "Add a segment" })).toBeVisible();
  await press(page, /^Add a segment$/);
  // the new row stands before the button that made it
  for (const name of ["Segment"]) {
    await page.keyboard.press("Shift+Tab");
    while ((await page.evaluate(() => document.activeElement?.getAttribute("aria-label"))) !== name)
      await page.keyboard.press("Shift+Tab");
  }
  await page.keyboard.type("Welcome");
  await press(page, /^Save$/);
  await expect(page.getByText("Run sheet saved.")).toBeVisible();

  await page.reload();
  await press(page, /^Public page/);
  await expect(page.getByRole("button", { name: "Publish" })).toBeVisible();
  await press(page, /^Publish$/);
  await expect(page.getByText("Published.")).toBeVisible();

  await page.reload();
  await press(page, /^Mailings/);
  await expect(page.getByRole("heading", { name: "What goes when" })).toBeVisible();
  await press(page, /^Invitation$/);
  await type(page, /^Pasted list$/, "rui.lowtide@example.org");
  await press(page, /^Save$/);
  await expect(page.getByText("Saved. Nothing was sent.")).toBeVisible();
  // while it is being saved nothing can be sent, and Tab passes by
  await expect(page.getByRole("button", { name: "Send to 1 person" })).toBeEnabled();
  await press(page, /^Send to 1 person$/);
  await press(page, /^Send 1$/);
  await expect(page.getByText("1 person will have it in a moment.")).toBeVisible();

  await page.reload();
  await press(page, /^Desk/);
  await expect(page.getByText(/^Time in /)).toBeVisible();
  await press(page, /^Open the doors$/);
  await press(page, /^Let 0 in$/);
  await expect(page.getByRole("button", { name: "Raise it for 0" })).toBeVisible();
  await press(page, /^Raise it for 0$/);
  await expect(page.getByRole("button", { name: "Drop the curtain" })).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press("n");
  await expect(page.getByRole("listitem").filter({ hasText: "Welcome" })).toHaveAttribute("aria-current", "step");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("curtain drop");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Raise it for 0" })).toBeVisible();
  await press(page, /^End the date$/);
  await press(page, /^End it for everybody$/);
  await expect(page.getByText("Ended", { exact: true }).first()).toBeVisible();
  await press(page, /^Workspace$/);
  await expect(page.getByRole("navigation", { name: "Order of work" })).toBeVisible();
  await press(page, /^Report/);
  await expect(page.getByText("Average audience")).toBeVisible();
});
