import { messagesFor } from "../src/contracts/messages";
import { backstageOf, calledDate, endingItsDates } from "./support/room";
import { expect, test, type Page } from "./support/test";
import { addToEvent } from "./support/two-desks";

endingItsDates();
const { devices: words, foyer, stage } = messagesFor("en");

/** How much of one's own picture has the house's colour, in percent. */
const colouredPart = (page: Page) =>
  page
    .getByLabel(foyer.level, { exact: true })
    .first()
    .evaluate((video: HTMLVideoElement) => {
      const canvas = document.createElement("canvas");
      [canvas.width, canvas.height] = [64, 36];
      const pen = canvas.getContext("2d", { willReadFrequently: true })!;
      pen.fillStyle = getComputedStyle(document.documentElement).getPropertyValue("--action");
      pen.fillRect(0, 0, 1, 1);
      const wanted = pen.getImageData(0, 0, 1, 1).data;
      pen.drawImage(video, 0, 0, 64, 36);
      const { data } = pen.getImageData(0, 0, 64, 36);
      let like = 0;
      for (let i = 0; i < data.length; i += 4)
        if ([0, 1, 2].every((part) => Math.abs(data[i + part]! - wanted[part]!) < 30)) like += 1;
      return Math.round((like / (64 * 36)) * 100);
    });

test("something else stands behind one, by choice; one's own room is there again", async ({ browser, baseURL }) => {
  const date = await calledDate(baseURL!, 0);
  const [link] = await addToEvent(date, [{ name: "Livia Aranda", role: "panelist" }]);
  const livia = await backstageOf(browser, link!, { permissions: ["camera", "microphone"] });
  await livia.getByRole("button", { name: stage.camera.isClosed }).click();
  await livia.getByText(words.choose, { exact: true }).click();
  const choice = livia.getByLabel(words.background);
  // an event without a picture of its own offers none
  await expect(choice.getByRole("option")).toHaveText([
    words.backgrounds.room,
    words.backgrounds.blur,
    words.backgrounds.colour,
  ]);
  await expect.poll(() => colouredPart(livia)).toBeLessThan(20);
  await choice.selectOption({ label: words.backgrounds.colour });
  // the camera of a driven browser shows nobody: all of its picture is behind
  const tooSlow = livia.getByText(words.tooSlow);
  await expect
    .poll(
      async () => {
        // a computer without graphics shows it for some seconds, then says that it is too slow: it is looked at again
        if (await tooSlow.isVisible()) {
          await choice.selectOption({ label: words.backgrounds.room });
          await choice.selectOption({ label: words.backgrounds.colour });
        }
        return colouredPart(livia);
      },
      { timeout: 90_000, intervals: [100] },
    )
    .toBeGreaterThan(60);
  await choice.selectOption({ label: words.backgrounds.room });
  await expect(tooSlow).toHaveCount(0);
  await expect.poll(() => colouredPart(livia)).toBeLessThan(20);
});
