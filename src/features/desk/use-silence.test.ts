import { describe, expect, it } from "vitest";
import type { DeskView } from "@/core/room";
import { isAnybodyHeard } from "@/features/shared/devices/heard";

const person = (isMicrophoneOpen: boolean, callerLevel: number | null = null) => ({ isMicrophoneOpen, callerLevel });
const view = (stage: object, floor: object = {}) => ({ stage, floor }) as unknown as DeskView;

describe("whether anybody is heard (rule 23: under −50 dBFS nobody speaks)", () => {
  it("takes open microphones of stage and floor, and callers", () => {
    const levels = new Map([
      ["a", 40],
      ["b", 40],
    ]);
    expect(isAnybodyHeard(view({ a: person(true) }), levels)).toBe(true);
    expect(isAnybodyHeard(view({ a: person(false) }), levels)).toBe(false);
    expect(isAnybodyHeard(view({}, { b: person(true) }), levels)).toBe(true);
    expect(isAnybodyHeard(view({ a: person(false, 30) }), new Map())).toBe(true);
  });
  it("a level of 1 on a meter that a quarter of full scale fills is −52 dBFS: nobody", () => {
    expect(isAnybodyHeard(view({ a: person(true) }), new Map([["a", 1]]))).toBe(false);
    expect(isAnybodyHeard(view({ a: person(true) }), new Map([["a", 2]]))).toBe(true);
  });
});
