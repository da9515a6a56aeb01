import { describe, expect, it } from "vitest";
import { freshLine, stalled, wentWell } from ".";
import { firstTryAgainMs, lastTryAgainMs, stallsWithinMs } from "./line";

const second = 1000;

describe("what a viewer's line carries", () => {
  it("one standstill is an accident, a second within a while says that the line does not carry the whole picture", () => {
    const once = stalled(freshLine(0), 5 * second);
    expect(once.variant).toBe("full");
    expect(stalled(once, 5 * second + stallsWithinMs).variant).toBe("full");
    expect(stalled(once, 4 * second + stallsWithinMs).variant).toBe("small");
  });
  it("goes back to the whole picture once the small one has run well for a minute", () => {
    const small = stalled(stalled(freshLine(0), 0), 1 * second);
    expect(wentWell(small, second + firstTryAgainMs - 1).variant).toBe("small");
    expect(wentWell(small, second + firstTryAgainMs).variant).toBe("full");
    const again = stalled(small, 30 * second);
    // a standstill of the small picture counts anew from there
    expect(wentWell(again, second + firstTryAgainMs).variant).toBe("small");
    expect(wentWell(again, 30 * second + firstTryAgainMs).variant).toBe("full");
  });
  it("waits twice as long after each try that failed, sixteen minutes at most; a try that held begins anew", () => {
    let line = stalled(stalled(freshLine(0), 0), 0);
    let now = 0;
    const waits: number[] = [];
    for (let i = 0; i < 6; i += 1) {
      waits.push(line.tryAgainMs);
      now += line.tryAgainMs;
      line = stalled(stalled(wentWell(line, now), now + second), now + 2 * second);
      now += 2 * second;
    }
    expect(waits.map((ms) => ms / firstTryAgainMs)).toEqual([1, 2, 4, 8, 16, 16]);
    expect(line.tryAgainMs).toBe(lastTryAgainMs);
    const held = wentWell(line, now + lastTryAgainMs);
    const later = now + lastTryAgainMs + 600 * second;
    expect(stalled(stalled(held, later), later).tryAgainMs).toBe(firstTryAgainMs);
  });
});
