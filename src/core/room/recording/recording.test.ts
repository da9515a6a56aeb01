import { describe, expect, it } from "vitest";
import { noFigures, ownOf, project, spansUntil, type RecordingItem, type RoomFigures } from "../index";
import { asAttendee, at, open, play, refusal, words, type Acted } from "../test-room";

const minute = 60_000;
const begin = (way: "curtain" | "hand") => ({ type: "recording.begin", way }) as const;
const when = (minutes: number) => ({ at: at + minutes * minute });
const spans = (room: typeof open, until = 90) =>
  spansUntil(room.recording, at + until * minute).map(({ from, to }) => [(from - at) / minute, (to - at) / minute]);
const deskOf = (room: typeof open, figures: RoomFigures = noFigures): RecordingItem =>
  (project("recording:desk", room, words, figures) as unknown as { recording: { it: RecordingItem } }).recording.it;
const signOf = (room: typeof open) =>
  (project("recording:room", room, words, noFigures) as unknown as { recordingSign: { it: unknown } }).recordingSign.it;

describe("rule 25: when the hour is recorded", () => {
  it("follows the curtain: it starts and pauses with it, and a dropped curtain is never in it", () => {
    const room = play(
      open,
      [begin("curtain"), when(0)],
      [{ type: "hour.raise-curtain" }, when(2)],
      [{ type: "hour.drop-curtain" }, when(20)],
      [{ type: "hour.raise-curtain" }, when(25)],
      [{ type: "hour.end" }, when(60)],
    );
    expect(spans(room)).toEqual([
      [2, 20],
      [25, 60],
    ]);
    expect(signOf(room)).toEqual({ isOn: false, isPaused: false });
  });
  it("by hand: at once, whatever the curtain does; paused and gone on with", () => {
    const acts: Acted[] = [
      [begin("hand"), when(1)],
      [{ type: "recording.pause" }, when(5)],
      [{ type: "recording.resume" }, when(8)],
      [{ type: "recording.stop" }, when(10)],
    ];
    expect(spans(play(open, ...acts))).toEqual([
      [1, 5],
      [8, 10],
    ]);
  });
  it("paused by hand while the curtain is up, it stays so through the curtain's next moves until it is gone on with", () => {
    const room = play(
      open,
      [{ type: "hour.raise-curtain" }, when(0)],
      [begin("curtain"), when(1)],
      [{ type: "recording.pause" }, when(3)],
      [{ type: "hour.drop-curtain" }, when(4)],
      [{ type: "hour.raise-curtain" }, when(5)],
      [{ type: "recording.resume" }, when(7)],
    );
    expect(spans(room, 9)).toEqual([
      [1, 3],
      [7, 9],
    ]);
    expect(signOf(room)).toEqual({ isOn: true, isPaused: false });
    expect(deskOf(room)).toMatchObject({ way: "curtain", openedAt: at + 7 * minute, keptMs: 2 * minute });
  });
  it("is begun, paused and ended once: of two desks the second is told", () => {
    const on = play(open, [begin("hand")]);
    expect(refusal(on, begin("curtain"))).toBe("already-done");
    expect(refusal(open, { type: "recording.pause" })).toBe("already-done");
    expect(refusal(open, { type: "recording.stop" })).toBe("already-done");
    expect(refusal(on, { type: "recording.resume" })).toBe("already-done");
    expect(refusal(open, begin("hand"), asAttendee("a1"))).toBe("not-allowed");
  });
});

describe("rule 25: nobody is recorded unasked", () => {
  const present = {
    ...noFigures,
    present: new Map([
      ["p", "stage"],
      ["t1", "stage"],
      ["a1", "house"],
    ] as const),
  };
  it("nothing is kept before everybody on the stage side has agreed", () => {
    const about = ["p", "t1"];
    expect(refusal(open, begin("hand"), { scene: { about } })).toBe("consent-missing");
    const asked = play(open, [{ type: "recording.ask" }], [{ type: "recording.agree" }]);
    expect(deskOf(asked, present).missing).toEqual([{ id: "t1", name: "STAGE-NAME" }]);
    expect(refusal(asked, begin("hand"), { scene: { about } })).toBe("consent-missing");
    const agreed = play(asked, [{ type: "recording.agree" }, { by: "t1" }]);
    expect(deskOf(agreed, present).missing).toEqual([]);
    expect(refusal(agreed, begin("hand"), { scene: { about } })).toBe("done");
    expect(ownOf(agreed, "t1")["recording"]).toEqual({ hasAgreed: true });
    expect(refusal(agreed, { type: "recording.agree" }, { by: "t1" })).toBe("already-done");
  });
});
