import { expect, it } from "vitest";
import { gate } from "./gate";

it("holds whoever comes while it is closed, lets all of them go at once, and nobody waits at an open one", async () => {
  const own = gate(false);
  const gone: number[] = [];
  const waits = [own.wait()!.then(() => gone.push(1)), own.wait()!.then(() => gone.push(2))];
  await Promise.resolve();
  expect(gone).toEqual([]);
  own.open();
  await Promise.all(waits);
  expect(gone).toEqual([1, 2]);
  expect(own.wait()).toBeNull();
  own.close();
  expect(own.wait()).toBeInstanceOf(Promise);
});
