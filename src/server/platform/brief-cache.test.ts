import { expect, it } from "vitest";
import { BriefCache } from "./brief-cache";

it("reads once for a moment, again after it, and keeps nothing that failed", async () => {
  let now = 0;
  let reads = 0;
  const cache = new BriefCache<number>({ now: () => now }, 1000, 2);
  const read = () => Promise.resolve(++reads);
  expect(await Promise.all([cache.get("a", read), cache.get("a", read)])).toEqual([1, 1]);
  now = 999;
  expect(await cache.get("a", read)).toBe(1);
  now = 1000;
  expect(await cache.get("a", read)).toBe(2);
  await expect(cache.get("b", () => Promise.reject(new Error("away")))).rejects.toThrow("away");
  expect(await cache.get("b", read)).toBe(3);
  // no more than so many at a time
  expect([await cache.get("c", read), await cache.get("a", read)]).toEqual([4, 5]);
});
