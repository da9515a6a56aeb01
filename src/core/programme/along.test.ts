import { expect, it } from "vitest";
import { alongWith } from ".";

it("a screen that plays along is nudged while it is near the others, and jumps where it is not", () => {
  expect(alongWith(10, 10.1)).toEqual({ kind: "rate", rate: 1 });
  expect(alongWith(10, 11)).toEqual({ kind: "rate", rate: 1.06 });
  expect(alongWith(11, 10)).toEqual({ kind: "rate", rate: 0.94 });
  expect([alongWith(0, 600), alongWith(600, 0)]).toEqual([
    { kind: "jump", to: 600 },
    { kind: "jump", to: 0 },
  ]);
});
it("from a second away it is with them within half a minute, without a jump", () => {
  let [at, wanted, seconds] = [99, 100, 0];
  for (; seconds < 30 && Math.abs(wanted - at) > 0.2; seconds += 0.5) {
    const along = alongWith(at, wanted);
    if (along.kind === "jump") throw new Error("jumped");
    at += along.rate * 0.5;
    wanted += 0.5;
  }
  expect(seconds).toBeLessThan(20);
});
