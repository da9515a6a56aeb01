import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq, sql } from "drizzle-orm";
import { allWritten } from "@/server/db/begin";
import { writeLast } from "@/server/db/write-last";
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

describe("what is written last", () => {
  const named = (name: string) => sql`update organisations set name = ${name} where id = ${world.organisationId}`;

  it("is kept with all the rest, though nobody waits for its answer but the end", async () => {
    await world.context.db.transaction(async (tx) => {
      await writeLast(tx, [named("Written first"), named("Written last")]);
    });
    expect(await nameNow()).toBe("Written last");
  });

  it("takes everything back where it fails: the commit that left behind it keeps nothing", async () => {
    const failing = world.context.db.transaction(async (tx) => {
      await rename(tx, "Half written");
      await writeLast(tx, [sql`select 1 / 0`, named("Behind it")]);
      return "well";
    });
    await expect(failing).rejects.toMatchObject({ cause: { code: "22012" } });
    expect(await nameNow()).toBe("Written last");
    // and the connection serves whoever comes next
    await world.context.db.transaction((tx) => rename(tx, "Afterwards").then(() => undefined));
    expect(await nameNow()).toBe("Afterwards");
  });

  it("is what is told of where something behind it was refused for its sake", async () => {
    const failing = world.context.db.transaction(async (tx) => {
      await writeLast(tx, [sql`select 1 / 0`]);
      await rename(tx, "Refused since the transaction has failed");
    });
    await expect(failing).rejects.toMatchObject({ cause: { code: "22012" } });
    expect(await nameNow()).toBe("Afterwards");
  });

  it("is waited for in a transaction within another", async () => {
    await world.context.db.transaction(async (tx) => {
      const inner = tx.transaction((within) => writeLast(within, [sql`select 1 / 0`]));
      await expect(inner).rejects.toMatchObject({ cause: { code: "22012" } });
      await writeLast(tx, [named("The outer one goes on")]);
    });
    expect(await nameNow()).toBe("The outer one goes on");
  });
});
