import { parse } from "csv-parse/sync";
import { eq } from "drizzle-orm";
import { locales, messagesFor } from "../../src/contracts/messages";
import { occurrences } from "../../src/server/db/schema";
import { SimulatedGuest } from "../../src/stand-ins/crowd";
import { makeContext } from "../../src/server/worker";
import { makeBusyDate, type BusyDate } from "../../tests/support/busy-date";
import { expect, test, type Browser, type Page } from "./test";

const programmeWords = new RegExp(`^(${locales.map((one) => messagesFor(one).picture.programme).join("|")})$`);
const producers: SimulatedGuest[] = [];

/** An ended date gives the seat licence of its hour back to the journeys that follow, also when one fails. */
export function endingItsDates(): void {
  test.afterEach(async () => {
    for (const producer of producers.splice(0)) {
      await producer.send({ type: "hour.end" });
      producer.leave();
    }
  });
}

/** A date whose backstage is open: a producer is there, the doors are still closed. */
export async function calledDate(
  baseURL: string,
  attendees: number,
  { kind = "show" as "show" | "rehearsal", areAdmitted = false } = {},
): Promise<BusyDate & { readonly producerAtWork: SimulatedGuest }> {
  const tools = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  const date = await makeBusyDate(tools.context, attendees, { areAdmitted });
  await tools.context.db.update(occurrences).set({ kind }).where(eq(occurrences.id, date.occurrenceId));
  await tools.close();
  const producer = new SimulatedGuest(baseURL, date.producer);
  producers.push(producer);
  await producer.come();
  await producer.send({ type: "stage.enter" });
  return { ...date, producerAtWork: producer };
}

/** A date that is on: doors open, curtain up, a producer at work. */
export async function openDate(
  baseURL: string,
  attendees: number,
  kind: "show" | "rehearsal" = "show",
): Promise<BusyDate> {
  const date = await calledDate(baseURL, attendees, { kind, areAdmitted: true });
  await date.producerAtWork.send({ type: "hour.open-doors" });
  await date.producerAtWork.send({ type: "hour.raise-curtain" });
  return date;
}

/** Somebody of the stage side, backstage, in a browser of their own. */
export async function backstageOf(browser: Browser, token: string, options: object = {}): Promise<Page> {
  const page = await (await browser.newContext(options)).newPage();
  await page.goto(`/enter/${token}`);
  await page.getByRole("button", { name: "Go backstage" }).click();
  return page;
}

/** Somebody of the audience in their seat, in a browser of their own. */
export async function seatOf(
  browser: Browser,
  token: string,
  options: object = {},
  act = "Take my seat",
): Promise<Page> {
  const page = await (await browser.newContext(options)).newPage();
  await page.goto(`/enter/${token}`);
  await page.getByRole("button", { name: act }).click();
  // in whatever language it is read
  await expect(page.getByRole("region", { name: programmeWords })).toBeVisible();
  return page;
}

/** The rows of one of a date's files, as the team reads them. */
export async function rowsOf(team: Page, date: BusyDate, file: string): Promise<Record<string, string>[]> {
  const response = await team.request.get(`/events/${date.eventId}/dates/${date.occurrenceId}/${file}.csv`);
  return parse(await response.text(), { columns: true, bom: true }) as Record<string, string>[];
}
