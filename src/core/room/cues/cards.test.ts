import { describe, expect, it } from "vitest";
import { plainView } from "../changes";
import type { StageView } from "../views";
import { project, viewTopics, type RoomState } from "..";
import { asAttendee, figures, open, play, refusal, words } from "../test-room";

const cardOf = (room: RoomState) =>
  (plainView(project("cues:team", room, words, figures)) as unknown as StageView).card["it"]?.kind ?? null;
const shown = play(
  open,
  [{ type: "cues.next", leavingSegmentId: null }],
  [{ type: "cues.show-card", card: "two-minutes" }],
);

describe("cards to the stage", () => {
  it("stay up until another takes their place, they are taken down, or the next cue comes", () => {
    expect(cardOf(shown)).toBe("two-minutes");
    expect(cardOf(play(shown, [{ type: "cues.show-card", card: "wrap-up" }]))).toBe("wrap-up");
    expect(cardOf(play(shown, [{ type: "cues.take-card-down" }]))).toBeNull();
    expect(cardOf(play(shown, [{ type: "cues.next", leavingSegmentId: "s1" }]))).toBeNull();
    expect(refusal(shown, { type: "cues.show-card", card: "two-minutes" })).toBe("already-done");
  });
  it("are held up by whoever cues, and the house never sees one", () => {
    expect(refusal(shown, { type: "cues.show-card", card: "louder" }, asAttendee("a1"))).toBe("not-allowed");
    for (const topic of viewTopics.filter((one) => /:(house|foyer)$/.test(one)))
      expect(JSON.stringify(plainView(project(topic, shown, words, figures)))).not.toContain("two-minutes");
  });
});
