import { describe, expect, it } from "vitest";
import { Gate } from "./gate";

/** Work that ends when it is told to. */
function task() {
  let end = () => {};
  let fail = () => {};
  const done = new Promise<void>((resolve, reject) => {
    end = resolve;
    fail = () => reject(new Error("broke"));
  });
  return { run: () => done, end, fail };
}
const settled = () => new Promise((resolve) => setImmediate(resolve));

describe("a gate", () => {
  it("lets so many work at once, so many wait in their order, and refuses the rest before they begin", async () => {
    const gate = new Gate({ atOnce: 2, waiting: 2 });
    const begun: string[] = [];
    const tasks = ["a", "b", "c", "d", "e"].map((name) => ({ name, ...task() }));
    const outcomes = tasks.map(({ name, run }) =>
      gate
        .run(() => {
          begun.push(name);
          return run();
        })
        .then(
          () => "done",
          (error: { failure: { code: string } }) => error.failure.code,
        ),
    );
    await settled();
    expect(begun).toEqual(["a", "b"]);
    expect(await outcomes[4]).toBe("busy");
    tasks[1]!.end();
    await settled();
    expect(begun).toEqual(["a", "b", "c"]);
    for (const one of tasks) one.end();
    expect(await Promise.all(outcomes)).toEqual(["done", "done", "done", "done", "busy"]);
    expect(begun).toEqual(["a", "b", "c", "d"]);
  });

  it("opens again after work that broke, and for as many as before", async () => {
    const gate = new Gate({ atOnce: 1, waiting: 1 });
    const broken = task();
    const first = gate.run(broken.run);
    const second = gate.run(async () => "second");
    broken.fail();
    await expect(first).rejects.toThrow("broke");
    expect(await second).toBe("second");
    expect(await gate.run(async () => "third")).toBe("third");
  });
});
