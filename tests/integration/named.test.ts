import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { executeNamed } from "@/server/db/named";
import { addTicket, makeEvent, makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const sum = (db: World["context"]["db"], a: number, b: number) =>
  executeNamed(db, sql`select ${a}::int + ${b}::int as sum`).then(({ rows }) => rows[0]!["sum"]);

describe("a statement that is planned once a connection", () => {
  it("answers for the values of each call, in a transaction and out of it", async () => {
    const { db } = world.context;
    expect(await sum(db, 1, 2)).toBe(3);
    expect(await sum(db, 40, 2)).toBe(42);
    await db.transaction(async (tx) => {
      expect(await sum(tx, 5, 5)).toBe(10);
      expect(await sum(tx, 5, 6)).toBe(11);
    });
    // more at once than there are connections
    const all = await Promise.all(Array.from({ length: 60 }, (_, i) => sum(db, i, i)));
    expect(all).toEqual(Array.from({ length: 60 }, (_, i) => 2 * i));
  });
  it("is another for another text, of the same shape or not", async () => {
    const { db } = world.context;
    const product = (a: number, b: number) => executeNamed(db, sql`select ${a}::int * ${b}::int as sum`);
    expect((await product(3, 5)).rows).toEqual([{ sum: 15 }]);
    expect(await sum(db, 3, 5)).toBe(8);
  });
  it("has the same name in another copy of the module, which may use the same connections", async () => {
    const copy = "../../src/server/db/named?copy";
    const { executeNamed: another } = (await import(/* @vite-ignore */ copy)) as typeof import("@/server/db/named");
    expect(another).not.toBe(executeNamed);
    const { db } = world.context;
    await db.transaction(async (tx) => {
      // in the other order: a count of its own would give each the other's name
      const tripled = await another(tx, sql`select ${7}::int * 3 as sum`);
      const twice = await executeNamed(tx, sql`select ${7}::int * 2 as sum`);
      expect([tripled.rows[0], twice.rows[0]]).toEqual([{ sum: 21 }, { sum: 14 }]);
      expect((await another(tx, sql`select ${8}::int * 2 as sum`)).rows).toEqual([{ sum: 16 }]);
      expect((await executeNamed(tx, sql`select ${8}::int * 3 as sum`)).rows).toEqual([{ sum: 24 }]);
    });
  });
  it("that fails names its text, never its values", async () => {
    const failing = executeNamed(world.context.db, sql`select ${"a secret"}::int`);
    await expect(failing).rejects.toThrow("select $1::int");
    await expect(failing).rejects.not.toThrow("a secret");
  });
  it("sees a table as it is now, not as it was when it was planned", async () => {
    const { db } = world.context;
    const count = () =>
      executeNamed(db, sql`select count(*)::int as n from people where name = ${"Tarn Holm"}`).then(
        ({ rows }) => rows[0]!["n"] as number,
      );
    const event = await makeEvent(world);
    const before = await count();
    // the database keeps a plan for good after the fifth call
    for (let i = 1; i < 8; i += 1) {
      await addTicket(world, event, "attendee", "Tarn Holm");
      expect(await count()).toBe(before + i);
    }
  });
});
