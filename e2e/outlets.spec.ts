import { freePort } from "../scripts/lib/run.mjs";
import { messagesFor } from "../src/contracts/messages";
import { startLiveReceiver } from "../src/stand-ins/live-receiver";
import { expectNoSeriousFinding } from "./support/axe";
import { backstageOf, endingItsDates, openDate } from "./support/room";
import { signIn } from "./support/team";
import { expect, test } from "./support/test";
import { addToEvent } from "./support/two-desks";

endingItsDates();
const { stage: words } = messagesFor("en");
const key = "mud-and-sand";

test("the programme goes to a live service as well, which is laid down in the plan, goes away and is there again", async ({
  page: marit,
  browser,
  baseURL,
}) => {
  const port = await freePort(4960);
  let receiver = startLiveReceiver({ port, keys: [key] });
  try {
    const date = await openDate(baseURL!, 0);
    const [link] = await addToEvent(date, [{ name: "Livia Aranda", role: "panelist" }]);
    await signIn(marit);
    await marit.goto(`/events/${date.eventId}/plan`);
    const places = marit.getByRole("region", { name: "Sent to other places" });
    await places.getByLabel("Name of the place").fill("Shore radio");
    await places.getByLabel("Its address").fill("https://shore.example.org/live");
    await places.getByLabel("Its stream key").fill(key);
    await places.getByRole("button", { name: "Add" }).click();
    // what was typed stays, the one field is named
    await expect(places.getByLabel("Its address")).toHaveAttribute("aria-invalid", "true");
    await expect(places.getByLabel("Name of the place")).toHaveValue("Shore radio");
    await places.getByLabel("Its address").fill(`rtmp://127.0.0.1:${port}/stage`);
    await places.getByRole("button", { name: "Add" }).click();
    await expect(places.getByRole("switch", { name: "Shore radio" })).toBeChecked();
    await expect(places.getByText(key)).toHaveCount(0);
    await expectNoSeriousFinding(marit, "plan with another place");

    const livia = await backstageOf(browser, link!, { permissions: ["camera", "microphone"] });
    for (const device of [words.microphone, words.camera])
      await livia.getByRole("button", { name: device.isClosed }).click();
    await marit.goto(`/events/${date.eventId}/desk/${date.occurrenceId}`);
    await marit.getByRole("button", { name: "To the stage: Livia Aranda" }).click();
    const states = marit.getByRole("region", { name: "Sent to other places" });
    await expect(states.getByText("gets the programme")).toBeVisible({ timeout: 90_000 });
    const stream = () => receiver.streams.at(-1);
    await expect.poll(() => stream()?.pictures ?? 0, { timeout: 60_000 }).toBeGreaterThan(30);
    expect(stream()).toMatchObject({ key, hasConfiguration: true, isOver: false });
    expect(stream()!.sounds).toBeGreaterThan(30);

    receiver.close();
    await expect(states.getByText("does not take it; tried again")).toBeVisible({ timeout: 90_000 });
    receiver = startLiveReceiver({ port, keys: [key] });
    await expect(states.getByText("gets the programme")).toBeVisible({ timeout: 90_000 });
    await expect.poll(() => stream()?.pictures ?? 0, { timeout: 60_000 }).toBeGreaterThan(10);
  } finally {
    receiver.close();
  }
});
