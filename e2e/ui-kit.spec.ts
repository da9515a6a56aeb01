import { expectNoSeriousFinding } from "./support/axe";
import { expect, test } from "./support/test";

test("every part of the interface is shown in both colours and directions, and axe finds nothing serious", async ({
  page,
}) => {
  const said: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error") said.push(message.text());
  });
  await page.goto("/ui-kit");
  for (const theme of ["Show dark", "Show light"]) {
    for (const direction of ["Right to left", "Left to right"]) {
      await expectNoSeriousFinding(page, `${theme}, ${direction}`);
      await page.getByRole("button", { name: direction }).click();
    }
    await page.getByRole("button", { name: theme }).click();
  }
  // a confirm dialog breaks no rule of the content policy
  await page.getByRole("button", { name: "Confirm" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Not now" }).click();
  await page.getByRole("columnheader", { name: "Minutes" }).getByRole("button").click();
  await expect(page.getByRole("columnheader", { name: "Minutes" })).toHaveAttribute("aria-sort", "ascending");
  expect(said.filter((text) => /Content Security Policy/i.test(text))).toEqual([]);
});
