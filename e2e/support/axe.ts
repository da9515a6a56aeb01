import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "./test";

/** Axe finds nothing serious, every target has 24 px (WCAG 2.2, 2.5.8), and the page has one `main`. */
export async function expectNoSeriousFinding(page: Page, name: string): Promise<void> {
  // what a page is called may come a moment after the page itself
  await expect(page).toHaveTitle(/./);
  const { violations } = await new AxeBuilder({ page })
    // in the page itself, without a second one that only puts the parts of several origins together
    .setLegacyMode()
    // what passed is not listed node by node: on long pages that is most of the work
    .options({ resultTypes: ["violations"], rules: { "target-size": { enabled: true } } })
    .analyze();
  const grave = violations.filter((one) => one.impact === "serious" || one.impact === "critical");
  expect(grave.map((one) => `${name}: ${one.id} ${one.nodes[0]?.html}`)).toEqual([]);
  // one place that the page is about, never two
  expect([name, await page.locator("main").count()]).toEqual([name, 1]);
}
