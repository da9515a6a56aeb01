import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "./test";

/**
 * Colours that are on their way from one look to the other are nobody's: a button half-way between a light and a dark
 * page has the contrast of neither. What goes round for ever is not waited for.
 */
async function settled(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const passing = document
      .getAnimations()
      .filter((one) => one.effect?.getComputedTiming().iterations !== Number.POSITIVE_INFINITY);
    await Promise.allSettled(passing.map((one) => one.finished));
  });
}

/** Axe finds nothing serious, every target has 24 px (WCAG 2.2, 2.5.8), and the page has one `main`. */
export async function expectNoSeriousFinding(page: Page, name: string): Promise<void> {
  // what a page is called may come a moment after the page itself
  await expect(page).toHaveTitle(/./);
  await settled(page);
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
