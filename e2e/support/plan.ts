import { expect, type Browser, type Page } from "@playwright/test";
import { lisbonIn } from "./team";

/** Hours apart by title: the demo has few seat licences, and each of these events holds one. */
const hoursOn = (title: string): number =>
  ([...title].reduce((sum, one) => Math.imul(sum, 31) + one.charCodeAt(0), 7) >>> 0) % 90;

/** Plans an event in some days as a new producer would, and leaves its plan open. */
export async function planEvent(page: Page, title: string, before?: (page: Page) => Promise<unknown>): Promise<void> {
  await page.getByRole("link", { name: "Plan an event" }).click();
  await page.getByLabel("Title").fill(title);
  await page.getByLabel("Date and hour", { exact: true }).fill(lisbonIn((5 * 24 + 2 * hoursOn(title)) * 60));
  await page.getByLabel("Time zone, by city").fill("Lisbon, Portugal");
  await before?.(page);
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
}

/** To another place of the event's workspace, by its label. */
export const workPlace = (page: Page, name: RegExp): Promise<void> =>
  page.getByRole("navigation", { name: "Order of work" }).getByRole("link", { name }).click();

/** Publishes from the public page and gives its address. */
export async function publish(page: Page): Promise<string> {
  await workPlace(page, /Public page/);
  await page.getByRole("button", { name: "Publish" }).click();
  await expect(page.getByText("Published.", { exact: true })).toBeVisible();
  return (await page.getByRole("link", { name: /\/front\// }).textContent())!;
}

/** Somebody new registers at the public page, in a browser of their own. */
export async function registrant(browser: Browser, front: string, name: string, email: string): Promise<Page> {
  const guest = await (await browser.newContext({ locale: "en-GB" })).newPage();
  await guest.goto(front);
  await guest.getByLabel("Your name").fill(name);
  await guest.getByLabel("Mail address").fill(email);
  await guest.getByRole("checkbox").check();
  await guest.getByRole("button", { name: "Send me my ticket" }).click();
  return guest;
}
