import { describe, expect, it, vi } from "vitest";
import { lowestDbfs } from "./level";
import { SoundLevel } from "./sound-level";

describe("how loud one's own microphone is", () => {
  it("is up at once, falls slowly (IEC 60268-10), and says what was measured last", () => {
    const sound = new SoundLevel();
    expect([sound.meter(), sound.dbfs()]).toEqual([0, lowestDbfs]);
    sound.put(0.1);
    expect(sound.meter()).toBeCloseTo(0.4, 6);
    // 20 · log10(0.1)
    expect(sound.dbfs()).toBeCloseTo(-20, 6);
    sound.put(0);
    expect(sound.meter()).toBeGreaterThan(0.3);
    expect(sound.dbfs()).toBe(lowestDbfs);
    sound.reset();
    expect([sound.meter(), sound.dbfs()]).toEqual([0, lowestDbfs]);
  });

  it("tells whoever shows it, only where something is to be seen, and no longer than they listen", () => {
    const sound = new SoundLevel();
    const tell = vi.fn();
    const leave = sound.subscribe(tell);
    sound.put(0);
    expect(tell).toHaveBeenCalledTimes(0);
    sound.put(0.2);
    sound.put(1);
    expect(tell).toHaveBeenCalledTimes(2);
    leave();
    sound.reset();
    expect(tell).toHaveBeenCalledTimes(2);
  });
});
