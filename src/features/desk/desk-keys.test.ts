import { describe, expect, it } from "vitest";
import { sayEnglish } from "@/contracts/say";
import { deskKeys } from "./desk-keys";
import type { DeskScene } from "./scene";

const scene = (part: object = {}, mayNot: readonly string[] = []): DeskScene =>
  ({
    view: { cue: { it: { currentSegmentId: "s1" } }, hands: {} },
    segments: [{ id: "s1", leaderId: "t1" }, { id: "s2" }],
    currentIndex: 0,
    say: sayEnglish,
    may: (action: string) => !mayNot.includes(action),
    ...part,
  }) as unknown as DeskScene;
const act = (key: string, of: DeskScene) => deskKeys.find((one) => one.key === key)!.act(of);

describe("the desk's keys", () => {
  it("are one each, and say what they do", () => {
    expect(new Set(deskKeys.map((one) => one.key)).size).toBe(deskKeys.length);
    expect(deskKeys.every((one) => one.words(sayEnglish).length > 5)).toBe(true);
  });
  it("name what they act on: the segment that is left, the leader who stays heard", () => {
    expect(act("n", scene())).toEqual({ type: "cues.next", leavingSegmentId: "s1" });
    expect(act("m", scene())).toEqual({ type: "stage.close-microphones", exceptId: "t1" });
    expect(act("x", scene())).toEqual({ type: "hour.drop-curtain" });
  });
  it("give the floor to the hand that has been up the longest", () => {
    const hands = { b: { name: "Bo", raisedAt: 2 }, a: { name: "Ada", raisedAt: 1 } };
    const up = scene({ view: { cue: { it: { currentSegmentId: null } }, hands } });
    expect(act("f", up)).toEqual({ type: "floor.offer", ticketId: "a", parts: ["sound"] });
  });
  it("say where there is nothing to be done, and do nothing where the person may not", () => {
    expect(act("n", scene({ currentIndex: 1 }))).toBe("No cue is left.");
    expect(act("f", scene())).toBe("No hand is up.");
    for (const [key, action] of [
      ["n", "cues.next"],
      ["f", "floor.offer"],
      ["o", "stage.ask-to-open"],
      ["x", "hour.drop-curtain"],
    ] as const)
      expect(act(key, scene({}, [action]))).toBeNull();
  });
});
