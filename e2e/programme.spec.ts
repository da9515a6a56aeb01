import { messagesFor } from "../src/contracts/messages";
import { expectNoSeriousFinding } from "./support/axe";
import { backstageOf, endingItsDates, openDate, seatOf } from "./support/room";
import { sitAtDesk } from "./support/team";
import { expectNoSidewaysScroll } from "./support/scroll";
import { expect, test, type Page } from "./support/test";
import { agreeAs, joinedRecording, watchedByAnyone } from "./support/recorded";
import { addToEvent } from "./support/two-desks";

endingItsDates();
const { stage: people } = messagesFor("en");

/** What a player has shown: how far it is, how many pictures it decoded, and whether its middle is anything but black. */
const shownBy = (page: Page, name: string) =>
  page
    .getByLabel(name, { exact: true })
    .locator("video")
    .or(page.locator(`video[aria-label="${name}"]`))
    .first()
    .evaluate((video: HTMLVideoElement) => {
      const canvas = document.createElement("canvas");
      [canvas.width, canvas.height] = [64, 36];
      const pen = canvas.getContext("2d")!;
      pen.drawImage(video, 0, 0, 64, 36);
      const { data } = pen.getImageData(0, 0, 64, 36);
      const colours = new Set<string>();
      for (let i = 0; i < data.length; i += 4)
        colours.add(`${data[i]! >> 5},${data[i + 1]! >> 5},${data[i + 2]! >> 5}`);
      return {
        at: video.currentTime,
        frames: video.getVideoPlaybackQuality().totalVideoFrames,
        colours: colours.size,
        isMuted: video.muted,
      };
    });

test("two on stage are seen and heard; the house gets one picture; a fallen curtain lets no byte of it out", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const date = await openDate(baseURL!, 2);
  const links = await addToEvent(date, [
    { name: "Livia Aranda", role: "panelist" },
    { name: "Tomas Reyo", role: "panelist" },
  ]);
  await sitAtDesk(marit, date);
  const stage: Page[] = [];
  for (const link of links) {
    const page = await backstageOf(browser, link!, { permissions: ["camera", "microphone"] });
    for (const device of [people.microphone, people.camera])
      await page.getByRole("button", { name: device.isClosed }).click();
    stage.push(page);
  }
  const [livia] = stage as [Page, Page];
  const anna = await seatOf(browser, date.attendees[0]!.token);
  for (const name of ["Livia Aranda", "Tomas Reyo"])
    await marit.getByRole("button", { name: `To the stage: ${name}` }).click();

  await test.step("they see one another, without a server between them", async () => {
    await expect(livia.getByRole("region", { name: "The others" })).toBeVisible({ timeout: 60_000 });
    await expect.poll(async () => (await shownBy(livia, "Tomas Reyo")).frames, { timeout: 60_000 }).toBeGreaterThan(5);
  });

  await test.step("the desk makes the picture; the house watches it with its sound", async () => {
    await expect(marit.getByText("Made on this page")).toBeVisible({ timeout: 60_000 });
    await expect.poll(async () => (await shownBy(anna, "Programme")).at, { timeout: 60_000 }).toBeGreaterThan(2);
    // the first pictures may have come before the cameras' own
    await expect.poll(async () => (await shownBy(anna, "Programme")).colours).toBeGreaterThan(3);
    const first = await shownBy(anna, "Programme");
    await expect.poll(async () => (await shownBy(anna, "Programme")).frames).toBeGreaterThan(first.frames + 10);
    await expectNoSeriousFinding(anna, "house: the programme");
    await expectNoSeriousFinding(marit, "desk: the programme");
  });

  const media = `/live/${date.occurrenceId}`;
  const as = `as=${date.attendees[0]!.ticketId}`;
  await test.step("the same pieces stand in a playlist, each under its own address", async () => {
    const list = await (await anna.request.get(`${media}/programme.m3u8?${as}`)).text();
    expect(list).toContain("#EXTM3U");
    const pieces = list.match(/piece-\d+\.m4s/g)!;
    expect(pieces.length).toBeGreaterThan(2);
    const piece = await anna.request.get(`${media}/${pieces.at(-1)}?${as}`);
    expect([piece.status(), piece.headers()["content-type"]]).toEqual([200, "video/iso.segment"]);
  });

  let pass = "";
  const outside = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await test.step("somebody without a seat watches by the playlist, and does nothing else", async () => {
    const slug = await watchedByAnyone(date.eventId);
    const asked = outside.waitForRequest(/programme-all\.m3u8\?pass=/, { timeout: 60_000 });
    await outside.goto(`/watch/${slug}`);
    pass = new URL((await asked).url()).search.slice(1);
    await expect(outside.getByText("Here you watch.", { exact: false })).toBeVisible();
    await expect
      .poll(async () => (await shownBy(outside, "A busy evening")).frames, { timeout: 60_000 })
      .toBeGreaterThan(20);
    await expect.poll(async () => (await shownBy(outside, "A busy evening")).colours).toBeGreaterThan(3);
    await expect(marit.getByText("Watching without a seat: 1")).toBeVisible();
    await expect(outside.getByRole("textbox")).toHaveCount(0);
    await expectNoSeriousFinding(outside, "overflow");
    await expectNoSidewaysScroll(outside, "overflow");
  });

  await test.step("the hour is recorded once everybody on stage has agreed: put together, published, watched", async () => {
    const { recording } = messagesFor("en");
    await expect(marit.getByRole("button", { name: recording.byHand })).toBeDisabled();
    await marit.getByRole("button", { name: recording.askAll }).click();
    for (const page of stage) await page.getByRole("button", { name: recording.agree }).click();
    // the two producers of this date, who are on the stage side too
    for (const who of [date.producer.ticketId]) await agreeAs(baseURL!, date, who);
    await marit.getByRole("button", { name: recording.agree }).click();
    await marit.getByRole("button", { name: recording.byHand }).click();
    for (const page of [anna, livia]) await expect(page.getByText(recording.isOn, { exact: true })).toBeVisible();
    await expectNoSeriousFinding(anna, "house: recorded");
    await expect(marit.getByText(/^00:(0[5-9]|[1-5]\d) recorded$/)).toBeVisible();
    await marit.getByRole("button", { name: recording.pause }).click();
    await expect(anna.getByText(recording.isPaused, { exact: true })).toBeVisible();
    await marit.getByRole("button", { name: recording.resume }).click();
    await expect(marit.getByText(/^00:(0[89]|[1-5]\d) recorded$/)).toBeVisible();
    await marit.getByRole("button", { name: recording.stop }).click();
    await marit
      .getByRole("dialog")
      .or(marit.getByRole("alertdialog"))
      .getByRole("button", { name: recording.stop })
      .click();
    await expect(anna.getByText(recording.isOn, { exact: true })).toBeHidden();
  });

  await test.step("the curtain falls: nothing of the stage is under any address, to nobody", async () => {
    const before = (await (await anna.request.get(`${media}/programme.m3u8?${as}`)).text()).match(/piece-\d+\.m4s/g)!;
    await marit.getByRole("button", { name: "Drop the curtain" }).click();
    await expect(anna.locator('video[aria-label="Programme"]')).toHaveCount(0);
    for (const piece of before) expect((await outside.request.get(`${media}/${piece}?${pass}`)).status()).toBe(404);
    await outside.close();
    for (const piece of before) expect((await anna.request.get(`${media}/${piece}?${as}`)).status()).toBe(404);
    for (const part of ["programme", "programme.m3u8", before[0]!])
      expect((await anna.request.get(`${media}/${part}`, { headers: { cookie: "" } })).status()).toBeGreaterThanOrEqual(
        400,
      );
    await marit.getByRole("button", { name: /^Raise it for/ }).click();
    await expect.poll(async () => (await shownBy(anna, "Programme")).at, { timeout: 60_000 }).toBeGreaterThan(1);
  });

  await test.step("the recording is one file: as long as what was recorded, with pictures and sound", async () => {
    const made = await joinedRecording(date.occurrenceId);
    expect(made.seconds).toBeGreaterThan(4);
    // what was on its way where a span begins or ends belongs to neither: more of it on a machine that is late
    const onTheWay = Math.max(3, made.recordedSeconds / 4);
    expect(Math.abs(made.seconds - made.recordedSeconds)).toBeLessThan(onTheWay);
    expect(made.tracks).toEqual(["video", "audio"]);
  });

  await test.step("the desk goes: somebody on stage makes it, and the house goes on", async () => {
    await marit.close();
    const frames = (await shownBy(anna, "Programme")).frames;
    await expect
      .poll(async () => (await shownBy(anna, "Programme")).frames, { timeout: 60_000 })
      .toBeGreaterThan(frames + 60);
  });
});
