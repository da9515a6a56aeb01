import { beforeEach, describe, expect, it } from "vitest";
import type { CommandBody } from "@/contracts";
import { sayEnglish } from "@/contracts/say";
import type { DeskScene } from "../scene";
import { furtherActs } from "./question-acts";

type Question = DeskScene["view"]["questions"][string];
const sent: CommandBody[] = [];
beforeEach(() => void (sent.length = 0));

const scene = (mayAnswer = true): DeskScene =>
  ({
    say: sayEnglish,
    send: (command: CommandBody) => sent.push(command),
    may: () => mayAnswer,
    view: {
      stage: {
        t1: { name: "Leira Quill", place: "stage" },
        t2: { name: "Ilka Varn", place: "standby" },
        t3: { name: "Nuno Faro", place: "backstage" },
      },
    },
  }) as unknown as DeskScene;
const question = (part: Partial<Question> = {}) =>
  ({ state: "new", isHeld: false, takenBy: null, ...part }) as Question;
const acts = (part: Partial<Question> = {}, mayAnswer = true) =>
  furtherActs(scene(mayAnswer), "q1", question(part), () => {});
const labels = (part: Partial<Question> = {}, mayAnswer = true) => acts(part, mayAnswer).map((one) => one.label);

describe("what else can be done with a question", () => {
  it("new: shown, lined up for somebody who is on stage or stands by, answered by mail, set aside, taken", () => {
    expect(labels()).toEqual([
      "Show now",
      "Line up",
      "Line up for Leira Quill",
      "Line up for Ilka Varn",
      "Answer by mail",
      "Set aside",
      "Take it myself",
      "Answer in writing",
    ]);
  });
  it("held back: let others see it first", () => expect(labels({ isHeld: true })[0]).toBe("Let others see it"));
  it("on stage: back into the line, but not shown again", () => {
    expect(labels({ state: "on-stage" })).not.toContain("Show now");
    expect(labels({ state: "on-stage" })).toContain("Line up");
    expect(labels({ state: "on-stage" }).filter((one) => one.startsWith("Line up for"))).toEqual([]);
  });
  it("set aside or for later: what it is already is not offered", () => {
    expect(labels({ state: "not-taken" })).not.toContain("Set aside");
    expect(labels({ state: "later" })).not.toContain("Answer by mail");
  });
  it("taken by somebody who is here: theirs; by somebody who left: free again", () => {
    expect(labels({ takenBy: "t2" })).not.toContain("Take it myself");
    expect(labels({ takenBy: "t2" })).not.toContain("Answer by mail");
    expect(labels({ takenBy: "gone" })).toContain("Take it myself");
  });
  it("whoever may not answer is not offered to", () => expect(labels({}, false)).not.toContain("Answer in writing"));
  it("does what it says", () => {
    const byLabel = new Map(acts().map((one) => [one.label, one]));
    for (const label of ["Line up for Ilka Varn", "Set aside", "Take it myself"]) byLabel.get(label)!.onSelect!();
    expect(sent).toEqual([
      { type: "questions.move", questionId: "q1", state: "lined-up", segmentId: null, forId: "t2" },
      { type: "questions.move", questionId: "q1", state: "not-taken", segmentId: null },
      { type: "questions.take", questionId: "q1", isMine: true },
    ]);
  });
});
