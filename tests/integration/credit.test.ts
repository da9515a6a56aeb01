import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { parse } from "csv-parse/sync";
import { readNumber } from "@/core/attendance";
import { minuteMs } from "@/core/time";
import { credits, events, people, tickets } from "@/server/db/schema";
import { certificateOfDate, certificateOfHolder } from "@/server/services/afterwards/certificates";
import { changeCredit, creditPage, issueCredit, stateOfNumber } from "@/server/services/afterwards/credit";
import { dateFile } from "@/server/services/afterwards/exports";
import { holderOf, tokenOf } from "@/server/services/way-in/tickets";
import { held } from "../support/held";
import { textOfPdf } from "../support/pdf-text";
import { addMember, addTicket, makeEvent, makeWorld, stayed, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

/** An hour that gives 2 points from 75 % on: Ada was there all along, Bo for 30 minutes, Cy not at all. */
async function evening(isPartial = false): Promise<MadeEvent & { ada: string; bo: string }> {
  const event = await makeEvent(world, { creditPoints: 2 });
  await world.context.db.update(events).set({ creditIsPartial: isPartial }).where(eq(events.id, event.eventId));
  const { raisedAt } = await held(world, event.occurrenceId);
  const ada = await addTicket(world, event, "attendee", "Ada Quill");
  const bo = await addTicket(world, event, "attendee", "Bo Wren");
  await addTicket(world, event, "attendee", "Cy Knot");
  await stayed(world, event.occurrenceId, ada, { fromAt: raisedAt, toAt: raisedAt + 60 * minuteMs });
  await stayed(world, event.occurrenceId, bo, { fromAt: raisedAt, toAt: raisedAt + 30 * minuteMs });
  return { ...event, ada, bo };
}
const where = (event: MadeEvent) => [world.context, world.owner, event.eventId, event.occurrenceId] as const;
const refusal = (act: Promise<unknown>): Promise<unknown> =>
  act.then(
    () => "done",
    (error: { failure?: { code: string } }) => error.failure?.code,
  );
const numberOf = async (event: MadeEvent, ticketId: string): Promise<string> =>
  (await creditPage(...where(event))).issued.find((one) => one.ticketId === ticketId)!.number;

describe("credit (rule 13)", () => {
  it("says what each threshold would come to before anything is issued", async () => {
    const event = await evening();
    const { whatIf, due, issued } = await creditPage(...where(event));
    expect(whatIf.find((one) => one.thresholdPercent === 50)).toMatchObject({ all: 2, none: 0 });
    expect(whatIf.find((one) => one.thresholdPercent === 75)).toMatchObject({ all: 1, none: 1 });
    expect([due, issued.length]).toEqual([1, 0]);
  });

  it("is issued once, by two producers at once too, and stays when a correction would change it", async () => {
    const event = await evening();
    const both = await Promise.allSettled([issueCredit(...where(event)), issueCredit(...where(event))]);
    expect(both.map((one) => one.status).toSorted()).toEqual(["fulfilled", "rejected"]);
    expect(await refusal(issueCredit(...where(event)))).toBe("already-done");
    const rows = await world.context.db.select().from(credits).where(eq(credits.occurrenceId, event.occurrenceId));
    expect(rows.map((row) => [row.name, row.points, row.outOf])).toEqual([["Ada Quill", 2, 2]]);
  });

  it("gives a part by the linear rule where that is set: 50 of 75 % of 2 points, cut to hundredths", async () => {
    const event = await evening(true);
    expect(await issueCredit(...where(event))).toBe(2);
    const { issued } = await creditPage(...where(event));
    expect(issued.map((one) => [one.name, one.points])).toEqual([
      ["Ada Quill", 2],
      ["Bo Wren", 1.33],
    ]);
  });

  it("has nothing to issue where nobody earned anything", async () => {
    const event = await makeEvent(world, { creditPoints: 2 });
    await held(world, event.occurrenceId);
    expect(await refusal(issueCredit(...where(event)))).toBe("no-credit");
  });

  it("is corrected and withdrawn with a trail; its page says so and nothing more", async () => {
    const event = await evening();
    await issueCredit(...where(event));
    const number = await numberOf(event, event.ada);
    const creditId = (await creditPage(...where(event))).issued[0]!.id;
    expect(await stateOfNumber(world.context, number, "10.0.0.1")).toBe("valid");
    await changeCredit(...where(event), { creditId, points: 1.5, isWithdrawn: false, why: "Was late" });
    await changeCredit(...where(event), { creditId, points: 1.5, isWithdrawn: true, why: "Wrong person" });
    const [row] = (await creditPage(...where(event))).issued;
    expect(row!.trail.map(({ points, isWithdrawn, why }) => [points, isWithdrawn, why])).toEqual([
      [2, false, "Was late"],
      [1.5, false, "Wrong person"],
    ]);
    expect(await stateOfNumber(world.context, number, "10.0.0.1")).toBe("withdrawn");
    expect(
      await refusal(changeCredit(...where(event), { creditId, points: 1.001, isWithdrawn: false, why: "x" })),
    ).toBe("invalid-input");
  });

  it("cannot be found by trying numbers: after sixty the network waits", async () => {
    const tried: string[] = [];
    for (let i = 0; i < 62; i += 1) {
      const number = `ZZZZZZZZ${String(1000 + i)}`;
      tried.push(await stateOfNumber(world.context, number, "10.9.9.9").catch((error) => error.failure.code as string));
    }
    expect([tried[0], tried[59], tried[60]]).toEqual(["unknown", "unknown", "too-many-tries"]);
    // what cannot be a number costs nobody a try
    expect(await stateOfNumber(world.context, "x", "10.9.9.9")).toBe("unknown");
  });

  it("reads a number as people type it", () => {
    expect(readNumber(" 7k3m-9QXD 2whp ")).toBe("7K3M9QXD2WHP");
    expect(readNumber("7K3M-9QXD")).toBeNull();
  });

  it("is the producer's to issue", async () => {
    const event = await evening();
    const crew = await addMember(world.context, world.organisationId, "crew", "Crew");
    expect(await refusal(issueCredit(world.context, crew, event.eventId, event.occurrenceId))).toBe("not-allowed");
  });
});

describe("certificates", () => {
  it("are one page each, that can be read out, in the holder's language; Arabic too", async () => {
    const event = await evening();
    await issueCredit(...where(event));
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, event.ada));
    const holder = await holderOf(world.context, tokenOf(world.context, ticket!));
    const number = await numberOf(event, event.ada);
    const english = await textOfPdf(await certificateOfHolder(world.context, holder, "en"));
    for (const words of [
      "Certificate of attendance",
      "Ada Quill",
      "Tides and the saltmarsh",
      "2 of 2 points",
      "60 minutes",
    ])
      expect(english).toContain(words);
    expect(english.replaceAll("-", "")).toContain(number);
    const arabic = (await textOfPdf(await certificateOfHolder(world.context, holder, "ar"))).normalize("NFKC");
    expect(arabic).toContain("Ada Quill");
    expect(/شهادة|ةداهش/.test(arabic.replace(/\s/g, ""))).toBe(true);
    await world.context.db.update(people).set({ locale: "de" }).where(eq(people.id, ticket!.personId));
    const german = await textOfPdf(await certificateOfDate(...where(event), number));
    expect(german).toContain("Teilnahmebescheinigung");
  });

  it("are not made any more once they are withdrawn, nor for another event", async () => {
    const event = await evening();
    await issueCredit(...where(event));
    const number = await numberOf(event, event.ada);
    const other = await evening();
    expect(await refusal(certificateOfDate(...where(other), number))).toBe("not-found");
    const creditId = (await creditPage(...where(event))).issued[0]!.id;
    await changeCredit(...where(event), { creditId, points: 2, isWithdrawn: true, why: "Wrong person" });
    expect(await refusal(certificateOfDate(...where(event), number))).toBe("not-found");
  });
});

describe("credit for learning systems", () => {
  it("stands in OneRoster's columns and as xAPI statements, the same each time", async () => {
    const event = await evening();
    await issueCredit(...where(event));
    const rows = parse(await dateFile(...where(event), "results"), { bom: true, columns: true }) as Record<
      string,
      string
    >[];
    expect(rows).toMatchObject([{ scoreStatus: "fully graded", score: "2", lineItemSourcedId: event.occurrenceId }]);
    const made = JSON.parse(await dateFile(...where(event), "statements")) as {
      id: string;
      actor: { mbox?: string; name?: string };
      verb: { id: string };
      result: { duration: string; score?: { scaled: number } };
    }[];
    const told = made.map((one) => [one.actor.name, one.verb.id.split("/").at(-1), one.result.duration].join(" "));
    expect(told.toSorted()).toEqual([
      "Ada Quill attended PT3600S",
      "Ada Quill passed PT3600S",
      "Bo Wren attended PT1800S",
    ]);
    // xAPI 1.0.3 §2.4.1: a UUID; §2.4.5.1: scaled between −1 and 1
    for (const one of made)
      expect(one.id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
    expect(made.find((one) => one.result.score)!.result.score!.scaled).toBe(1);
    expect(JSON.parse(await dateFile(...where(event), "statements"))).toEqual(made);
  });
});
