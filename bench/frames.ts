import type { Page } from "@playwright/test";
import { demoPassword, demoTeam } from "../scripts/demo/seed";

/**
 * Scrolls a list without a pause for some seconds and notes how far apart the frames are, in ms. In the page's own
 * words: what this file is compiled with names functions in a way that no page knows.
 * @param list a selector of it
 */
export const frames = (page: Page, list: string, seconds = 5): Promise<number[]> =>
  page.evaluate(`new Promise((done) => {
    const list = document.querySelector(${JSON.stringify(list)});
    const gaps = [];
    const begun = performance.now();
    let last = begun;
    const step = (now) => {
      gaps.push(now - last);
      last = now;
      list.scrollTop += 37;
      if (now - begun < ${seconds * 1000}) requestAnimationFrame(step);
      else done(gaps.slice(2));
    };
    requestAnimationFrame(step);
  })`);

/** Signs the demo's producer in. */
export async function signIn(page: Page, origin: string): Promise<void> {
  await page.goto(`${origin}/sign-in`);
  await page.getByLabel("Mail address").fill(demoTeam[0].email);
  await page.getByLabel("Password").fill(demoPassword);
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("heading", { name: "Events" }).waitFor();
}
