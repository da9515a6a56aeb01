import { describe, expect, it } from "vitest";
import { defaultSwitches } from "../people";
import {
  inTray,
  mostInTray,
  plainView,
  project,
  takenForMs,
  takerOf,
  topicsOf,
  standingOf,
  type DeskView,
  type RoomFigures,
  type RoomState,
  type TrayMoment,
} from ".";
import { asAttendee, at, figures, open, play, refusal, words } from "./test-room";

const second = 1000;
const minute = 60 * second;
const asked = play(
  open,
  [{ type: "questions.ask", questionId: "q1", segmentId: null }, asAttendee("a1")],
  [{ type: "hour.raise-curtain" }],
  [{ type: "cues.next", leavingSegmentId: null }],
);
const led = play(
  asked,
  [{ type: "stage.enter" }, { by: "t1" }],
  [{ type: "stage.move", ticketId: "t1", place: "stage" }],
);
const nobody: RoomFigures = { ...figures, present: new Map() };

function deskOf(room: RoomState, shown = nobody): DeskView {
  const standing = standingOf(room.stage, { ticketId: "p", role: "producer", duties: [] }, true, true);
  const parts = topicsOf(standing, words.event.switches).views.map((topic) =>
    plainView(project(topic, room, words, shown)),
  );
  return Object.assign({}, ...parts) as DeskView;
}
const moment = (part: Partial<TrayMoment> = {}): TrayMoment => ({ now: at, overMinutes: null, silentMs: 0, ...part });
const ids = (view: DeskView, part?: Partial<TrayMoment>) => inTray(view, moment(part)).map((item) => item.id);

describe("rule 28: the in-tray", () => {
  it("orders by class: trouble, at the door, hands, new questions, notes", () => {
    const busy: DeskView = {
      ...deskOf(asked),
      troubles: { "cannot-hear": { count: 4, house: 40 } },
      figures: { foyer: { count: 2 } },
      hands: { h2: { name: "Bo", raisedAt: at + 2 }, h1: { name: "Ada", raisedAt: at + 1 } },
      sideRooms: {
        1: { name: "Knots", size: 2, here: 2, visitors: [], help: null },
        2: { name: "Curlews", size: 2, here: 2, visitors: [], help: { byId: "b", name: "Bea", at } },
      },
      helped: {
        s1: { name: "Sal", askedAt: at, helperId: null, helperName: null },
        s2: { name: "Sue", askedAt: at, helperId: "p", helperName: "Ann" },
      },
    };
    expect(ids(busy, { overMinutes: 7 })).toEqual([
      "leader-away",
      "stage-empty",
      "foyer",
      "hand:h1",
      "hand:h2",
      "side-help:b",
      "sight:s1",
      "question:q1",
      "over-time",
      "signal-cannot-hear",
    ]);
  });
  it("asks for nobody on stage where a recording is shown", () => {
    const screening = { title: "Tides", lengthMs: 60_000, shownBeforeMs: 0, runsSince: 1 };
    const desk = deskOf(asked);
    expect(ids(desk)).toContain("stage-empty");
    expect(ids({ ...desk, status: { it: { ...desk.status["it"]!, screening } } })).not.toContain("stage-empty");
  });

  it("tells whoever never came from whose line was lost, and both from a leader who is there", () => {
    expect(ids(deskOf(asked))[0]).toBe("leader-away");
    expect(ids(deskOf(led))[0]).toBe("leader-line-lost");
    expect(ids(deskOf(led, figures))).toEqual(["question:q1"]);
  });

  it("calls 20 s without a sound a trouble while somebody leads before an open curtain, not a second earlier", () => {
    expect(ids(deskOf(led, figures), { silentMs: 19_999 })).not.toContain("silence");
    expect(ids(deskOf(led, figures), { silentMs: 20_000 })[0]).toBe("silence");
    const fallen = deskOf(play(led, [{ type: "hour.drop-curtain" }]), figures);
    expect(ids(fallen, { silentMs: 60_000 })).not.toContain("silence");
  });

  it("warns of the licence five minutes before the planned end, and says when that is past", () => {
    const view = deskOf(led, figures);
    const end = view.event["it"]!.endAt;
    const licence = (now: number) => inTray(view, moment({ now })).find((item) => item.id === "licence-ends");
    expect(licence(end - 5 * minute - 1)).toBeUndefined();
    expect(licence(end - 5 * minute)).toMatchObject({ inMinutes: 5 });
    expect(licence(end + minute)).toMatchObject({ inMinutes: 0 });
  });

  it("notes a poll that has been open for five minutes, unless it closes by itself", () => {
    const open = deskOf(play(led, [{ type: "polls.open", pollId: "v1" }]), figures);
    expect(ids(open, { now: at + 5 * minute - 1 })).not.toContain("poll:v1");
    expect(ids(open, { now: at + 5 * minute })).toContain("poll:v1");
    const timed = { ...open, polls: { v1: { ...open.polls["v1"]!, closesAt: at + 10 * minute } } };
    expect(ids(timed, { now: at + 5 * minute })).not.toContain("poll:v1");
  });

  it("names those at the door where people are let in by hand, and goes by itself with its reason", () => {
    const door = { ...defaultSwitches, door: { on: true } };
    const view: DeskView = {
      ...deskOf(led, figures),
      switches: { it: door },
      audience: { w: { name: "Waits", place: "foyer", isTest: false, callerLevel: null } },
      figures: { foyer: { count: 1 } },
    };
    expect(ids(view)).toEqual(["door:w", "question:q1"]);
    expect(ids({ ...view, audience: {} })).toEqual(["question:q1"]);
  });

  it("is not held up by many: all of them are known, so many are shown", () => {
    const hands = Object.fromEntries(Array.from({ length: 400 }, (_, i) => [`h${i}`, { name: "x", raisedAt: at + i }]));
    const items = inTray({ ...deskOf(led, figures), hands }, moment());
    expect([items.length, mostInTray]).toEqual([401, 200]);
  });

  it("an item that somebody took is theirs for a minute: refused to a second, put back, free again by itself", () => {
    const take = { type: "tray.take", itemId: "hand:a1" } as const;
    const taken = play(asked, [take, { by: "p", at }]);
    expect(refusal(taken, take, { by: "t2", at: at + second })).toBe("already-done");
    expect(refusal(taken, take, { at: at + takenForMs - 1 })).toBe("already-done");
    expect(takerOf(deskOf(taken), "hand:a1", at + takenForMs - 1)).toMatchObject({
      byId: "p",
      byName: "PRODUCER-NAME",
    });
    expect(takerOf(deskOf(taken), "hand:a1", at + takenForMs)).toBeNull();
    expect(refusal(taken, take, { at: at + takenForMs })).toBe("done");
    const back = play(taken, [{ type: "tray.put-back", itemId: "hand:a1" }]);
    expect(takerOf(deskOf(back), "hand:a1", at)).toBeNull();
  });
});
