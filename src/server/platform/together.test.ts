import { describe, expect, it } from "vitest";
import { outcomeOf, Together, type Outcome } from "./together";

const size = { atOnce: 3, waiting: 4 };
const doubled = (items: readonly number[]): Outcome<number>[] => items.map((n) => ({ ok: true, value: n * 2 }));

describe("work done together", () => {
  it("gathers what comes in one turn, in order, and gives each their own answer", async () => {
    const batches: (readonly number[])[] = [];
    const together = new Together(async (items: readonly number[]) => {
      batches.push(items);
      return doubled(items);
    }, size);
    expect(await Promise.all([1, 2, 3, 4].map((n) => together.run(n)))).toEqual([2, 4, 6, 8]);
    expect(batches).toEqual([[1, 2, 3], [4]]);
    expect(await together.run(5)).toBe(10);
  });

  it("tells who comes beyond the queue, before anything of theirs is begun", async () => {
    const done: number[] = [];
    const together = new Together(async (items: readonly number[]) => {
      done.push(...items);
      return doubled(items);
    }, size);
    const all = await Promise.allSettled([1, 2, 3, 4, 5].map((n) => together.run(n)));
    expect(all.map((one) => one.status)).toEqual(["fulfilled", "fulfilled", "fulfilled", "fulfilled", "rejected"]);
    expect((all[4] as PromiseRejectedResult).reason).toMatchObject({ failure: { code: "busy" } });
    expect(done).toEqual([1, 2, 3, 4]);
  });

  it("one who is refused costs the others nothing", async () => {
    const together = new Together(
      async (items: readonly number[]) =>
        Promise.all(
          items.map((n) =>
            outcomeOf(() => {
              if (n === 2) throw new Error("not two");
              return n;
            }),
          ),
        ),
      size,
    );
    const all = await Promise.allSettled([1, 2, 3].map((n) => together.run(n)));
    expect(all.map((one) => one.status)).toEqual(["fulfilled", "rejected", "fulfilled"]);
  });

  it("where the whole fails each is tried alone", async () => {
    const together = new Together(async (items: readonly number[]) => {
      if (items.includes(2)) throw new Error("a broken row");
      return doubled(items);
    }, size);
    const all = await Promise.allSettled([1, 2, 3].map((n) => together.run(n)));
    expect(all).toEqual([
      { status: "fulfilled", value: 2 },
      { status: "rejected", reason: new Error("a broken row") },
      { status: "fulfilled", value: 6 },
    ]);
  });
});
