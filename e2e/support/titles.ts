import type { Page } from "./test";

/** The addresses at which the page, once it had a title, was without one for a moment: a list that fills as one goes. */
export async function momentsWithoutTitle(page: Page): Promise<string[]> {
  const moments: string[] = [];
  await page.exposeFunction("isWithoutTitle", (path: string) => moments.push(path));
  await page.addInitScript(() => {
    const tell = (window as unknown as { isWithoutTitle: (path: string) => void }).isWithoutTitle;
    let hadOne = false;
    new MutationObserver(() => {
      const hasOne = document.title !== "";
      if (hadOne && !hasOne) tell(location.pathname);
      hadOne = hasOne;
    }).observe(document, { childList: true, subtree: true, characterData: true });
  });
  return moments;
}
