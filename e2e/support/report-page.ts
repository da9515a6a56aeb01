import type { Page } from "@playwright/test";

/** The figure that stands under a word of a report. */
export const figure = async (page: Page, label: string): Promise<number> =>
  Number(await page.getByText(label, { exact: true }).locator("xpath=following-sibling::p[1]").textContent());
