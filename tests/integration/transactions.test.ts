import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq, sql } from "drizzle-orm";
import { allWritten } from "@/server/db/begin";
import { organisations } from "@/server/db/schema";
import { makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const rename = (db: Pick<World["context"]["db"], "update">, name: string) =>
  db.update(organisations).set({ name }).where(eq(organisations.id, world.organisationId));
async function nameNow(): Promise<string> {
  const [row] = await world.context.db.select().from(organisations).where(eq(organisations.id, world.organisationId));
  return row!.name;
}
const fails = (db: Pick<World["context"]["db"], "execute">) => db.execute(sql`select 1 / 0`).then(() => undefined);

describe("a transaction whose beginning leaves with its first statement", () => {
  it("keeps all of it or nothing, also where statements leave before the one ahead of them is answered", async () => {
    const before = await nameNow();
    const failing = world.context.db.transaction(async (tx) => {
      await allWritten([rename(tx, "Half written").then(() => undefined), fails(tx)]);
    });
    await expect(failing).rejects.toMatchObject({ cause: { code: "22012" } });
    expect(await nameNow()).toBe(before);
    await world.context.db.transaction((tx) => rename(tx, "Brinewold Evenings").then(() => undefined));
    expect(await nameNow()).toBe("Brinewold Evenings");
  });

  it("takes nothing back that was refused in words before anything was asked", async () => {
    await expect(
      world.context.db.transaction(async () => {
        throw new Error("refused");
      }),
    ).rejects.toThrow("refused");
    // the connection is as good as before
    expect((await world.context.db.execute(sql`select 1 as one`)).rows).toEqual([{ one: 1 }]);
  });

  it("lets nothing be written after the rollback by what still goes on: a failure waits for it", async () => {
    const before = await nameNow();
    const inTwoSteps = async (db: Pick<World["context"]["db"], "execute" | "update">) => {
      for (let i = 0; i < 5; i += 1) await db.execute(sql`select 1`).catch(() => undefined);
      await rename(db, "Written outside").catch(() => undefined);
    };
    const failing = world.context.db.transaction(async (tx) => {
      await allWritten([fails(tx), inTwoSteps(tx)]);
    });
    await expect(failing).rejects.toMatchObject({ cause: { code: "22012" } });
    expect(await nameNow()).toBe(before);
  });

  it("runs one in another to a savepoint", async () => {
    const before = await nameNow();
    await world.context.db.transaction(async (tx) => {
      await tx
        .transaction(async (inner) => {
          await rename(inner, "Inner");
          throw new Error("only this");
        })
        .catch(() => undefined);
      expect((await tx.select().from(organisations).where(eq(organisations.id, world.organisationId)))[0]!.name).toBe(
        before,
      );
    });
  });
});
