import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { pauses } from "./pauses";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it("ends by itself after its time", async () => {
  let isOver = false;
  void pauses()
    .wait(15_000)
    .then(() => (isOver = true));
  await vi.advanceTimersByTimeAsync(14_999);
  expect(isOver).toBe(false);
  await vi.advanceTimersByTimeAsync(1);
  expect(isOver).toBe(true);
});

it("ends at once where it is cut short; the next one lasts its own time", async () => {
  const tries = pauses();
  const both = Promise.all([tries.wait(15_000), tries.wait(9000)]);
  tries.cut();
  await both;
  expect(vi.getTimerCount()).toBe(0);
  let isOver = false;
  void tries.wait(1000).then(() => (isOver = true));
  await vi.advanceTimersByTimeAsync(999);
  expect(isOver).toBe(false);
  tries.cut();
  await vi.advanceTimersByTimeAsync(0);
  expect(isOver).toBe(true);
});
