import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { randomUUID } from "node:crypto";
import { eq, inArray, sql } from "drizzle-orm";
import { dayMs } from "@/core/time";
import { folderStorage } from "@/server/files/folder-storage";
import { eraseContact } from "@/server/services/people/contacts/erase";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { silentLog } from "@/server/platform/log";
import { startBoss } from "@/server/jobs/boss";
import { messages, organisations, people, tickets } from "@/server/db/schema";
import { addTicket, makeEvent, makeWorld, type World } from "../support/world";

const root = resolve(import.meta.dirname, "../..");
let world: World;
const folder = mkdtempSync(join(tmpdir(), "stage-call-backup-"));
const files = join(folder, "files");

beforeAll(async () => {
  world = await makeWorld();
  // the queue keeps tables of its own, partitioned: they are part of what is saved
  const boss = await startBoss(world.databaseUrl, silentLog);
  await boss.stop({ graceful: false });
  await makeEvent(world);
  mkdirSync(files);
  writeFileSync(join(files, "recording"), "as it was");
});
afterAll(() => world.close());

const script = (name: string, to = "saved") =>
  spawnSync("node", [join(root, "scripts", `${name}.mjs`), join(folder, to)], {
    cwd: root,
    encoding: "utf8",
    env: {
      ...process.env,
      DATABASE_URL: world.databaseUrl,
      STAGE_CALL_FILES: files,
      STAGE_CALL_SECRET: "kept-as-well-with-thirty-two-letters-or-more",
    },
  });
const counts = async () =>
  (
    await world.context.db.execute(
      sql`select (select count(*)::int from events) as events, (select count(*)::int from queue.queue) as queues`,
    )
  ).rows[0];

describe("backup and restore", () => {
  it("puts back what was there, whatever happened since", async () => {
    const before = await counts();
    expect(script("backup")).toMatchObject({ status: 0 });
    expect(script("backup").status).not.toBe(0);
    await makeEvent(world, { title: "Made after the backup" });
    await world.context.db.update(organisations).set({ name: "Changed" });
    writeFileSync(join(files, "recording"), "overwritten");
    expect(script("restore")).toMatchObject({ status: 0 });
    expect(await counts()).toEqual(before);
    expect((await world.context.db.select().from(organisations))[0]!.name).toBe("Brinewold Shore Trust");
    expect(readFileSync(join(files, "recording"), "utf8")).toBe("as it was");
    expect(readFileSync(join(folder, "saved/secret"), "utf8")).toBe("kept-as-well-with-thirty-two-letters-or-more");
  });

  it("brings nobody back who was erased since, and sends nothing a second time that was due before", async () => {
    const event = await makeEvent(world, { startLocal: "2027-02-04T18:00" });
    const of = { ...event, organisationId: world.organisationId };
    const ticketId = await addTicket(world, event, "attendee", "Erased After The Backup");
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, ticketId));
    const mail = (id: string, dueAt: number) => ({
      id,
      organisationId: of.organisationId,
      eventId: of.eventId,
      occurrenceId: of.occurrenceId,
      personId: world.owner.personId,
      kind: "note" as const,
      state: "planned" as const,
      plannedDueAt: dueAt,
      dueAt,
      messageId: id,
      createdAt: dueAt,
    });
    const [early, late] = [randomUUID(), randomUUID()];
    const inAYear = Date.now() + 365 * dayMs;
    await world.context.db.insert(messages).values([mail(early, Date.now() - 1000), mail(late, inAYear)]);
    expect(script("backup", "second")).toMatchObject({ status: 0 });
    const here = { ...world.context, storage: folderStorage(files) };
    await eraseContact(here, world.owner, ticket!.personId);
    expect(script("restore", "second")).toMatchObject({ status: 0 });
    const [person] = await world.context.db.select().from(people).where(eq(people.id, ticket!.personId));
    expect(person).toMatchObject({ name: null, email: null });
    const states = await world.context.db
      .select()
      .from(messages)
      .where(inArray(messages.id, [early, late]));
    expect(Object.fromEntries(states.map((row) => [row.id, row.state]))).toEqual({
      [early]: "dropped",
      [late]: "planned",
    });
    expect(readFileSync(join(files, "erasures.log"), "utf8")).toContain(ticket!.personId);
  });
});
