import { describe, expect, it } from "vitest";
import { FloorLevel } from "./floor-level";

const at = 1_000_000;
const below = 14;

describe("rule 16: the floor under an interpreter, as a page sets it", () => {
  it("goes down by 14 dB within 500 ms of an open microphone, and back after it is closed", () => {
    const level = new FloorLevel();
    level.set(true, at);
    expect([0, 250, 500, 5000].map((ms) => level.dbAt(at + ms, below, 0))).toEqual(
      [0, -7, -14, -14].map((db) => db + 0),
    );
    level.set(false, at + 10_000);
    expect([10_000, 10_250, 10_500].map((ms) => level.dbAt(at + ms, below, 0))).toEqual([-14, -7, 0]);
  });
  it("is as late as what is heard", () => {
    const level = new FloorLevel();
    level.set(true, at);
    expect(level.dbAt(at + 1200, below, 1200)).toBe(0);
    expect(level.dbAt(at + 1700, below, 1200)).toBe(-14);
  });
  it("hears the same said twice once, and a microphone that opens again before the floor is back", () => {
    const level = new FloorLevel();
    level.set(false, at - 5);
    level.set(true, at);
    level.set(true, at + 100);
    level.set(false, at + 1000);
    level.set(true, at + 1250);
    expect(level.dbAt(at + 1250, below, 0)).toBe(-7);
    expect(level.dbAt(at + 1500, below, 0)).toBe(-14);
  });
  it("stays right over a long evening of turns", () => {
    const level = new FloorLevel();
    for (let i = 0; i < 200; i += 1) {
      level.set(true, at + i * 10_000);
      level.set(false, at + i * 10_000 + 5000);
    }
    expect(level.dbAt(at + 2_000_000, below, 0)).toBe(0);
    level.set(true, at + 2_000_000);
    expect(level.dbAt(at + 2_000_500, below, 0)).toBe(-14);
  });
});
