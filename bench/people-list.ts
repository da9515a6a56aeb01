import type { Page } from "@playwright/test";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { record, spread } from "./figures";
import { comeAll, pause } from "./house";
import { makeDate } from "./live";
import { frames, signIn } from "./frames";
import { aBrowser, ownServer } from "./own-server";

const guests = 2000;

/** What the page's own work for each arriving message costs while people come and go: the main thread's busy time. */
async function tickCost(page: Page, stir: () => Promise<void>): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send("Performance.enable");
  const busy = async () =>
    (await session.send("Performance.getMetrics")).metrics.find((one) => one.name === "ScriptDuration")!.value * 1000;
  const before = await busy();
  await stir();
  return (await busy()) - before;
}

/** The desk's list of 2,000 people in a real browser: frames while it is scrolled, and what a tick costs. */
export async function peopleListBench(): Promise<void> {
  const { origin, stop } = await ownServer();
  const date = await makeDate(guests);
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  await producer.send({ type: "stage.enter" });
  await producer.send({ type: "hour.open-doors" });
  const house = date.attendees.map((member) => new SimulatedGuest(origin, member, false));
  await comeAll(house);
  const browser = await aBrowser();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await signIn(page, origin);
  await page.goto(`${origin}/events/${date.eventId}/desk/${date.occurrenceId}`);
  await page.getByRole("tab", { name: /^People/ }).click();
  await page.getByText(`${guests} people`).waitFor();
  await pause(3000);
  const gaps = spread(await frames(page, "[role=list][aria-label=Everyone]"));
  // one hand a tick goes up, for ten seconds, with the list open and with it closed: the difference is the list's
  const ticks = 40;
  const stir = (from: number) => async () => {
    for (const guest of house.slice(from, from + ticks)) {
      void guest.send({ type: "floor.raise-hand" });
      await pause(250);
    }
  };
  const open = (await tickCost(page, stir(0))) / ticks;
  await page.getByRole("tab", { name: "Switches" }).click();
  await pause(2000);
  const closed = (await tickCost(page, stir(ticks))) / ticks;
  await browser.close();
  for (const one of [...house, producer]) one.leave();
  stop();
  record(
    { name: "people-list-frames", n: 1, ...gaps, cpu: null, bare: null },
    "median at most 20 ms (50 frames a second)",
  );
  console.log(
    `people list: ${open.toFixed(1)} ms of script a tick with it open, ${closed.toFixed(1)} with it closed: the list ${(open - closed).toFixed(1)} (aim 2 ms)`,
  );
}
