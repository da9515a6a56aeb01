import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { crowds, people, tickets } from "@/server/db/schema";
import type { CrowdPlan } from "@/core/crowd";
import type { CrowdSeat } from "@/server/services/ground/crowd-port";
import { eventFile } from "@/server/services/afterwards/exports";
import { emptyRehearsal, fillRehearsal } from "@/server/services/hour/crowd";
import { executeWhole as execute } from "@/server/services/ground/room/commands";
import { contactPage } from "@/server/services/people/contacts/book";
import { addRehearsal } from "@/server/services/planning/dates/rehearsals";
import { loadDirectory } from "@/server/room";
import { holderOf } from "@/server/services/way-in/tickets";
import { addTicket, makeEvent, makeWorld, seat, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let rehearsalId: string;
const played: { plan: CrowdPlan; seats: readonly CrowdSeat[] }[] = [];
let stopped = 0;
beforeAll(async () => {
  world = await makeWorld();
  Object.assign(world.context, {
    crowd: {
      play: (_: string, plan: CrowdPlan, seats: readonly CrowdSeat[]) => played.push({ plan, seats }),
      stop: () => void (stopped += 1),
    },
  });
  event = await makeEvent(world, { startLocal: "2026-12-03T18:00" });
  rehearsalId = await addRehearsal(world.context, world.owner, event.eventId, {
    startLocal: "2026-11-27T17:00",
    durationMinutes: 45,
  });
});
afterAll(() => world.close());

const fill = (input: unknown, dateId = rehearsalId) =>
  fillRehearsal(world.context, world.owner, event.eventId, dateId, input);
const rows = () => world.context.db.select().from(tickets).where(eq(tickets.occurrenceId, rehearsalId));
const act = (actorId: string, role: "producer" | "attendee", command: Parameters<typeof execute>[3]["command"]) =>
  execute(
    world.context,
    world.cache,
    { actorId, actor: { role, duties: [] }, occurrenceId: rehearsalId },
    {
      commandId: randomUUID(),
      command,
    },
  );

describe("an invented audience", () => {
  it("fills a rehearsal alone, with people of whom nobody can be written to", async () => {
    await expect(fill({ size: 3, temper: "calm" }, event.occurrenceId)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    await expect(fill({ size: 501, temper: "calm" })).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    await fill({ size: 40, temper: "lively", seed: 5 });
    expect(played.at(-1)!.plan).toMatchObject({ seed: 5, size: 40, temper: "lively" });
    // each way in opens as everybody's does
    const { ticket } = await holderOf(world.context, played.at(-1)!.seats[0]!.token);
    expect([ticket.role, ticket.status, ticket.occurrenceId]).toEqual(["attendee", "registered", rehearsalId]);
    const folk = await world.context.db.select().from(people).where(eq(people.id, ticket.personId));
    expect(folk[0]!.email).toBeNull();
    expect((await loadDirectory(world.context.db, rehearsalId))!.words.event).toMatchObject({
      isRehearsal: true,
      crowdSize: 40,
    });
  });

  it("has the same names for the same number", async () => {
    const names = async () =>
      (
        await world.context.db.execute(
          sql`select p.name from people p join tickets t on t.person_id = p.id where t.occurrence_id = ${rehearsalId} order by p.name`,
        )
      ).rows.map((row) => row["name"]);
    const first = await names();
    await fill({ size: 40, temper: "calm", seed: 5 });
    expect(await names()).toEqual(first);
    expect(await rows()).toHaveLength(40);
  });

  it("stands in no list of registrants, no contacts and no file", async () => {
    const file = await eventFile(world.context, world.owner, event.eventId, "registrants");
    expect(String(file).trim().split("\r\n")).toHaveLength(1);
    expect(
      (await contactPage(world.context, world.owner, { words: "" })).contacts.map((one) => one.email),
    ).not.toContain(null);
  });

  it("goes with its rehearsal, and all that it asked and answered with it", async () => {
    const producerId = await addTicket(world, event, "producer", "Second Producer");
    const [guest] = await rows();
    world.clock.set(Date.parse("2026-11-27T16:50:00Z"));
    await seat(world, { ...event, occurrenceId: rehearsalId }, guest!.id);
    await act(producerId, "producer", { type: "stage.enter" });
    await act(producerId, "producer", { type: "hour.open-doors" });
    await act(guest!.id, "attendee", { type: "questions.ask", text: "Will there be a recording?", segmentId: null });
    await act(producerId, "producer", { type: "hour.end" });
    expect(await rows()).toEqual([]);
    expect(stopped).toBeGreaterThan(0);
    for (const table of ["questions", "stays", "ballots", "crowds"]) {
      const { rows: left } = await world.context.db.execute(sql`select 1 from ${sql.identifier(table)}`);
      expect([table, left.length]).toEqual([table, 0]);
    }
    await expect(fill({ size: 3, temper: "calm" })).rejects.toMatchObject({ failure: { code: "wrong-state" } });
  });

  it("can be sent home before, and leaves nobody behind", async () => {
    const again = await addRehearsal(world.context, world.owner, event.eventId, {
      startLocal: "2026-11-28T17:00",
      durationMinutes: 45,
    });
    const before = await world.context.db.$count(people);
    await fill({ size: 500, temper: "unruly" }, again);
    expect(await world.context.db.$count(people)).toBe(before + 500);
    await emptyRehearsal(world.context, world.owner, event.eventId, again);
    expect(await world.context.db.$count(people)).toBe(before);
    expect(await world.context.db.$count(crowds)).toBe(0);
  });
});
