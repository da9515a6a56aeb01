import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { roles } from "../../people";
import { asAttendee, open, play, refusal, words, figures } from "../test-room";
import { logTopics, plainView, project, standingOf, topicsOf, viewTopics } from "..";
import { cleanLine, graphemesIn } from "./text";
import { chatTargets, mayWriteTo, topicOf, type LineFacts } from ".";

const line = (part: Partial<LineFacts> = {}): LineFacts => ({
  id: "l1",
  authorId: "a1",
  state: "shown",
  target: "all",
  isQuestion: false,
  ...part,
});
const about = (part: Partial<LineFacts> = {}) => ({ scene: { about: line(part) } });

const mainTargets = chatTargets.filter((to) => to !== "side");

describe("rule 18: the text of a line", () => {
  it.each([
    ["e\u0301", 1],
    ["👨‍👩‍👧‍👦", 1],
    ["🇵🇹", 1],
    ["नमस्ते", 3],
    ["مرحبا", 5],
    ["", 0],
  ])("%s is %i characters to a reader (UAX #29, with conjuncts as one: GB9c of Unicode 15.1)", (text, count) =>
    expect(graphemesIn(text)).toBe(count),
  );

  it("loses controls and direction overrides, keeps line breaks and joiners", () => {
    expect(cleanLine(" a\u202eb\u2066c\u0000d\u0007e \r\n\r\n\r\n\r\nf\u200d ")).toBe("abcde \n\nf\u200d");
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), (text) => {
        const clean = cleanLine(text);
        expect(cleanLine(clean)).toBe(clean);
        expect(clean).not.toMatch(/[\u202a-\u202e\u2066-\u2069\u0000\u001b]/u);
      }),
      { numRuns: 1000 },
    );
  });
});

describe("rule 18: who may write to whom", () => {
  it("lets the audience write as far as the switch reaches, and nobody of it into talkback or notes", () => {
    const guest = { role: "attendee" as const, duties: [] };
    const reached = (reach: "nobody" | "desk" | "stage" | "all") =>
      mainTargets.filter((to) => mayWriteTo(guest, to, reach));
    expect([reached("nobody"), reached("desk"), reached("stage"), reached("all")]).toEqual([
      [],
      ["desk"],
      ["stage", "desk"],
      ["all", "stage", "desk"],
    ]);
  });
  it("lets stage people write everywhere but notes, which are the desk's", () => {
    const to = (role: "panelist" | "producer") =>
      mainTargets.filter((one) => mayWriteTo({ role, duties: [] }, one, "nobody"));
    expect(to("panelist")).toEqual(["all", "stage", "desk", "talkback"]);
    expect(to("producer")).toEqual([...mainTargets]);
  });
  it("gives no role of the house a feed in which talkback, notes or held lines stand", () => {
    const secret = ["chat:talkback", "chat:notes", "chat:held", "chat:stage", "chat:desk"];
    for (const role of roles) {
      for (const isInside of [true, false]) {
        const standing = standingOf(open.stage, { ticketId: "z", role, duties: [] }, isInside, true);
        const logs = topicsOf(standing, words.event.switches).logs.filter((topic) => topic.startsWith("chat:"));
        const isStage = !["attendee", "test-guest", "visitor"].includes(role);
        if (!isStage) expect([role, isInside, logs]).toEqual([role, isInside, isInside ? ["chat:house"] : []]);
        if (role === "panelist")
          expect(logs.filter((topic) => secret.includes(topic))).toEqual(["chat:stage", "chat:talkback"]);
      }
    }
    expect(
      [...logTopics.keys()].filter((topic) => topic.startsWith("chat:") && !topic.startsWith("chat:side-")).sort(),
    ).toEqual([...new Set(mainTargets.flatMap((to) => [topicOf(to, false), topicOf(to, true)]))].sort());
  });
});

describe("rule 18: what the desk does with lines", () => {
  it("lets a held line through once, takes one away once, and knows no other", () => {
    expect(refusal(open, { type: "chat.let-through", lineId: "l1" }, about({ state: "held" }))).toBe("done");
    expect(refusal(open, { type: "chat.let-through", lineId: "l1" }, about())).toBe("already-done");
    expect(refusal(open, { type: "chat.take-away", lineId: "l1" }, about())).toBe("done");
    expect(refusal(open, { type: "chat.take-away", lineId: "l1" }, about({ state: "removed" }))).toBe("already-done");
    expect(refusal(open, { type: "chat.take-away", lineId: "l1" })).toBe("not-found");
    expect(refusal(open, { type: "chat.take-away", lineId: "l1" }, { ...asAttendee("a1") })).toBe("not-allowed");
  });
  it("makes a question of a line in one act: the same author, no votes; by the desk or the author, once", () => {
    const make = { type: "chat.make-question", lineId: "l1" } as const;
    const asked = play(open, [make, about()]);
    expect(asked.questions.asked.get("l1")).toMatchObject({ askerId: "a1", state: "new" });
    const guest = (by: string, part: Partial<LineFacts> = {}) => {
      const act = asAttendee(by);
      return { ...act, scene: { ...act.scene, about: line(part) } };
    };
    expect(refusal(open, make, guest("a1"))).toBe("done");
    expect(refusal(open, make, guest("a2"))).toBe("not-allowed");
    expect(refusal(open, make, about({ isQuestion: true }))).toBe("already-done");
    expect(refusal(open, make, about({ target: "talkback" }))).toBe("not-found");
  });
  it("clears once when two clear at the same moment", () => {
    const cleared = play(open, [{ type: "chat.clear", seen: 0 }]);
    expect(refusal(cleared, { type: "chat.clear", seen: 0 })).toBe("already-done");
    expect(cleared.chat.clears).toBe(1);
  });
  it("puts one person on hold alone, unseen by others", () => {
    const held = play(open, [{ type: "chat.hold-person", ticketId: "a1", isHeld: true }]);
    const shown = (screen: string) =>
      viewTopics
        .filter((topic) => topic.startsWith("chat:") && topic.includes(screen))
        .map((topic) => JSON.stringify(plainView(project(topic, held, words, figures))))
        .join();
    expect(shown("desk")).toContain("a1");
    expect(shown("room")).not.toContain("a1");
  });
});
