import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Actor, RoleClass } from "../people";
import {
  append,
  applyChanges,
  changesBetween,
  decide,
  emptyRoom,
  foldAll,
  inTray,
  isCurtainUp,
  noFigures,
  project,
  type JournalEntry,
  type PlainView,
  type RoomCommand,
  type RoomDirectory,
  type RoomFacts,
  type RoomFigures,
  type RoomState,
} from ".";

const producer: Actor = { role: "producer", duties: [] };
const at = Date.parse("2026-11-26T18:00:00Z");
const facts = (part: Partial<RoomFacts> = {}): RoomFacts => ({
  now: at,
  actorId: "p",
  actor: producer,
  times: { startAt: at, endAt: at + 3_600_000, callAt: at - 1_200_000 },
  questionsOn: true,
  pollsOn: true,
  earlyEntry: true,
  stageMicrophonesOpen: false,
  segmentIds: ["s1", "s2", "s3"],
  pollIds: new Set(["v1"]),
  stageTicketIds: new Set(["p", "t1"]),
  ...part,
});
const attendee = (id: string, part: Partial<RoomFacts> = {}) =>
  facts({ actor: { role: "attendee", duties: [] }, actorId: id, ...part });

function play(room: RoomState, ...commands: [RoomCommand, RoomFacts?][]): RoomState {
  return commands.reduce((state, [command, own]) => {
    const decided = decide(state, command, own ?? facts());
    if (!decided.ok) throw new Error(JSON.stringify(decided.failure));
    return decided.value.next;
  }, room);
}
const refusal = (room: RoomState, command: RoomCommand, own = facts()) => {
  const decided = decide(room, command, own);
  return decided.ok ? "done" : decided.failure.code;
};
const open = play(emptyRoom, [{ type: "stage.enter" }], [{ type: "doors.open" }]);

describe("rule 5: life of a date in the room", () => {
  it("goes from scheduled by backstage to open, and curtain and doors stay two acts", () => {
    expect(refusal(emptyRoom, { type: "doors.open" })).toBe("wrong-state");
    expect(open.phase).toBe("open");
    expect(isCurtainUp(open)).toBe(false);
    const up = play(open, [{ type: "curtain.raise" }]);
    expect(isCurtainUp(up)).toBe(true);
    expect(refusal(up, { type: "curtain.raise" })).toBe("already-done");
    const again = play(
      up,
      [{ type: "curtain.drop" }, facts({ now: at + 5 })],
      [{ type: "curtain.raise" }, facts({ now: at + 9 })],
    );
    expect(again.curtainSpans).toMatchObject([
      { raisedAt: at, droppedAt: at + 5 },
      { raisedAt: at + 9, droppedAt: null },
    ]);
  });

  it("ends for good, drops the curtain and closes polls", () => {
    const ended = play(
      open,
      [{ type: "curtain.raise" }],
      [{ type: "poll.open", pollId: "v1" }],
      [{ type: "date.end" }],
    );
    expect(ended).toMatchObject({ phase: "ended", polls: { v1: { state: "closed" } } });
    expect(isCurtainUp(ended)).toBe(false);
    expect(refusal(ended, { type: "curtain.raise" })).toBe("wrong-state");
  });

  it("lets the curtain have fallen when the last stage person left", () => {
    const left = append(
      play(open, [{ type: "curtain.raise" }]),
      [{ type: "date.ended", curtainFellAt: at + 600_000 }],
      at + 2_400_000,
      "system",
    ).next;
    expect(left.curtainSpans[0]!.droppedAt).toBe(at + 600_000);
    expect(left.endedAt).toBe(at + 600_000);
  });
});

describe("rule 10: a cue names the segment it leaves", () => {
  it("skips nothing when two press at once", () => {
    const first = play(open, [{ type: "cue.next", leavingSegmentId: null }]);
    expect(refusal(first, { type: "cue.next", leavingSegmentId: null })).toBe("cue-moved");
    const next = play(
      first,
      [{ type: "cue.next", leavingSegmentId: "s1" }],
      [{ type: "cue.jump", leavingSegmentId: "s2", segmentId: "s1" }],
      [{ type: "cue.back", leavingSegmentId: "s1" }],
    );
    expect(next.cues.map((cue) => cue.segmentId)).toEqual(["s1", "s2"]);
    expect(
      refusal(play(next, [{ type: "cue.next", leavingSegmentId: "s2" }]), { type: "cue.next", leavingSegmentId: "s3" }),
    ).toBe("not-found");
  });
});

describe("rights inside the room", () => {
  it("keeps desk acts from the audience and switched-off things from all", () => {
    for (const command of [
      { type: "doors.hold" },
      { type: "curtain.raise" },
      { type: "date.end" },
      { type: "cue.next", leavingSegmentId: null },
    ] as const) {
      expect(refusal(open, command, attendee("a"))).toBe("not-allowed");
    }
    expect(
      refusal(open, { type: "question.ask", questionId: "q", segmentId: null }, attendee("a", { questionsOn: false })),
    ).toBe("switched-off");
    expect(refusal(open, { type: "stage.move", ticketId: "stranger", place: "stage" })).toBe("not-found");
  });

  it("lets crew do exactly what their duty holds", () => {
    const crew = facts({ actor: { role: "crew", duties: ["cues"] }, actorId: "c" });
    expect(refusal(open, { type: "cue.next", leavingSegmentId: null }, crew)).toBe("done");
    expect(refusal(open, { type: "curtain.raise" }, crew)).toBe("not-allowed");
  });
});

const directory: RoomDirectory = {
  occurrenceId: "o",
  eventId: "e",
  title: "Tides",
  zone: "Europe/Lisbon",
  times: facts().times,
  houseSize: 50,
  hasPlannedEnd: true,
  questionsOn: true,
  pollsOn: true,
  othersQuestionsShown: false,
  earlyEntry: true,
  segments: [{ id: "s1", title: "SECRET-SEGMENT", lengthMinutes: 5, fixedStartAt: null, leaderId: "t1", pollId: "v1" }],
  people: new Map([
    ["p", { ticketId: "p", name: "Producer", role: "producer", duties: [] }],
    ["t1", { ticketId: "t1", name: "STAGE-NAME", role: "panelist", duties: [] }],
    ["a1", { ticketId: "a1", name: "ASKER-NAME", role: "attendee", duties: [] }],
    ["x1", { ticketId: "x1", name: "Tester", role: "test-guest", duties: [] }],
  ]),
  questions: new Map([["q1", { id: "q1", text: "SECRET-QUESTION", answer: "SECRET-ANSWER" }]]),
  polls: new Map([["v1", { id: "v1", question: "SECRET-POLL", options: [{ id: "o1", label: "yes" }] }]]),
};
const figures: RoomFigures = {
  present: new Map([
    ["t1", "stage"],
    ["a1", "house"],
    ["x1", "house"],
  ]),
  callers: new Map([["t1", 40]]),
  votes: new Map([["q1", 3]]),
  tallies: new Map([["v1", { o1: 7 }]]),
};
const text = (roleClass: RoleClass, room: RoomState) => JSON.stringify(project(roleClass, room, directory, figures));
const asked = play(
  open,
  [{ type: "question.ask", questionId: "q1", segmentId: "s1" }, attendee("a1")],
  [{ type: "stage.move", ticketId: "t1", place: "stage" }],
  [{ type: "cue.next", leavingSegmentId: null }],
);

describe("microphones of the stage", () => {
  it("start closed, or open at the first entry where the event has it so; coming back opens nothing", () => {
    expect(play(open, [{ type: "stage.enter" }, facts({ actorId: "new" })]).people["new"]?.isMicrophoneOpen).toBe(
      false,
    );
    const eager = facts({ actorId: "new", stageMicrophonesOpen: true });
    const entered = play(open, [{ type: "stage.enter" }, eager]);
    expect(entered.people["new"]?.isMicrophoneOpen).toBe(true);
    const closed = play(entered, [{ type: "microphone.set", isOpen: false }, eager]);
    expect(refusal(closed, { type: "stage.enter" }, eager)).toBe("already-done");
  });
});

describe("callers", () => {
  it("are among the people with their level, at the desk and on stage, never in the house's picture", () => {
    const up = play(asked, [{ type: "curtain.raise" }]);
    expect(project("desk", up, directory, figures).stage["t1"]?.callerLevel).toBe(40);
    expect(project("stage", up, directory, figures).stage["p"]?.callerLevel).toBeNull();
    expect(text("house", up)).not.toContain("callerLevel");
  });
});

describe("projections: what a role may not see is nowhere in its picture", () => {
  const secrets = ["SECRET-SEGMENT", "STAGE-NAME", "ASKER-NAME", "SECRET-QUESTION", "SECRET-ANSWER", "SECRET-POLL"];
  it("shows the house nothing of the stage before the curtain", () => {
    for (const secret of [...secrets, "a1", "q1", "v1"]) expect(text("house", asked)).not.toContain(secret);
    for (const secret of secrets) expect(text("foyer", asked)).not.toContain(secret);
  });

  it("shows the house stage, question and poll once they are meant for it, and results once revealed", () => {
    const up = play(
      asked,
      [{ type: "curtain.raise" }],
      [{ type: "question.move", questionId: "q1", state: "on-stage", segmentId: null }],
      [{ type: "poll.open", pollId: "v1" }],
    );
    expect(text("house", up)).toContain("STAGE-NAME");
    expect(text("house", up)).toContain("SECRET-QUESTION");
    expect(text("house", up)).toContain("SECRET-POLL");
    expect(text("house", up)).not.toContain('"o1":7');
    expect(text("house", up)).not.toContain("ASKER-NAME");
    expect(text("house", play(up, [{ type: "poll.reveal", pollId: "v1" }]))).toContain('"o1":7');
    const written = play(up, [{ type: "question.answer", questionId: "q1", how: "to-one" }]);
    expect(text("house", written)).not.toContain("SECRET-ANSWER");
    const dropped = play(up, [{ type: "curtain.drop" }]);
    expect(text("house", dropped)).not.toContain("STAGE-NAME");
    expect(text("house", dropped)).not.toContain("SECRET-QUESTION");
  });

  it("gives the stage only questions meant for it and no unrevealed result", () => {
    expect(text("stage", asked)).not.toContain("SECRET-QUESTION");
    const live = play(
      asked,
      [{ type: "question.move", questionId: "q1", state: "lined-up", segmentId: null }],
      [{ type: "poll.open", pollId: "v1" }],
    );
    expect(text("stage", live)).toContain("SECRET-QUESTION");
    expect(text("stage", live)).not.toContain('"o1":7');
  });

  it("counts no test guest", () => {
    expect(project("desk", asked, directory, figures).figures["house"]).toEqual({ count: 1 });
  });

  it("lists what wants an answer, troubles first", () => {
    const view = project("desk", play(asked, [{ type: "curtain.raise" }]), directory, {
      ...figures,
      present: new Map(),
    });
    expect(inTray(view, 7).map((item) => item.id)).toEqual(["leader-away", "stage-empty", "over-time", "q1"]);
  });
});

describe("views travel as changes", () => {
  const plain = fc.dictionary(
    fc.constantFrom("s", "t"),
    fc.dictionary(
      fc.constantFrom("a", "b", "c"),
      fc.record({ n: fc.nat(3), list: fc.array(fc.nat(2), { maxLength: 2 }) }),
      { noNullPrototype: true },
    ),
    { noNullPrototype: true },
  );
  it("give the next view when put into the one before, twice as well as once", () => {
    fc.assert(
      fc.property(plain, plain, (a, b) => {
        const before = { s: {}, t: {}, ...a } as PlainView;
        const after = { s: {}, t: {}, ...b } as PlainView;
        const changes = changesBetween(before, after);
        const once = applyChanges(before, changes);
        expect(once).toEqual(after);
        expect(applyChanges(once, changes)).toEqual(after);
        expect(changesBetween(after, after)).toEqual([]);
      }),
    );
  });

  it("fold to the same room from the whole journal as step by step", () => {
    const entries: JournalEntry[] = [];
    let room = emptyRoom;
    for (const body of [
      { type: "backstage.opened" },
      { type: "doors.opened" },
      { type: "curtain.raised" },
      { type: "poll.opened", pollId: "v1" },
      { type: "microphone.set", ticketId: "t1", isOpen: true },
      { type: "microphones.closed", exceptId: null },
    ] as const) {
      const step = append(room, [body], at, "p");
      entries.push(...step.entries);
      room = step.next;
    }
    expect(foldAll(emptyRoom, entries)).toEqual(room);
    expect(room.people["t1"]!.isMicrophoneOpen).toBe(false);
    expect(project("foyer", room, directory, noFigures).status["it"]).toEqual({ phase: "open" });
  });
});
