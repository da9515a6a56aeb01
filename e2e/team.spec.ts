import { createHmac } from "node:crypto";
import { expect, test, type Page } from "./support/test";
import { mailWith } from "./support/mail";
import { signIn } from "./support/team";

const password = "reed-bed-at-noon";

/** A time-based code by RFC 6238 (SHA-1, 30 s, six digits), made without the product. */
function totp(secret: string, at: number): string {
  const letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";
  const bits = [...secret.replace(/[\s=]/g, "")]
    .map((one) => letters.indexOf(one).toString(2).padStart(5, "0"))
    .join("");
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)));
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(at / 30_000)));
  const mac = createHmac("sha1", key).update(counter).digest();
  const offset = mac.at(-1)! & 15;
  return String((mac.readUInt32BE(offset) & 0x7fffffff) % 1_000_000).padStart(6, "0");
}

test("the reference makes the codes of RFC 6238, appendix B", () => {
  // "12345678901234567890" in base 32; the appendix has eight digits, of which these are the last six
  const secret = "GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ";
  expect([59_000, 1_111_111_109_000].map((at) => totp(secret, at))).toEqual(["287082", "081804"]);
});

async function invite(page: Page, name: string, email: string): Promise<string> {
  await page.getByRole("link", { name: "Organisation", exact: true }).click();
  const team = page.getByRole("region", { name: "Team" });
  await team.getByLabel("Name").fill(name);
  await team.getByLabel("Mail address").fill(email);
  await team.getByRole("button", { name: "Invite" }).click();
  await expect(team.getByText(email)).toBeVisible();
  const mail = await mailWith(email, /Your sign-in/);
  return /https?:\/\/\S+\/join\/[\w-]+/.exec(mail.text!)![0];
}

test("somebody joins the team by mail, sets up a second step, and comes in by code and by recovery code", async ({
  page,
  browser,
}) => {
  await signIn(page);
  const link = await invite(page, "Oskar Vell", "oskar.joins@example.org");

  const context = await browser.newContext();
  const oskar = await context.newPage();
  await oskar.goto(link);
  await expect(oskar.getByRole("heading", { name: /Join the team of/ })).toBeVisible();
  await oskar.getByLabel("Choose a password").fill("short");
  await oskar.getByRole("button", { name: "Join and sign in" }).click();
  await expect(oskar.getByText("At least 12 characters", { exact: false }).first()).toBeVisible();
  await oskar.getByLabel("Choose a password").fill(password);
  await oskar.getByRole("button", { name: "Join and sign in" }).click();
  await expect(oskar.getByRole("heading", { name: "Events" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("table", { name: "Team" }).getByText("Oskar Vell")).toBeVisible();

  await oskar.goto("/account");
  const step = oskar.getByRole("form", { name: "Second step" });
  await step.getByLabel("Your password").fill(password);
  await step.getByRole("button", { name: "Set it up" }).click();
  const dialog = oskar.getByRole("dialog", { name: "Set up the second step" });
  const secret = (await dialog.locator("p.mono").textContent())!;
  const codes = await dialog.getByRole("listitem").allTextContents();
  await dialog.getByLabel("The code that it shows now").fill(totp(secret, Date.now()));
  await dialog.getByRole("button", { name: "Turn it on" }).click();
  await expect(step.getByRole("button", { name: "Turn it off" })).toBeVisible();

  for (const code of [() => totp(secret, Date.now()), () => codes[0]!]) {
    const elsewhere = await browser.newContext();
    const fresh = await elsewhere.newPage();
    await fresh.goto("/sign-in");
    await fresh.getByLabel("Mail address").fill("oskar.joins@example.org");
    await fresh.getByLabel("Password").fill(password);
    await fresh.getByRole("button", { name: "Sign in" }).click();
    await fresh.getByLabel("Code").fill("not it");
    await fresh.getByRole("button", { name: "Sign in" }).click();
    await expect(fresh.getByText("This code is not right", { exact: false })).toBeVisible();
    await fresh.goto("/season");
    await expect(fresh.getByRole("button", { name: "Sign in" })).toBeVisible();
    await fresh.getByLabel("Mail address").fill("oskar.joins@example.org");
    await fresh.getByLabel("Password").fill(password);
    await fresh.getByRole("button", { name: "Sign in" }).click();
    await fresh.getByLabel("Code").fill(code());
    await fresh.getByRole("button", { name: "Sign in" }).click();
    await expect(fresh.getByRole("heading", { name: "Events" })).toBeVisible();
    await elsewhere.close();
  }

  // the link was good once; the owner lets go again, and the open page is over
  await page.goto(link);
  await expect(page.getByRole("heading", { name: "This link is over" })).toBeVisible();
  await page.goto("/organisation");
  const row = page.getByRole("row").filter({ hasText: "Oskar Vell" });
  await row.getByRole("button", { name: "Remove" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Remove" }).click();
  await expect(row).toHaveCount(0);
  await oskar.goto("/season");
  await expect(oskar.getByRole("button", { name: "Sign in" })).toBeVisible();
  await context.close();
});

test("one plan in two windows: what both changed is chosen field by field, and saving works", async ({
  page,
  browser,
}) => {
  await signIn(page);
  await page.getByRole("link", { name: "Plan an event" }).click();
  await page.getByLabel("Title").fill("Two windows");
  // a date as people type it, one that was not understood, and one that has passed
  const when = page.getByLabel("Date and hour", { exact: true });
  await when.fill("in two weeks at noon CET");
  await expect(page.getByText("“cet” is not understood.")).toBeVisible();
  await when.fill("1 Jan 2020 9:00");
  await expect(page.getByText(/has passed/)).toBeVisible();
  // what stood there before does not go in place of what was typed
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(when).toBeFocused();
  await expect(page.getByRole("button", { name: "Make the event" })).toBeVisible();
  await when.fill("in two weeks at noon");
  await expect(page.getByText(/has passed|not understood/)).toHaveCount(0);
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
  const address = page.url();

  const context = await browser.newContext();
  const other = await context.newPage();
  await signIn(other);
  await other.goto(address);
  await other.getByLabel("Title").fill("Two windows, theirs");
  await other.getByLabel("Place, where people may also come in person").fill("Pump house, Brinewold");
  await other.getByRole("button", { name: "Save the plan" }).click();
  await expect(other.getByText("Saved.")).toBeVisible();

  await page.getByLabel("Title").fill("Two windows, mine");
  await page.getByLabel("Seats", { exact: true }).fill("80");
  await page.getByRole("button", { name: "Save the plan" }).click();
  const meanwhile = page.getByRole("region", { name: "Saved meanwhile" });
  await expect(meanwhile.getByText("Taken over from them: Place.")).toBeVisible();
  await expect(meanwhile.getByText("Kept from here: Seats.")).toBeVisible();
  await meanwhile.getByRole("radio", { name: "Yours: Two windows, mine" }).click();
  await meanwhile.getByRole("button", { name: "Go on with these" }).click();
  await expect(page.getByLabel("Place, where people may also come in person")).toHaveValue("Pump house, Brinewold");
  await page.getByRole("button", { name: "Save the plan" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await other.reload();
  await expect(other.getByLabel("Title")).toHaveValue("Two windows, mine");
  await expect(other.getByLabel("Seats", { exact: true })).toHaveValue("80");
  await context.close();
});
