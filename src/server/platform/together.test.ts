import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
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

describe("waiting for one another", () => {
  beforeEach(() => void vi.useFakeTimers({ toFake: ["setTimeout"] }));
  afterEach(() => void vi.useRealTimers());

  /** Work that is done when the test says so, a batch at a time. */
  function held() {
    const batches: (readonly number[])[] = [];
    const gates: (() => void)[] = [];
    const together = new Together(
      async (items: readonly number[]) => {
        batches.push(items);
        await new Promise<void>((open) => gates.push(open));
        return doubled(items);
      },
      { atOnce: 3, waiting: 9, gatherMs: 10 },
    );
    /** lets the batch that is being done end, and whatever needs no timer begin */
    const next = async () => {
      gates.shift()!();
      for (let i = 0; i < 5; i += 1) await new Promise((turn) => setImmediate(turn));
    };
    return { together, batches, next, begun: () => vi.waitFor(() => expect(gates).toHaveLength(1)) };
  }

  it("is asked of nobody who comes alone", async () => {
    const { together, batches, next, begun } = held();
    for (const n of [1, 2]) {
      const done = together.run(n);
      await begun();
      await next();
      expect(await done).toBe(n * 2);
    }
    expect(batches).toEqual([[1], [2]]);
  });
  it("is asked of those who come behind several, and of none where a whole batch waits already", async () => {
    const { together, batches, next, begun } = held();
    const all = [together.run(1), together.run(2)];
    await begun();
    all.push(together.run(3));
    await next();
    // two came together: the third waits for others
    expect(batches).toEqual([[1, 2]]);
    all.push(together.run(4));
    await vi.advanceTimersByTimeAsync(9);
    expect(batches).toHaveLength(1);
    await vi.advanceTimersByTimeAsync(1);
    expect(batches).toEqual([
      [1, 2],
      [3, 4],
    ]);
    for (const n of [5, 6, 7]) all.push(together.run(n));
    await next();
    expect(batches.at(-1)).toEqual([5, 6, 7]);
    await next();
    expect(await Promise.all(all)).toEqual([2, 4, 6, 8, 10, 12, 14]);
  });
});
