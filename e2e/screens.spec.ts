import { messagesFor } from "../src/contracts/messages";
import { expectNoSeriousFinding } from "./support/axe";
import { backstageOf, endingItsDates, openDate, seatOf } from "./support/room";
import { sitAtDesk } from "./support/team";
import type { Locator } from "@playwright/test";
import { expect, test, type Page } from "./support/test";
import { addToEvent } from "./support/two-desks";

endingItsDates();
const { screens: words } = messagesFor("en");

/** How much of a video is as green as the screen that Chromium's fake device shares, in percent. */
const greenOf = (video: Locator) =>
  video.evaluate((one: HTMLVideoElement) => {
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [64, 36];
    const pen = canvas.getContext("2d")!;
    pen.drawImage(one, 0, 0, 64, 36);
    const { data } = pen.getImageData(0, 0, 64, 36);
    let green = 0;
    for (let i = 0; i < data.length; i += 4)
      if (data[i + 1]! > data[i]! + 60 && data[i + 1]! > data[i + 2]! + 60) green += 1;
    return Math.round((green / (64 * 36)) * 100);
  });
const screenOf = (page: Page, name: string) => page.getByLabel(`Screen of ${name}`, { exact: true }).first();
const share = (page: Page) => page.getByRole("button", { name: words.share });

test("a screen is shared, another beside it, a third in its place; the house sees it in the one picture", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 1);
  const [liviaLink, tomasLink] = await addToEvent(date, [
    { name: "Livia Aranda", role: "panelist" },
    { name: "Tomas Reyo", role: "panelist" },
  ]);
  await sitAtDesk(marit, date);
  const livia = await backstageOf(browser, liviaLink!);
  const tomas = await backstageOf(browser, tomasLink!);
  const anna = await seatOf(browser, date.attendees[0]!.token);
  await expect(share(livia)).toBeHidden();
  for (const name of ["Livia Aranda", "Tomas Reyo"])
    await marit.getByRole("button", { name: `To the stage: ${name}` }).click();
  const picture = marit.getByRole("region", { name: "Picture", exact: true });

  await test.step("the others on stage see it, and the audience in the programme", async () => {
    await share(livia).click();
    await expect(livia.getByRole("button", { name: words.stop })).toBeVisible();
    await expect.poll(() => greenOf(screenOf(tomas, "Livia Aranda")), { timeout: 60_000 }).toBeGreaterThan(80);
    await expect(picture.getByText("Livia Aranda shares a screen")).toBeVisible();
    await expect(picture.getByRole("status")).toHaveText("Shared screen with one person · by itself");
    await expect
      .poll(() => greenOf(anna.locator('video[aria-label="Programme"]')), { timeout: 60_000 })
      .toBeGreaterThan(40);
    await expectNoSeriousFinding(tomas, "stage: a shared screen");
    await expectNoSeriousFinding(marit, "desk: a shared screen");
  });

  await test.step("somebody else is asked first: theirs stands beside it", async () => {
    await share(tomas).click();
    await expect(tomas.getByText("Livia Aranda: a screen is shared already.")).toBeVisible();
    await expectNoSeriousFinding(tomas, "stage: whose place a screen takes");
    await tomas.getByRole("button", { name: words.beside }).click();
    await expect(picture.getByRole("status")).toHaveText("Shared screens alone · by itself");
    await expect.poll(() => greenOf(screenOf(livia, "Tomas Reyo")), { timeout: 60_000 }).toBeGreaterThan(80);
  });

  const name = await test.step("one of the audience takes a place, by the floor that was given with it", async () => {
    await marit.getByRole("tab", { name: /^People/ }).click();
    const row = marit.getByRole("list", { name: "Everyone" }).getByRole("button").first();
    const who = (await row.locator("span").first().textContent())!;
    await row.click();
    await marit.getByRole("button", { name: "With their screen" }).click();
    await expect(anna.getByText(words.offered)).toBeVisible();
    await expect(share(anna)).toBeHidden();
    await anna.getByRole("button", { name: "Open my microphone" }).click();
    await share(anna).click();
    await expect(anna.getByRole("button", { name: words.beside })).toBeHidden();
    await anna.getByRole("button", { name: "Take the place of Tomas Reyo" }).click();
    await expect(tomas.getByText(words.wasEnded)).toBeVisible();
    await expect(share(tomas)).toBeVisible();
    await expect.poll(() => greenOf(screenOf(livia, who)), { timeout: 60_000 }).toBeGreaterThan(80);
    return who;
  });

  await test.step("the desk ends one; a page that is loaded anew ends its own", async () => {
    await marit.getByRole("button", { name: `End the shared screen: ${name}` }).click();
    await expect(anna.getByText(words.wasEnded)).toBeVisible();
    await expect(picture.getByRole("status")).toHaveText("Shared screen with one person · by itself");
    await livia.reload();
    await expect(picture.getByText(/shares a screen/)).toHaveCount(0);
    await expect(share(livia)).toBeVisible();
    await expect(picture.getByRole("status")).toHaveText("Everybody on stage · by itself");
  });
});
