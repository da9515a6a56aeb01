import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { silentLog } from "@/server/platform/log";
import { startBoss } from "@/server/jobs/boss";
import { organisations } from "@/server/db/schema";
import { makeEvent, makeWorld, type World } from "../support/world";

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

const script = (name: string) =>
  spawnSync("node", [join(root, "scripts", `${name}.mjs`), join(folder, "saved")], {
    cwd: root,
    encoding: "utf8",
    env: {
      ...process.env,
      DATABASE_URL: world.databaseUrl,
      STAGE_CALL_FILES: files,
      STAGE_CALL_SECRET: "kept-as-well",
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
    expect(readFileSync(join(folder, "saved/secret"), "utf8")).toBe("kept-as-well");
  });
});
