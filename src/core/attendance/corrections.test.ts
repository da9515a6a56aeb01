import { describe, expect, it } from "vitest";
import { corrected, keyAfter, mergeFault, showOf, type Correction, type EntryKeyed } from ".";

const minute = 60_000;
const at = (minutes: number) => Date.UTC(2027, 2, 4, 18) + minutes * minute;
const entry = (personKey: string, from: number, to: number, role: EntryKeyed["role"] = "attendee"): EntryKeyed => ({
  entryKey: `${personKey}-${from}`,
  personKey,
  role,
  device: "laptop",
  inAt: at(from),
  outAt: at(to),
  lastSignAt: at(to),
});
const merge = (personKey: string, intoKey: string): Correction => ({ kind: "merge", personKey, intoKey });

describe("rule 13: what is put right by hand", () => {
  it("follows merges to the end, and ends in a circle", () => {
    const after = keyAfter([merge("a", "b"), merge("b", "c")]);
    expect(["a", "b", "c", "d"].map(after)).toEqual(["c", "c", "c", "d"]);
    expect(["b", "c"]).toContain(keyAfter([merge("b", "c"), merge("c", "b")])("b"));
  });
  it("lays the entries of one line under the other, moves what was corrected, marks who only tried", () => {
    const made = corrected(
      [entry("a", 0, 10), entry("b", 20, 30), entry("c", 0, 60)],
      [
        merge("a", "b"),
        { kind: "entry", entryKey: "b-20", inAt: at(15), outAt: at(30) },
        { kind: "test", personKey: "c" },
      ],
    );
    expect(made.map((one) => [one.personKey, one.inAt, one.role])).toEqual([
      ["b", at(0), "attendee"],
      ["b", at(15), "attendee"],
      ["c", at(0), "test-guest"],
    ]);
  });
  it("refuses to make one of two who stood on stage at the same time", () => {
    const stage = [entry("a", 0, 30, "panelist"), entry("b", 29, 60, "panelist"), entry("c", 30, 60, "panelist")];
    expect(mergeFault(stage, [], "a", "b")).toBe("on-stage-at-once");
    expect(mergeFault(stage, [], "a", "c")).toBeNull();
    // c is a by now: what is a's stands in b's way too
    expect(mergeFault(stage, [merge("c", "a")], "b", "c")).toBe("on-stage-at-once");
  });
  it("refuses to merge somebody into themselves, or twice", () => {
    const one = [entry("a", 0, 30)];
    expect(mergeFault(one, [], "a", "a")).toBe("same");
    expect(mergeFault(one, [merge("a", "b")], "b", "a")).toBe("same");
    expect(mergeFault(one, [merge("a", "b")], "a", "c")).toBe("merged-already");
  });
});

describe("rule 13: the server itself was away", () => {
  it("is struck out of the show for everybody", () => {
    const curtain = [{ raisedAt: at(0), droppedAt: at(60), isStruck: false }];
    expect(showOf(curtain, at(90), [{ start: at(20), end: at(25) }])).toEqual([
      { start: at(0), end: at(20) },
      { start: at(25), end: at(60) },
    ]);
  });
});
