import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "./test";

/** Axe finds nothing serious, and every target has 24 px (WCAG 2.2, 2.5.8). */
export async function expectNoSeriousFinding(page: Page, name: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .options({ rules: { "target-size": { enabled: true } } })
    .analyze();
  const grave = violations.filter((one) => one.impact === "serious" || one.impact === "critical");
  expect(grave.map((one) => `${name}: ${one.id} ${one.nodes[0]?.html}`)).toEqual([]);
}
