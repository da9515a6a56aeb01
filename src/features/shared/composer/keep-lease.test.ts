import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { keepLease } from "./keep-lease";

let answers: number[];
const asked = () => vi.mocked(fetch).mock.calls.length;
beforeEach(() => {
  vi.useFakeTimers();
  answers = [];
  vi.stubGlobal(
    "fetch",
    vi.fn(async () => {
      const status = answers.shift() ?? 200;
      if (status === 0) throw new TypeError("away");
      return { ok: status === 200, status } as Response;
    }),
  );
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe("rule 26: a lease that pieces are late for", () => {
  it("is renewed each second by itself, and left alone while pieces come", async () => {
    let takenAt = Date.now();
    const stop = keepLease("/lease", () => takenAt, vi.fn());
    for (let i = 0; i < 10; i += 1) {
      await vi.advanceTimersByTimeAsync(500);
      takenAt = Date.now();
    }
    expect(asked()).toBe(0);
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked()).toBeGreaterThanOrEqual(4);
    expect(asked()).toBeLessThanOrEqual(5);
    stop();
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked()).toBeLessThanOrEqual(5);
  });
  it("is lost where somebody else holds it, and not where the line is away", async () => {
    answers = [0, 503, 409];
    const lost = vi.fn();
    const takenAt = Date.now();
    const stop = keepLease("/lease", () => takenAt, lost);
    await vi.advanceTimersByTimeAsync(1700);
    expect(lost).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(500);
    expect(lost).toHaveBeenCalledTimes(1);
    stop();
  });
});
