import type { Page } from "@playwright/test";

/** The demo's crowd came in by these links before: a second device is asked. */
export const sayItIsMe = async (page: Page) => {
  const isMe = page.getByRole("button", { name: "It is me" });
  if (await isMe.isVisible()) await isMe.click();
};
export const enter = async (page: Page) => {
  await sayItIsMe(page);
  await page.getByRole("button", { name: /Take my seat|Go backstage/ }).click();
  await page.waitForTimeout(1500);
};
export const openFirst = async (page: Page) => {
  await page.getByRole("region", { name: "The book" }).locator("tbody").getByRole("link").first().click();
  await page.waitForTimeout(1200);
};
export const findATime = async (page: Page) => {
  await page.getByRole("button", { name: "Look for slots" }).click();
  await page
    .getByText(/within working hours/)
    .first()
    .waitFor();
  await page.getByRole("region", { name: "Find a time" }).evaluate((one) => one.scrollIntoView());
  await page.waitForTimeout(500);
};
export const toComposer = async (page: Page) => {
  await page.getByRole("region", { name: "Invitation", exact: true }).evaluate((one) => one.scrollIntoView());
  await page.waitForTimeout(500);
};
export const tryDevices = async (page: Page) => {
  await sayItIsMe(page);
  await page.getByRole("button", { name: "Try microphone and camera" }).click();
  await page.waitForTimeout(900);
};

export const openChat = async (page: Page) => {
  await page.waitForTimeout(2500);
  await page.getByRole("tab", { name: /Chat/ }).click();
  await page.waitForTimeout(800);
};
export const openPeople = async (page: Page) => {
  await page.waitForTimeout(2500);
  await page.getByRole("tab", { name: /^People/ }).click();
  await page.getByRole("list", { name: "Everyone" }).getByRole("button").nth(2).click();
};
/** Two polls open, one of them of two questions, and the list of questions beside them. */
export const openPolls = async (page: Page) => {
  await page.waitForTimeout(2500);
  await page.getByRole("tab", { name: "Polls" }).click();
  for (const name of ["How many birds", "What made your count hard"]) {
    const card = page.getByRole("listitem").filter({ hasText: name });
    await card.getByRole("button", { name: "Open the poll" }).click();
  }
  await page.waitForTimeout(20_000);
};
export const openQuestions = async (page: Page) => {
  await page.waitForTimeout(2500);
  await page.getByRole("tab", { name: "Questions" }).click();
  await page.waitForTimeout(600);
};
export const enterChat = async (page: Page) => {
  await enter(page);
  await openChat(page);
};
export const seatsLooked = async (page: Page) => {
  await page.getByText("Looking at the seats").waitFor({ state: "hidden" });
};

/** The first recording being edited: the beginning and a stretch of it left out, not saved. */
export const editFirst = async (page: Page) => {
  const goTo = (seconds: number) =>
    page
      .locator("video")
      .evaluate((video: HTMLVideoElement, at) => void (video.currentTime = at), seconds)
      .then(() => page.waitForTimeout(800));
  await page
    .getByRole("link", { name: /^Edit / })
    .first()
    .click();
  await page.locator("video").waitFor();
  await page.waitForTimeout(1500);
  await goTo(64);
  await page.getByRole("button", { name: "Cut all before here" }).click();
  await goTo(1500);
  await page.getByRole("button", { name: "Begin a cut here" }).click();
  await goTo(1700);
  await page.getByRole("button", { name: "End the cut here" }).click();
  await page.getByRole("button", { name: "Edit the chapters" }).click();
};

/** A stretch of the report's rail, marked by keys: a quarter of an hour from the twentieth minute on. */
export const markStretch = async (page: Page) => {
  await page.getByRole("slider").focus();
  for (let i = 0; i < 20; i += 1) await page.keyboard.press("ArrowRight");
  for (let i = 0; i < 15; i += 1) await page.keyboard.press("Shift+ArrowRight");
  await page.waitForTimeout(1500);
};
