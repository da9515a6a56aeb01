import { parse } from "csv-parse/sync";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { minuteMs } from "@/core/time";
import { auditLog, occurrences } from "@/server/db/schema";
import { appendRows } from "@/server/services/ground/room/commands";
import { csvText, guardCell, unguardCell } from "@/server/services/ground/delimited";
import { dateFile, eventFile } from "@/server/services/afterwards/exports";
import { importEntries, previewEntries } from "@/server/services/afterwards/import-entries";
import { readEntriesFile } from "@/server/services/afterwards/read-entries";
import {
  addMember,
  addOrganisation,
  addTicket,
  makeEvent,
  makeWorld,
  type MadeEvent,
  type World,
  stayed,
} from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const startAt = Date.parse("2026-11-26T18:00:00Z");
const bytes = (text: string) => new TextEncoder().encode(text);
const rowsOf = (text: string): Record<string, string>[] => parse(text, { bom: true, columns: true });
const header = "person,name,email,role,device,in,out";

/** A date that was held from 18:00 to 19:00, with the visits of rule 13's example. */
async function heldDate(): Promise<MadeEvent & { ticketId: string }> {
  const event = await makeEvent(world, { creditPoints: 2 });
  const ticketId = await addTicket(world, event, "attendee", '=SUM("a")');
  const visit = async (device: string, from: string, to: string) => {
    const at = (time: string) => Date.parse(`2026-11-26T${time.padEnd(8, ":00")}Z`);
    await stayed(world, event.occurrenceId, ticketId, { device, fromAt: at(from), toAt: at(to) });
  };
  await visit("computer", "17:52", "18:20");
  await visit("phone", "18:10", "18:25");
  await visit("computer", "18:40:00", "18:55:10");
  await visit("computer", "18:55:30", "19:05");
  await world.context.db.transaction((tx) =>
    appendRows(world.context, tx, event.occurrenceId, () => [
      { type: "hour.show-imported", raisedAt: startAt, droppedAt: startAt + 60 * minuteMs },
    ]),
  );
  return { ...event, ticketId };
}
const file = (
  event: MadeEvent,
  name: "attendance" | "entries" | "credit" | "polls" | "ballots" | "questions" | "chat",
) => dateFile(world.context, world.owner, event.eventId, event.occurrenceId, name);

describe("files (surface.md, RFC 4180)", () => {
  it("give rule 13's example as one line a person, formula cells guarded", async () => {
    const event = await heldDate();
    const text = await file(event, "attendance");
    expect(text.startsWith("\ufeff")).toBe(true);
    expect(text.split("\r\n")[0]).toBe(
      "\ufeffperson,name,email,role,registered,first_in,last_out,minutes_present,percent_present,devices,entries,questions,votes,hands,credit_points",
    );
    const line = rowsOf(text).find((row) => row["person"] === event.ticketId)!;
    expect(line).toMatchObject({
      name: `'=SUM("a")`,
      minutes_present: "45",
      percent_present: "75",
      devices: "2",
      entries: "4",
      credit_points: "2",
      first_in: "2026-11-26T17:52:00Z",
      last_out: "2026-11-26T19:05:00Z",
    });
    expect(rowsOf(await file(event, "credit"))).toMatchObject([{ points: "2", out_of: "2" }]);
  });

  it("have exactly the headers of surface.md", async () => {
    const event = await heldDate();
    const headers = {
      entries: header,
      polls: "poll,kind,question,option,votes,percent,voters,mean,median,points,right,low,high",
      ballots: "poll,question,name,email,choice,at",
      questions: "asked_at,name,email,text,votes,state,answer,answered_by,answered_at,visibility",
      chat: "at,name,to,text,state",
      credit: "email,points,out_of",
    } as const;
    for (const [name, wanted] of Object.entries(headers))
      expect((await file(event, name as keyof typeof headers)).split("\r\n")[0]).toBe(`\ufeff${wanted}`);
    expect((await eventFile(world.context, world.owner, event.eventId, "registrants")).split("\r\n")[0]).toBe(
      "\ufeffname,email,status,registered_at,source,time_zone,date_start",
    );
    expect((await eventFile(world.context, world.owner, event.eventId, "invitees")).split("\r\n")[0]).toBe(
      "\ufeffname,email,reply,invited_at,replied_at,registered",
    );
  });

  it("are for those with the right only, and every export is written down", async () => {
    const event = await heldDate();
    const crew = await addMember(world.context, world.organisationId, "crew", "Crew");
    const stranger = await addMember(
      world.context,
      await addOrganisation(world.context, "other.example.org"),
      "owner",
      "Stranger",
    );
    await expect(dateFile(world.context, crew, event.eventId, event.occurrenceId, "entries")).rejects.toMatchObject({
      failure: { code: "not-allowed" },
    });
    await expect(dateFile(world.context, stranger, event.eventId, event.occurrenceId, "entries")).rejects.toMatchObject(
      { failure: { code: "not-found" } },
    );
    await file(event, "ballots");
    expect(
      (await world.context.db.select().from(auditLog).where(eq(auditLog.occurrenceId, event.occurrenceId))).filter(
        (row) => row.action === "export",
      ),
    ).toHaveLength(1);
  });

  it("carry entries into another date with the same figures; the same file twice changes nothing", async () => {
    const source = await heldDate();
    const entries = await file(source, "entries");
    const target = await makeEvent(world, { creditPoints: 2, title: "Elsewhere" });
    await world.context.db
      .update(occurrences)
      .set({ phase: "not-held" })
      .where(eq(occurrences.id, target.occurrenceId));
    expect(
      await importEntries(world.context, world.owner, target.eventId, target.occurrenceId, bytes(entries)),
    ).toMatchObject({ added: 4, known: 0, bad: [] });
    expect(
      await importEntries(world.context, world.owner, target.eventId, target.occurrenceId, bytes(entries)),
    ).toMatchObject({ added: 0, known: 4 });
    const line = rowsOf(await file(target, "attendance")).find((row) => row["entries"] === "4")!;
    expect(line).toMatchObject({ name: `'=SUM("a")`, minutes_present: "45", percent_present: "75", devices: "2" });
  });

  it("read back into the date that they came from change nothing, guests without an address included", async () => {
    const event = await heldDate();
    const walkIn = `${header}\nhall-7,Walked in,,attendee,hall,2026-11-26T18:00:00Z,2026-11-26T18:30:00Z\n`;
    const into = [world.context, world.owner, event.eventId, event.occurrenceId] as const;
    expect(await importEntries(...into, bytes(walkIn))).toMatchObject({ added: 1, known: 0 });
    const entries = await file(event, "entries");
    expect(rowsOf(entries)).toHaveLength(5);
    expect(await previewEntries(...into, bytes(entries), null)).toMatchObject({ good: 0, known: 5, badCount: 0 });
    expect(await importEntries(...into, bytes(entries))).toMatchObject({ added: 0, known: 5 });
    expect(rowsOf(await file(event, "entries"))).toHaveLength(5);
    expect(rowsOf(await file(event, "attendance")).filter((row) => row["entries"] === "1")).toHaveLength(1);
  });

  it("from elsewhere are read by the columns that somebody chose, and a date's counts are made anew", async () => {
    const event = await heldDate();
    await world.context.db.update(occurrences).set({ cameCount: 3 }).where(eq(occurrences.id, event.occurrenceId));
    const hall = "Who;Post;From;To\nAnn Vo;ann.hall@example.org;2026-11-26T18:00:00Z;2026-11-26T18:30:00Z\n";
    const into = [world.context, world.owner, event.eventId, event.occurrenceId] as const;
    expect(await previewEntries(...into, bytes(hall), null)).toMatchObject({
      header: ["Who", "Post", "From", "To"],
      mapping: [null, null, null, null],
      good: 0,
    });
    await expect(importEntries(...into, bytes(hall))).rejects.toMatchObject({
      failure: { code: "bad-file", reason: "missing-column", column: "in" },
    });
    const mapping = ["name", "email", "in", "out"];
    expect(await previewEntries(...into, bytes(hall), mapping)).toMatchObject({ good: 1, badCount: 0 });
    expect(await importEntries(...into, bytes(hall), mapping)).toMatchObject({ added: 1 });
    const [date] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
    expect(date!.cameCount).toBeNull();
  });

  it("refuse an unreadable file whole, and name bad rows by line while good ones go in", () => {
    const code = (text: string | Uint8Array) => {
      try {
        return readEntriesFile(typeof text === "string" ? bytes(text) : text);
      } catch (error) {
        return (error as { failure: { reason: string; column?: string } }).failure;
      }
    };
    expect(code("name,email\nA,b@example.org\n")).toMatchObject({ mapping: ["name", "email"], good: [], bad: [] });
    expect(code(`${header}\n"a,b,c\n`)).toMatchObject({ reason: "broken-quotes", line: 2 });
    expect(code("")).toMatchObject({ reason: "empty" });
    expect(code(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]))).toMatchObject({ reason: "not-text" });
    const mixed = readEntriesFile(
      bytes(
        "\ufeffperson;name;email;role;device;in;out\nx;'=A1;a@example.org;attendee;phone;2026-11-26T18:00:00+01:00;2026-11-26T18:10:00+01:00\ny;B;;attendee;phone;yesterday;2026-11-26T18:10:00Z\nz;C;;attendee;phone;2026-11-26T18:10:00Z;2026-11-26T18:00:00Z\nw;D;;king;phone;2026-11-26T18:00:00Z;2026-11-26T18:10:00Z\n",
      ),
    );
    expect(mixed.good).toMatchObject([{ name: "=A1", inAt: Date.parse("2026-11-26T17:00:00Z") }]);
    expect(mixed.bad).toEqual([
      { line: 3, reason: "bad-time", column: "in" },
      { line: 4, reason: "out-before-in", column: "out" },
      { line: 5, reason: "unknown-role", column: "role" },
    ]);
  });

  it("guard formula cells and take the guard off again", () => {
    expect(["=1+1", "+351 900", "-2", "-5,5", "@x", "plain", "'quoted"].map(guardCell)).toEqual([
      "'=1+1",
      "'+351 900",
      "-2",
      "-5,5",
      "'@x",
      "plain",
      "'quoted",
    ]);
    for (const cell of ["=1+1", "+351 900", "@x", "\tx", "plain", "'quoted"])
      expect(unguardCell(guardCell(cell))).toBe(cell);
    expect(csvText(["a"], [['say "so"\nnow']])).toBe('\ufeffa\r\n"say ""so""\nnow"\r\n');
  });
});
