import { expect, type Page } from "@playwright/test";

export async function signIn(page: Page, email = "marit@brinewold.example.org"): Promise<void> {
  await page.goto("/sign-in");
  await page.getByLabel("Mail address").fill(email);
  await page.getByLabel("Password").fill("salt-marsh-at-dawn");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: "Events" })).toBeVisible();
}

/** `YYYY-MM-DDTHH:mm` in Lisbon, so many minutes from now. */
export function lisbonIn(minutes: number): string {
  const parts = new Intl.DateTimeFormat("sv-SE", { timeZone: "Europe/Lisbon", dateStyle: "short", timeStyle: "short" });
  return parts.format(Date.now() + minutes * 60_000).replace(" ", "T");
}

/** Signs in and opens the desk of a date. */
export async function sitAtDesk(
  page: Page,
  date: { readonly eventId: string; readonly occurrenceId: string },
  email?: string,
): Promise<void> {
  await signIn(page, email);
  await page.goto(`/events/${date.eventId}/desk/${date.occurrenceId}`);
}
