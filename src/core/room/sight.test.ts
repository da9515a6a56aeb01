import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { roles } from "../people";
import { Book } from "../shared";
import {
  applyChanges,
  changesBetween,
  decide,
  emptyRoom,
  foldAll,
  noFigures,
  plainView,
  project,
  roomFrom,
  standingOf,
  switchesNow,
  topicsOf,
  viewTopics,
  type JournalEntry,
  type PlainView,
  type RoomCommand,
  type RoomState,
} from ".";
import { asAttendee, at, figures, open, play, scene, words } from "./test-room";

const text = (screen: string, room: RoomState, sight = words) =>
  viewTopics
    .filter(
      (topic) => topic.endsWith(`:${screen}`) || (topic.endsWith(":team") && screen !== "house" && screen !== "foyer"),
    )
    .map((topic) => JSON.stringify(plainView(project(topic, room, sight, figures))))
    .join("\n");
const asked = play(
  open,
  [{ type: "questions.ask", questionId: "q1", segmentId: "s1" }, asAttendee("a1")],
  [{ type: "stage.move", ticketId: "t1", place: "stage" }],
  [{ type: "cues.next", leavingSegmentId: null }],
);
const up = play(asked, [{ type: "hour.raise-curtain" }]);
const secrets = ["SECRET-SEGMENT", "STAGE-NAME", "ASKER-NAME", "SECRET-QUESTION", "SECRET-ANSWER", "SECRET-POLL"];

describe("feeds: what somebody may not see is nowhere in theirs", () => {
  it("shows the house nothing of the stage before the curtain, the foyer nothing at all", () => {
    for (const secret of [...secrets, "a1", "q1", "v1"]) expect(text("house", asked)).not.toContain(secret);
    for (const secret of secrets) expect(text("foyer", up)).not.toContain(secret);
  });
  it("shows the house stage, question and poll once they are meant for it, and results once revealed", () => {
    const live = play(
      up,
      [{ type: "questions.move", questionId: "q1", state: "on-stage", segmentId: null }],
      [{ type: "polls.open", pollId: "v1" }],
    );
    for (const shown of ["STAGE-NAME", "SECRET-QUESTION", "SECRET-POLL"]) expect(text("house", live)).toContain(shown);
    for (const hidden of ['"o1":7', "ASKER-NAME", "callerLevel"]) expect(text("house", live)).not.toContain(hidden);
    expect(text("house", play(live, [{ type: "polls.reveal", pollId: "v1" }]))).toContain('"o1":7');
    const written = play(live, [{ type: "questions.answer", questionId: "q1", how: "to-one" }]);
    expect(text("house", written)).not.toContain("SECRET-ANSWER");
    const dropped = play(live, [{ type: "hour.drop-curtain" }]);
    for (const hidden of ["STAGE-NAME", "SECRET-QUESTION"]) expect(text("house", dropped)).not.toContain(hidden);
  });
  it("shows the house others' questions as far as the switch says", () => {
    const seen = { on: true, othersSee: "answered" } as const;
    const set = (othersSee: "none" | "all") =>
      play(up, [{ type: "hour.set-switch", set: { name: "questions", value: { on: true, othersSee } }, seen }]);
    expect(text("house", up)).not.toContain("SECRET-QUESTION");
    expect(text("house", set("all"))).toContain("SECRET-QUESTION");
    const answered = (room: RoomState) => play(room, [{ type: "questions.answer", questionId: "q1", how: "to-all" }]);
    expect(text("house", answered(up))).toContain("SECRET-ANSWER");
    expect(text("house", answered(set("none")))).not.toContain("SECRET-ANSWER");
  });
  it("tells nobody who asked without a name, and shows others nothing that waits to be looked at", () => {
    const turn = (value: object) =>
      ({ type: "hour.set-switch", set: { name: "questions", value }, seen: {} }) as RoomCommand;
    const unnamed = { type: "questions.ask", questionId: "q1", segmentId: "s1", isAnonymous: true } as const;
    const room = play(
      open,
      [turn({ anonymous: true, isHeld: true, othersSee: "all" })],
      [unnamed, asAttendee("a1")],
      [{ type: "hour.raise-curtain" }],
    );
    const questions = (screen: string, of: RoomState) =>
      JSON.stringify(plainView(project(`questions:${screen}`, of, words, figures)));
    expect(questions("desk", room)).toContain("SECRET-QUESTION");
    for (const asker of ["ASKER-NAME", '"a1"']) expect(questions("desk", room)).not.toContain(asker);
    expect(questions("house", room)).not.toContain("SECRET-QUESTION");
    const shown = play(room, [{ type: "questions.show", questionId: "q1" }]);
    expect(questions("house", shown)).toContain("SECRET-QUESTION");
    const named = play(shown, [{ type: "hour.set-switch", set: { name: "names", value: { on: true } }, seen: {} }]);
    expect(questions("house", named)).not.toContain("ASKER-NAME");
  });
  it("keeps a quiz's right answer from the house until its result is shown", () => {
    const polls = (screen: string, of: RoomState) =>
      JSON.stringify(plainView(project(`polls:${screen}`, of, words, figures)));
    const opened = play(up, [{ type: "polls.open", pollId: "v1" }]);
    for (const screen of ["house", "stage"]) expect(polls(screen, opened)).toContain('"rightIds":[]');
    expect(polls("desk", opened)).toContain('"rightIds":["o2"]');
    const revealed = play(opened, [{ type: "polls.reveal", pollId: "v1" }]);
    expect(polls("house", revealed)).toContain('"rightIds":["o2"]');
  });
  it("gives the stage only questions meant for it and no unrevealed result", () => {
    expect(text("stage", asked)).not.toContain("SECRET-QUESTION");
    const lined = { type: "questions.move", questionId: "q1", state: "lined-up", segmentId: null } as const;
    const live = play(asked, [lined], [{ type: "polls.open", pollId: "v1" }]);
    expect(text("stage", live)).toContain("SECRET-QUESTION");
    expect(text("stage", live)).not.toContain('"o1":7');
  });
  it("gives every role, wherever it stands, only the feeds of its place", () => {
    const switches = switchesNow(up.hour, words.event.switches);
    for (const role of roles) {
      for (const isInside of [true, false]) {
        for (const wantsDesk of [true, false]) {
          const standing = standingOf(up.stage, { ticketId: "z", role, duties: [] }, isInside, wantsDesk);
          const { views } = topicsOf(standing, switches);
          const isTeam = role === "producer" || role === "crew";
          const isStage = isTeam || ["panelist", "interpreter", "captioner"].includes(role);
          const screens = new Set(views.map((topic) => topic.split(":")[1]));
          const own = isTeam && wantsDesk ? "desk" : isStage ? "stage" : isInside ? "house" : "foyer";
          expect([role, screens.has(own)]).toEqual([role, true]);
          for (const other of ["desk", "stage", "house", "foyer"]) {
            if (other !== own) expect([role, own, other, screens.has(other)]).toEqual([role, own, other, false]);
          }
          expect(screens.has("team")).toBe(isStage);
        }
      }
    }
  });
  it("counts no test guest", () => {
    expect(plainView(project("hour:desk", asked, words, figures))["figures"]!["house"]).toEqual({ count: 1 });
  });
});

/** Any act of the room, mostly refused: what goes through makes a journal. */
const id = fc.constantFrom("q1", "q2", "v1", "a1", "t1", "s1", "s2");
const command: fc.Arbitrary<RoomCommand> = fc.oneof(
  fc.constantFrom<RoomCommand>(
    { type: "stage.enter" },
    { type: "hour.open-doors" },
    { type: "hour.hold-doors" },
    { type: "hour.release-doors" },
    { type: "hour.raise-curtain" },
    { type: "hour.drop-curtain" },
    { type: "cues.next", leavingSegmentId: null },
    { type: "cues.next", leavingSegmentId: "s1" },
    { type: "cues.back", leavingSegmentId: "s1" },
    { type: "slides.put-away" },
    { type: "slides.show", deckId: "d1", page: 1, seen: null },
    { type: "slides.show", deckId: "d1", page: 2, seen: { deckId: "d1", page: 1 } },
    { type: "slides.name-turner", turnerId: "t1" },
    { type: "slides.follow", segmentId: "s2" },
    { type: "stage.close-microphones", exceptId: null },
    { type: "stage.ask-to-open", ticketId: null },
    { type: "stage.ask-for-camera", ticketId: null },
    { type: "stage.set-camera", isOpen: true },
    { type: "stage.keep-camera-closed" },
    { type: "stage.close-cameras", exceptId: null },
    { type: "floor.raise-hand" },
    { type: "floor.lower-hand" },
    { type: "floor.accept" },
    { type: "floor.give-back" },
    { type: "floor.set-microphone", isOpen: true },
    { type: "floor.set-microphone", isOpen: false },
    { type: "floor.let-everyone-speak" },
    { type: "floor.end-everyone" },
  ),
  id.map((ticketId): RoomCommand => ({ type: "floor.offer", ticketId, parts: ["sound"] })),
  id.map((ticketId): RoomCommand => ({ type: "floor.withdraw", ticketId })),
  id.map((ticketId): RoomCommand => ({ type: "floor.bring-on-stage", ticketId })),
  id.map((ticketId): RoomCommand => ({ type: "floor.lower-for", ticketId })),
  id.map((questionId): RoomCommand => ({ type: "questions.ask", questionId, segmentId: null })),
  fc
    .tuple(id, fc.constantFrom("lined-up", "on-stage", "later", "not-taken"))
    .map(([questionId, state]): RoomCommand => ({ type: "questions.move", questionId, state, segmentId: null })),
  id.map((questionId): RoomCommand => ({ type: "questions.answer", questionId, how: "to-all" })),
  id.map((questionId): RoomCommand => ({ type: "questions.answer", questionId, how: "to-one" })),
  fc.tuple(id, id).map(([questionId, intoId]): RoomCommand => ({ type: "questions.merge", questionId, intoId })),
  fc
    .constantFrom("part", "show")
    .chain((act) => id.map((questionId) => ({ type: `questions.${act}`, questionId }) as RoomCommand)),
  fc
    .tuple(id, fc.constantFrom("c1", "c2"))
    .map(([questionId, commentId]): RoomCommand => ({ type: "questions.comment", questionId, commentId })),
  fc.tuple(fc.constantFrom("anonymous", "comments", "isHeld"), fc.boolean()).map(([part, isOn]): RoomCommand => ({
    type: "hour.set-switch",
    set: { name: "questions", value: { [part]: isOn } },
    seen: {},
  })),
  fc
    .tuple(fc.constantFrom("s1", "s2"), fc.boolean())
    .map(([segmentId, isSkipped]): RoomCommand => ({ type: "cues.skip", segmentId, isSkipped })),
  fc
    .constantFrom("open", "close", "reveal", "hold-back", "remove")
    .map((act) => ({ type: `polls.${act}`, pollId: "v1" }) as RoomCommand),
  fc.boolean().map((isOnPicture): RoomCommand => ({ type: "polls.show", pollId: "v1", isOnPicture })),
  id.map((ticketId): RoomCommand => ({ type: "hour.show-out", ticketId })),
  id.map((ticketId): RoomCommand => ({ type: "hour.let-back", ticketId })),
  id.map((ticketId): RoomCommand => ({ type: "hour.let-in", ticketIds: [ticketId] })),
  fc
    .tuple(fc.constantFrom("tray.take", "tray.put-back"), id)
    .map(([type, itemId]) => ({ type, itemId: `hand:${itemId}` }) as RoomCommand),
  fc.constantFrom("stage", "standby").map((place): RoomCommand => ({ type: "stage.move", ticketId: "t1", place })),
);

const ofGuests: ReadonlySet<string> = new Set([
  "questions.ask",
  "questions.comment",
  "floor.raise-hand",
  "floor.lower-hand",
  "floor.accept",
  "floor.give-back",
  "floor.set-microphone",
]);

function journalOf(commands: readonly RoomCommand[]): { entries: JournalEntry[]; states: RoomState[] } {
  const entries: JournalEntry[] = [];
  const states = [emptyRoom];
  for (const [i, one] of commands.entries()) {
    const isGuest = ofGuests.has(one.type);
    const by = { ticketId: isGuest ? "a1" : "p", at: at + i * 1000 };
    const actor = isGuest ? { role: "attendee" as const, duties: [] } : { role: "producer" as const, duties: [] };
    const decided = decide(states.at(-1)!, one, scene({ actor }), by);
    if (!decided.ok) continue;
    entries.push(...decided.value.entries);
    states.push(decided.value.next);
  }
  return { entries, states };
}
const plain = (room: RoomState) => JSON.parse(JSON.stringify(room)) as unknown;

describe("the fold", () => {
  it("from zero is the fold from any checkpoint, through JSON and back (300 journals)", () => {
    fc.assert(
      fc.property(fc.array(command, { maxLength: 80 }), fc.nat(), (commands, cut) => {
        const { entries, states } = journalOf([{ type: "stage.enter" }, { type: "hour.open-doors" }, ...commands]);
        const whole = foldAll(emptyRoom, entries);
        expect(plain(whole)).toEqual(plain(states.at(-1)!));
        const at = entries.length === 0 ? 0 : cut % entries.length;
        const kept = JSON.stringify(foldAll(emptyRoom, entries.slice(0, at)));
        const checkpoint = roomFrom(JSON.parse(kept, Book.revive) as object);
        expect(plain(foldAll(checkpoint, entries.slice(at)))).toEqual(plain(whole));
      }),
      { numRuns: 300 },
    );
  });
});

const readBack = (state: RoomState): RoomState => roomFrom(JSON.parse(JSON.stringify(state), Book.revive) as object);

describe("feeds travel as changes", () => {
  it("an incremental picture is the picture made anew, for every feed (150 journals)", () => {
    fc.assert(
      fc.property(fc.array(command, { maxLength: 50 }), (commands) => {
        const { states } = journalOf([{ type: "stage.enter" }, { type: "hour.open-doors" }, ...commands]);
        for (const topic of viewTopics) {
          let before = project(topic, states[0]!, words, noFigures);
          let held: PlainView = plainView(before);
          for (const [i, state] of states.entries()) {
            const next = project(topic, state, words, i % 2 === 0 ? figures : noFigures);
            held = applyChanges(held, changesBetween(before, next));
            before = next;
            // a room read back from its checkpoint remembers no step: its view is made whole
            const anew = project(topic, readBack(state), words, i % 2 === 0 ? figures : noFigures);
            expect(held).toEqual(plainView(anew));
          }
        }
      }),
      { numRuns: 150 },
    );
  });
  it("put in twice they change nothing more", () => {
    const item = fc.record({ n: fc.nat(3), list: fc.array(fc.nat(2), { maxLength: 2 }) });
    const section = fc.dictionary(fc.constantFrom("a", "b", "c"), item, { noNullPrototype: true });
    const view = fc.record({ s: section, t: section });
    fc.assert(
      fc.property(view, view, (before, after) => {
        const changes = changesBetween(before, after);
        const once = applyChanges(before, changes);
        expect(once).toEqual(after);
        expect(applyChanges(once, changes)).toEqual(after);
        expect(changesBetween(after, after)).toEqual([]);
      }),
    );
  });
});
