import { test as base, type Page } from "@playwright/test";

const patched = new WeakSet<object>();

/** Every page of every visitor: after going somewhere, buttons answer before the journey goes on. */
function waitForReadiness(page: Page): void {
  const prototype = Object.getPrototypeOf(page) as Page;
  if (patched.has(prototype)) return;
  patched.add(prototype);
  const plain = prototype.goto;
  prototype.goto = async function (this: Page, ...given) {
    const response = await plain.apply(this, given);
    const isPage = (await response?.headerValue("content-type"))?.startsWith("text/html") ?? false;
    if (isPage) await this.waitForSelector("html[data-ready]", { state: "attached" });
    return response;
  };
}

export const test = base.extend<{ leftovers: undefined }, { readiness: undefined }>({
  // Playwright keeps a context that a test made itself until the whole run ends: its pages would go on
  // living (clocks, feeds, drawing) beside every later test, and slow it down.
  leftovers: [
    async ({ browser }, use) => {
      await use(undefined);
      await Promise.all(browser.contexts().map((context) => context.close()));
    },
    { auto: true },
  ],
  readiness: [
    async ({ browser }, use) => {
      const page = await browser.newPage();
      waitForReadiness(page);
      await page.close();
      await use(undefined);
    },
    { scope: "worker", auto: true },
  ],
});
export { expect, type APIRequestContext, type APIResponse, type Browser, type Page } from "@playwright/test";
