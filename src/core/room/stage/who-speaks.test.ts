import { describe, expect, it } from "vitest";
import { closedButLoud, nobodySpeaks, quiet, whoSpeaks, type Speaking } from "./who-speaks";

/** Levels every 100 ms for so many milliseconds. */
function hear(from: Speaking, levels: Record<string, number>, forMs: number, start: number): [Speaking, number] {
  let state = from;
  let now = start;
  for (; now < start + forMs; now += 100) state = whoSpeaks(state, new Map(Object.entries(levels)), now);
  return [state, now];
}

describe("rule 23: who speaks", () => {
  it("gives the picture to somebody louder by 6 dB for a second, two seconds after the last change", () => {
    let [state, now] = hear(nobodySpeaks, { a: -20, b: -60 }, 1100, 0);
    expect(state.pictureId).toBe("a");
    const changedAt = state.changedAt;
    // b begins at once: smoothing and the two seconds are waited for
    [state, now] = hear(state, { a: -60, b: -20 }, 1500, now);
    expect(state.pictureId).toBe("a");
    [state, now] = hear(state, { a: -60, b: -20 }, 800, now);
    expect(state.pictureId).toBe("b");
    expect(state.changedAt - changedAt).toBeGreaterThanOrEqual(2000);
  });

  it("keeps the picture for a cough, and for somebody who is not louder by 6 dB", () => {
    let [state, now] = hear(nobodySpeaks, { a: -20, b: -60 }, 4000, 0);
    [state, now] = hear(state, { a: -30, b: -12 }, 700, now);
    [state, now] = hear(state, { a: -20, b: -60 }, 2000, now);
    expect(state.pictureId).toBe("a");
    [state] = hear(state, { a: -20, b: -15 }, 8000, now);
    expect(state.pictureId).toBe("a");
    expect(state.speaksId).toBe("b");
  });

  it("has nobody speak below −50 dBFS, while the picture stays", () => {
    let [state, now] = hear(nobodySpeaks, { a: -20 }, 3000, 0);
    [state, now] = hear(state, { a: -55, b: -52 }, 3000, now);
    expect([state.pictureId, state.speaksId]).toEqual(["a", null]);
    // who went is louder than nobody
    [state] = hear(state, { b: -30 }, 3000, now);
    expect(state.pictureId).toBe("b");
  });

  it("smooths with a time constant of 400 ms: after that long 63 % of a step is there", () => {
    const [before] = hear(nobodySpeaks, { a: -60 }, 100, 0);
    const after = whoSpeaks(before, new Map([["a", -20]]), before.at + 400);
    // 1 − 1/e = 0.632 of 40 dB
    expect(after.smoothed.get("a")).toBeCloseTo(-60 + 40 * 0.632, 1);
  });
});

describe("speaking into a closed microphone", () => {
  it("is told after 400 ms over −40 dBFS, and not once it is open or quiet again", () => {
    let state = closedButLoud(quiet, -35, false, 0);
    state = closedButLoud(state, -35, false, 300);
    expect(state.isTold).toBe(false);
    state = closedButLoud(state, -35, false, 400);
    expect(state.isTold).toBe(true);
    expect(closedButLoud(state, -41, false, 500)).toEqual(quiet);
    expect(closedButLoud(state, -35, true, 500)).toEqual(quiet);
  });
});
