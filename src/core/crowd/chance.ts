import { seededChance } from "../shared";

/** What an invented house leaves to chance: the same seed gives the same house. */
export function makeChance(seed: number) {
  const next = seededChance(seed);
  const between = (low: number, high: number) => low + next() * (high - low);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const hex = (length: number) => Array.from({ length }, () => Math.floor(next() * 16).toString(16)).join("");
  const id = () => `${hex(8)}-${hex(4)}-4${hex(3)}-8${hex(3)}-${hex(12)}`;
  const code = (length: number) => Array.from({ length }, () => pick([..."abcdefghjkmnpqrstuvwxyz23456789"])).join("");
  return { next, between, pick, id, code };
}
export type Chance = ReturnType<typeof makeChance>;

/** How long until something happens that happens so often a minute on average, in milliseconds. */
export const waitMs = (chance: Chance, perMinute: number): number =>
  perMinute <= 0 ? Infinity : (-Math.log(1 - chance.next()) / perMinute) * 60_000;
