import type { Page } from "./test";

/** Draws from one place of a board to another with the mouse. */
export async function drag(page: Page, from: readonly [number, number], to: readonly [number, number]): Promise<void> {
  const pad = page.getByRole("application").last();
  await pad.scrollIntoViewIfNeeded();
  const box = (await pad.boundingBox())!;
  const at = ([x, y]: readonly [number, number]) => [box.x + box.width * x, box.y + box.height * y] as const;
  await page.mouse.move(...at(from));
  await page.mouse.down();
  for (let i = 1; i <= 8; i += 1) {
    const along = (k: 0 | 1) => from[k] + ((to[k] - from[k]) * i) / 8;
    await page.mouse.move(...at([along(0), along(1)]));
  }
  await page.mouse.up();
}
