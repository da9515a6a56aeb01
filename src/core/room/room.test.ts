import { describe, expect, it } from "vitest";
import { append, capabilities, currentCue, emptyRoom, isCurtainUp, roomRights, viewTopics, logTopics } from ".";
import { asAttendee, at, open, play, refusal } from "./test-room";

describe("rule 5: life of a date in the room", () => {
  it("goes from scheduled by backstage to open, and curtain and doors stay two acts", () => {
    expect(refusal(emptyRoom, { type: "hour.open-doors" })).toBe("wrong-state");
    expect(open.hour.phase).toBe("open");
    expect(isCurtainUp(open.hour)).toBe(false);
    const up = play(open, [{ type: "hour.raise-curtain" }]);
    expect(isCurtainUp(up.hour)).toBe(true);
    expect(refusal(up, { type: "hour.raise-curtain" })).toBe("already-done");
    const again = play(
      up,
      [{ type: "hour.drop-curtain" }, { at: at + 5 }],
      [{ type: "hour.raise-curtain" }, { at: at + 9 }],
    );
    expect(again.hour.curtainSpans).toMatchObject([
      { raisedAt: at, droppedAt: at + 5 },
      { raisedAt: at + 9, droppedAt: null },
    ]);
  });
  it("ends for good, drops the curtain, closes polls and keeps no question on stage", () => {
    const ended = play(
      open,
      [{ type: "hour.raise-curtain" }],
      [{ type: "polls.open", pollId: "v1" }],
      [{ type: "questions.ask", questionId: "q1", segmentId: null }, asAttendee("a1")],
      [{ type: "questions.move", questionId: "q1", state: "on-stage", segmentId: null }],
      [{ type: "hour.end" }, { at: at + 60_000 }],
    );
    expect(ended.polls.polls.get("v1")).toMatchObject({ state: "closed", closedAt: at + 60_000 });
    expect(ended.questions.asked.get("q1")).toMatchObject({ state: "done", answered: "aloud" });
    expect(ended.questions.onStageId).toBeNull();
    expect(isCurtainUp(ended.hour)).toBe(false);
    expect(refusal(ended, { type: "hour.raise-curtain" })).toBe("wrong-state");
  });
  it("opens backstage early by an act, takes that back, and not once the team was called or the doors opened", () => {
    const early = { at: at - 3_600_000 };
    const opened = play(emptyRoom, [{ type: "hour.open-backstage" }, early]);
    expect(opened.hour.phase).toBe("backstage");
    expect(play(opened, [{ type: "hour.close-backstage" }, early]).hour.phase).toBe("scheduled");
    expect(refusal(opened, { type: "hour.close-backstage" }, { at: at - 1_200_000 })).toBe("wrong-state");
    expect(refusal(open, { type: "hour.close-backstage" }, early)).toBe("wrong-state");
    expect(refusal(emptyRoom, { type: "hour.open-backstage" }, asAttendee("x"))).toBe("not-allowed");
  });

  it("lets the curtain have fallen when the last stage person left", () => {
    const up = play(open, [{ type: "hour.raise-curtain" }]);
    const by = { ticketId: "system", at: at + 2_400_000 };
    const left = append(up, [{ type: "hour.ended", curtainFellAt: at + 600_000 }], by).next;
    expect(left.hour.curtainSpans[0]!.droppedAt).toBe(at + 600_000);
    expect(left.hour.endedAt).toBe(at + 600_000);
  });
});

describe("an act that another could have overtaken names what it saw", () => {
  it("a raise on a stale picture is refused: of two desks one dropped, the other's click does not undo it", () => {
    const dropped = play(open, [{ type: "hour.raise-curtain", moves: 0 }], [{ type: "hour.drop-curtain" }]);
    expect(refusal(dropped, { type: "hour.raise-curtain", moves: 0 })).toBe("curtain-moved");
    expect(refusal(dropped, { type: "hour.raise-curtain", moves: 1 })).toBe("done");
  });
  it("a switch names the value that it changes", () => {
    const [on, off] = [{ on: true }, { on: false }];
    const turned = play(open, [{ type: "hour.set-switch", set: { name: "polls", value: off }, seen: on }]);
    expect(refusal(turned, { type: "polls.open", pollId: "v1" })).toBe("switched-off");
    const again = { type: "hour.set-switch", set: { name: "polls", value: on }, seen: on } as const;
    expect(refusal(turned, again)).toBe("edited-meanwhile");
    expect(refusal(turned, { ...again, seen: off })).toBe("done");
    expect(refusal(turned, { ...again, set: { name: "polls", value: off } })).toBe("already-done");
  });
});

describe("rule 10: a cue names the segment it leaves", () => {
  it("skips nothing when two press at once", () => {
    const first = play(open, [{ type: "cues.next", leavingSegmentId: null }]);
    expect(refusal(first, { type: "cues.next", leavingSegmentId: null })).toBe("cue-moved");
    const next = play(
      first,
      [{ type: "cues.next", leavingSegmentId: "s1" }],
      [{ type: "cues.jump", leavingSegmentId: "s2", segmentId: "s1" }],
      [{ type: "cues.back", leavingSegmentId: "s1" }],
    );
    expect(next.cues.given.map((cue) => cue.segmentId)).toEqual(["s1", "s2"]);
    const last = play(next, [{ type: "cues.next", leavingSegmentId: "s2" }]);
    expect(refusal(last, { type: "cues.next", leavingSegmentId: "s3" })).toBe("not-found");
  });
  it("where the running segment was taken off the sheet, next does not begin from the first", () => {
    const second = play(open, [{ type: "cues.jump", leavingSegmentId: null, segmentId: "s2" }]);
    const shorter = { scene: { segmentIds: ["s1", "s3"] } };
    expect(refusal(second, { type: "cues.next", leavingSegmentId: "s2" }, shorter)).toBe("segment-gone");
    const jumped = play(second, [{ type: "cues.jump", leavingSegmentId: "s2", segmentId: "s3" }, shorter]);
    expect(currentCue(jumped.cues)?.segmentId).toBe("s3");
  });
});

describe("rights inside the room", () => {
  it("keeps desk acts from the audience and switched-off things from all", () => {
    const deskActs = [{ type: "hour.hold-doors" }, { type: "hour.raise-curtain" }, { type: "hour.end" }] as const;
    for (const command of deskActs) expect(refusal(open, command, asAttendee("a"))).toBe("not-allowed");
    const ask = { type: "questions.ask", questionId: "q", segmentId: null } as const;
    const off = play(open, [
      {
        type: "hour.set-switch",
        set: { name: "questions", value: { on: false, othersSee: "none" } },
        seen: { on: true, othersSee: "answered" },
      },
    ]);
    expect(refusal(off, ask, asAttendee("a"))).toBe("switched-off");
    expect(refusal(open, { type: "stage.move", ticketId: "stranger", place: "stage" })).toBe("not-found");
  });
  it("lets crew do exactly what their duty holds", () => {
    const crew = { by: "c", scene: { actor: { role: "crew", duties: ["cues"] } } } as const;
    expect(refusal(open, { type: "cues.next", leavingSegmentId: null }, crew)).toBe("done");
    expect(refusal(open, { type: "hour.raise-curtain" }, crew)).toBe("not-allowed");
  });
  it("shows the audience out and back, never somebody of the stage", () => {
    const out = play(open, [{ type: "hour.show-out", ticketId: "a1" }]);
    expect(out.hour.barred.has("a1")).toBe(true);
    expect(play(out, [{ type: "hour.let-back", ticketId: "a1" }]).hour.barred.size).toBe(0);
    expect(refusal(open, { type: "hour.show-out", ticketId: "t1" })).toBe("not-allowed");
  });
});

describe("microphones of the stage", () => {
  it("start closed, or open at the first entry where the event has it so; coming back opens nothing", () => {
    expect(play(open, [{ type: "stage.enter" }, { by: "new" }]).stage.people.get("new")?.isMicrophoneOpen).toBe(false);
    const eager = { by: "new", scene: { stageMicrophonesOpen: true } };
    const entered = play(open, [{ type: "stage.enter" }, eager]);
    expect(entered.stage.people.get("new")?.isMicrophoneOpen).toBe(true);
    const closed = play(entered, [{ type: "stage.set-microphone", isOpen: false }, eager]);
    expect(refusal(closed, { type: "stage.enter" }, eager)).toBe("already-done");
  });
});

describe("the list of capabilities", () => {
  it("claims no command, row or feed twice, each under its capability's own name", () => {
    const claimed = Object.entries(capabilities).flatMap(([name, one]) => {
      const logs = "logs" in one ? Object.keys(one.logs as object) : [];
      const whispers = "whispers" in one ? Object.keys(one.whispers as object) : [];
      for (const type of whispers) expect(one.rights).toHaveProperty([type]);
      const rows = [...new Set([...Object.keys(one.rights), ...Object.keys(one.decide)]), ...Object.keys(one.fold)];
      for (const type of rows) expect(type.startsWith(`${name}.`)).toBe(true);
      for (const topic of [...Object.keys(one.views), ...logs]) expect(topic.startsWith(`${name}:`)).toBe(true);
      return [...rows, ...Object.keys(one.views), ...logs];
    });
    expect(new Set(claimed).size).toBe(claimed.length);
    expect(viewTopics.length + logTopics.size).toBe(claimed.filter((one) => one.includes(":")).length);
  });
  it("has a right for every command", () => {
    for (const one of Object.values(capabilities)) {
      for (const type of Object.keys(one.decide)) expect(roomRights).toHaveProperty([type]);
    }
  });
});
