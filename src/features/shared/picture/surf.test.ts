import { expect, it } from "vitest";
import { brownNoise } from "./surf";

it("the shore is heard without a click: no step larger than its noise makes, never over full scale", () => {
  let seed = 1;
  const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  const noise = brownNoise(48_000, random);
  const steps = [...noise].slice(1).map((value, i) => Math.abs(value - noise[i]!));
  expect(Math.max(...steps)).toBeLessThan(0.2);
  expect(Math.max(...[...noise].map(Math.abs))).toBeLessThanOrEqual(1);
  expect(Math.max(...noise) - Math.min(...noise)).toBeGreaterThan(0.1);
});
