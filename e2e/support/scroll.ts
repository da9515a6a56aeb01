import { expect, type Page } from "@playwright/test";

/** The page is no wider than its window: nobody has to scroll sideways. */
export async function expectNoSidewaysScroll(page: Page, name: string): Promise<void> {
  expect([name, await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)]).toEqual([
    name,
    0,
  ]);
}
