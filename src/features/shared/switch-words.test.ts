import { describe, expect, it } from "vitest";
import { defaultSwitches, type Switches } from "@/core/people";
import { switchesWords } from "./switch-words";

const off: Switches = {
  ...defaultSwitches,
  questions: { ...defaultSwitches.questions, on: false },
  polls: { on: false },
  chat: { to: defaultSwitches.chat.to, isHeld: false },
  hands: { on: false, endsWithSegment: false },
  signals: { on: false },
  names: { on: false },
  count: { on: false },
  rename: { on: false },
  paging: { on: false },
  marking: { who: "nobody" },
  door: { on: false },
};

describe("all switches in one line", () => {
  it("names what is on, and leaves out what is off; where the chat goes is always said", () => {
    expect(switchesWords(off)).toMatch(/^chat: \S.*$/);
    expect(switchesWords({ ...off, polls: { on: true }, signals: { on: true } })).toMatch(/^polls; chat: .+; signals$/);
  });
  it("says of questions how they are taken", () => {
    const questions = {
      on: true,
      anonymous: true,
      othersSee: "answered",
      votes: true,
      comments: false,
      isHeld: true,
      tellsNotTaken: false,
    } as const;
    expect(switchesWords({ ...off, questions })).toMatch(
      /^questions, without names too, looked at first, others see what was answered to all, votes; /,
    );
  });
  it("says of chat and hands what holds them", () => {
    const words = switchesWords({
      ...off,
      chat: { to: "all", isHeld: true },
      hands: { on: true, endsWithSegment: true },
    } as Switches);
    expect(words).toContain(", looked at first; hands until the segment ends");
  });
  it("says who draws on the slides, and that people come in one by one", () => {
    expect(switchesWords({ ...off, marking: { who: "leader" }, door: { on: true } })).toMatch(
      /drawing on slides: whoever turns them, and the team; let in one by one$/,
    );
  });
});
