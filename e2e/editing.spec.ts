import { resolve } from "node:path";
import { messagesFor } from "../src/contracts/messages";
import { expectNoSeriousFinding } from "./support/axe";
import { uploadedRecording } from "./support/recorded";
import { expectNoSidewaysScroll } from "./support/scroll";
import { expect, test, type Page } from "./support/test";

const lengthOf = (page: Page) =>
  page.locator("video").evaluate((one: HTMLVideoElement) => (Number.isFinite(one.duration) ? one.duration : 0));
const goTo = async (page: Page, seconds: number) => {
  await page.locator("video").evaluate((one: HTMLVideoElement, to) => void (one.currentTime = to), seconds);
  await expect
    .poll(() => page.locator("video").evaluate((one: HTMLVideoElement) => (one.seeking ? -1 : one.currentTime)))
    .toBe(seconds);
};

test("a recording is cut, divided and named; watched so; and the original is there again", async ({
  page,
  browser,
  baseURL,
}) => {
  const date = await uploadedRecording(page, baseURL!);
  await expect.poll(() => lengthOf(page)).toBe(3600);

  await test.step("by where the player stands, and by typed times", async () => {
    await goTo(page, 60);
    await page.getByRole("button", { name: "Cut all before here" }).click();
    await goTo(page, 1500);
    await page.getByRole("button", { name: "Begin a cut here" }).click();
    await goTo(page, 1700);
    await page.getByRole("button", { name: "End the cut here" }).click();
    await expect(page.getByLabel("Left out 2, from")).toHaveValue("25:00");
    await page.getByLabel("Left out 2, to").fill("26:40");
    await expect(page.getByText("57:20 of 1:00:00 stays")).toBeVisible();
    await expectNoSeriousFinding(page, "edit a recording");
  });

  await test.step("what is no time, and a cut that ends before it begins, are said at their field", async () => {
    await page.getByLabel("Left out 2, to").fill("soon");
    await page.getByRole("button", { name: "Save the edit" }).click();
    await expect(page.getByLabel("Left out 2, to")).toBeFocused();
    await page.getByLabel("Left out 2, to").fill("20:00");
    await page.getByRole("button", { name: "Save the edit" }).click();
    await expect(page.getByText("A cut ends after it begins.")).toBeVisible();
    await page.getByLabel("Left out 2, from").fill("0:30");
    await page.getByLabel("Left out 2, to").fill("1:00:00");
    await page.getByRole("button", { name: "Save the edit" }).click();
    await expect(page.getByText("Nothing would be left to watch.").first()).toBeVisible();
    await page.getByLabel("Left out 2, from").fill("25:00");
    await page.getByLabel("Left out 2, to").fill("26:40");
  });

  await test.step("chapters are placed where the player stands", async () => {
    await goTo(page, 120);
    await page.getByRole("button", { name: "Add a chapter here" }).click();
    await page.getByRole("textbox", { name: "Chapter 1", exact: true }).fill("The shore at low tide");
    await page.getByLabel("Title").fill("Tides, in short");
    await page.getByRole("button", { name: "Save the edit" }).click();
    await expect(page.getByText(/^What is watched lasts 57:/)).toBeVisible();
  });

  let slug = "";
  await test.step("it is watched as it was cut: its length, its chapter, every place of it", async () => {
    await page.getByRole("link", { name: "Report of the date" }).click();
    await page.getByRole("button", { name: "Publish now" }).click();
    const link = page.getByRole("link", { name: /^\/on-demand\// });
    slug = (await link.getAttribute("href"))!;
    const visitor = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    await visitor.goto(slug);
    await expect(visitor.getByRole("heading", { name: "Tides, in short" })).toBeVisible();
    // a minute and 100 s are left out; each stretch begins with the next picture that stands by itself
    await expect.poll(() => lengthOf(visitor)).toBeGreaterThan(3600 - 160 - 45);
    expect(await lengthOf(visitor)).toBeLessThan(3600 - 155);
    await visitor.getByRole("button", { name: /The shore at low tide/ }).click();
    await expect
      .poll(() => visitor.locator("video").evaluate((one: HTMLVideoElement) => one.currentTime))
      .toBeGreaterThan(45);
    // it has played for seconds, and nobody touched anything: what it is played by stays
    const shown = visitor.locator("media-control-bar").last();
    expect(await shown.evaluate((bar) => getComputedStyle(bar).opacity)).toBe("1");
    await expectNoSidewaysScroll(visitor, "an edited recording");
    await visitor.context().close();
  });

  await test.step("for people who registered it opens by their ticket alone; before its date it says when", async () => {
    const publishAgain = async (audience: string, from: string) => {
      await page.getByRole("button", { name: "Unpublish" }).click();
      const form = page.getByRole("form", { name: "Publish the recording" });
      await form.getByLabel("For", { exact: true }).selectOption({ label: audience });
      await form.getByRole("textbox", { name: /^From/ }).fill(from);
      await form.getByRole("button", { name: /^Publish (now|from then on)$/ }).click();
      await expect(page.getByRole("button", { name: "Unpublish" })).toBeVisible();
    };
    await publishAgain("people who registered", "");
    await expect(page.getByText("for people who registered, from")).toBeVisible();
    const visitor = await (await browser.newContext()).newPage();
    await visitor.goto(slug);
    await expect(visitor.getByText("This recording is for people who registered.")).toBeVisible();
    expect((await visitor.request.get(`${slug}/media`)).status()).toBe(404);
    await expectNoSeriousFinding(visitor, "a recording for people who registered");
    const refused: string[] = [];
    visitor.on("console", (message) => {
      if (message.text().includes("Content Security Policy")) refused.push(message.text());
    });
    await visitor.goto(`${slug}?ticket=${date.attendees[0]!.token}`);
    await expect.poll(() => lengthOf(visitor)).toBeGreaterThan(3000);

    // the product's own player, by buttons and by keys, its styles let in
    const { player, onDemand } = messagesFor("en");
    const rate = () => visitor.locator("video").evaluate((one: HTMLVideoElement) => one.playbackRate);
    await expect(visitor.locator("video")).not.toHaveAttribute("controls", "");
    await visitor.getByRole("button", { name: player.speed }).click();
    await expect.poll(rate).toBe(1.25);
    await visitor.locator("media-controller").press("ArrowRight");
    await expect.poll(() => visitor.locator("video").evaluate((one: HTMLVideoElement) => one.currentTime)).toBe(10);
    expect(refused).toEqual([]);
    await visitor.getByLabel(onDemand.ask).fill("How high was the tide?");
    await visitor.getByRole("button", { name: onDemand.askSend }).click();
    await expect(visitor.getByText(onDemand.asked)).toBeVisible();
    await expectNoSeriousFinding(visitor, "a recording");
    await publishAgain("everyone: listed on the public page", "1 May 2031 18:00");
    await visitor.goto(slug);
    await expect(visitor.getByText(/This recording is published from .*1 May 2031/)).toBeVisible();
    await visitor.context().close();
    await publishAgain("everyone: listed on the public page", "");
  });

  await test.step("taken back, the original is watched again", async () => {
    await page.getByRole("link", { name: "Edit", exact: true }).click();
    await page.setViewportSize({ width: 390, height: 844 });
    for (const left of [2, 1]) {
      await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(left);
      await expectNoSidewaysScroll(page, "edit a recording");
      await page.getByRole("button", { name: "Take back" }).first().click();
    }
    await page.getByRole("button", { name: "Save the edit" }).click();
    await expect(page.getByText(/^What is watched lasts/)).toBeHidden();
    await page.goto(slug);
    await expect.poll(() => lengthOf(page)).toBe(3600);
    await page.setViewportSize({ width: 1280, height: 800 });
  });

  await test.step("a picture of it stands for it; the question waits at the report; deleted, it comes back", async () => {
    await page.goto("/recordings");
    await page.getByRole("link", { name: "Edit Tides, in short" }).click();
    await expect.poll(() => lengthOf(page)).toBe(3600);
    await goTo(page, 600);
    await page.getByRole("button", { name: "Take the title picture from here" }).click();
    await expect(page.getByAltText("The picture before it plays")).toBeVisible();
    expect((await page.request.get(`${slug}/picture`)).headers()["content-type"]).toBe("image/webp");
    await page.getByRole("link", { name: "Report of the date" }).click();
    await expect(page.getByText("asked on demand, at 00:10")).toBeVisible();
    await page.getByText("Answer by mail").click();
    await page.getByLabel("Answer", { exact: true }).fill("Four metres.");
    await page.getByRole("button", { name: "Send it to the asker" }).click();
    await expect(page.getByText("Four metres.")).toBeVisible();
    await page.getByRole("button", { name: "Delete", exact: true }).click();
    await page.getByRole("button", { name: "Delete it" }).click();
    await expect(page.getByRole("button", { name: "Unpublish" })).toBeHidden();
    expect((await page.request.get(`${slug}/media`)).status()).toBe(404);
    await page.goto("/recordings");
    await expectNoSeriousFinding(page, "recordings, one of them deleted");
    await page.getByRole("button", { name: "Restore Tides, in short" }).click();
    await expect(page.getByRole("link", { name: "Watch Tides, in short" })).toBeVisible();
    await page.goto(slug);
    await expect.poll(() => lengthOf(page)).toBe(3600);
  });

  await test.step("another file takes its place at the same address; what is no film is refused, and nothing changes", async () => {
    await page.goto("/recordings");
    await page.getByRole("link", { name: "Edit Tides, in short" }).click();
    const replaceBy = async (path: string) => {
      await page.getByLabel("New file").setInputFiles(resolve(path));
      await page.getByRole("button", { name: "Replace it" }).click();
      await page.getByRole("alertdialog").getByRole("button", { name: "Replace it" }).click();
    };
    await replaceBy("package.json");
    await expect(page.getByText("The content is neither WebM nor MP4", { exact: false })).toBeVisible();
    const before = await page.locator("video").getAttribute("src");
    await replaceBy("scripts/demo/shore.webm");
    await expect(page.getByText("The file was replaced.", { exact: false })).toBeVisible();
    await expect.poll(() => page.locator("video").getAttribute("src")).not.toBe(before);
    await page.goto(slug);
    await expect.poll(() => lengthOf(page)).toBe(3600);
  });
});
