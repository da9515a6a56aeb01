import { describe, expect, it } from "vitest";
import { ActPace } from "./limits";
import { readParts } from "./parts";
import { isLive } from "./handler";

const refusalOf = (run: () => void): unknown => {
  try {
    run();
    return null;
  } catch (error) {
    return (error as { failure: unknown }).failure;
  }
};

let made = 0;

describe("the pace of acts", () => {
  it("lets five lines through at once, then one each two seconds (rule 18), and says how long to wait", () => {
    let now = 0;
    const pace = new ActPace(() => now);
    const say = () => refusalOf(() => pace.take("a", "chat.say", `${(made += 1)}`));
    for (let i = 0; i < 5; i += 1) expect(say()).toBeNull();
    expect(say()).toEqual({ code: "too-fast", retryAfterMs: 2000 });
    now = 1999;
    expect(say()).toMatchObject({ retryAfterMs: 1 });
    now = 2000;
    expect(say()).toBeNull();
    expect(say()).toMatchObject({ retryAfterMs: 2000 });
    now = 60_000;
    for (let i = 0; i < 5; i += 1) expect(say()).toBeNull();
    expect(say()).not.toBeNull();
  });
  it("takes a repeat of a command for the same act: whoever tries again after an outage is not too fast", () => {
    const pace = new ActPace(() => 0);
    for (let i = 0; i < 50; i += 1) expect(refusalOf(() => pace.take("a", "questions.ask", "same"))).toBeNull();
  });
  it("holds each person and each kind of act apart", () => {
    const pace = new ActPace(() => 0);
    const act = (ticketId: string, type: string) => refusalOf(() => pace.take(ticketId, type, `${(made += 1)}`));
    for (let i = 0; i < 3; i += 1) expect(act("a", "questions.ask")).toBeNull();
    expect(act("a", "questions.ask")).toMatchObject({ code: "too-fast" });
    expect(act("b", "questions.ask")).toBeNull();
    expect(act("a", "chat.say")).toBeNull();
    // what has no pace of its own shares one bucket of twenty
    for (let i = 0; i < 20; i += 1) expect(act("a", i % 2 ? "polls.vote" : "questions.vote")).toBeNull();
    expect(act("a", "hour.drop-curtain")).toMatchObject({ code: "too-fast" });
  });
});

describe("the parts of an installation", () => {
  it("are all of them, one, or some", () => {
    expect([...readParts(undefined)].sort()).toEqual(["live", "web", "work"]);
    expect([...readParts("all")]).toHaveLength(3);
    expect([...readParts("web+live")]).toEqual(["web", "live"]);
    expect(() => readParts("desk")).toThrow("STAGE_CALL_PART");
  });
  it("part at /live/", () => {
    expect([isLive("/live/x/stream"), isLive("/season"), isLive("/lively")]).toEqual([true, false, false]);
  });
});
