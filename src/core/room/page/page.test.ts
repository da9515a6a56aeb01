import { describe, expect, it } from "vitest";
import { noFigures, project, type RoomCommand } from "../index";
import { asAttendee, open, play, refusal, words } from "../test-room";

const show = (what: "event" | { fileId: string }, seen: number): RoomCommand => ({ type: "page.show", what, seen });
const rest = (place: number, seen: number): RoomCommand => ({ type: "page.rest", place, seen });
const seenBy = (room: typeof open, directory = words) =>
  (project("page:room", room, directory, noFigures) as unknown as { page: { it?: Record<string, unknown> } }).page.it;

describe("a page that everybody reads in step", () => {
  it("is the event's own, led by whoever showed it, from its top", () => {
    const shown = play(open, [show("event", 0)]);
    expect(seenBy(shown)).toEqual({
      kind: "event",
      path: "/front/tides",
      title: "Tides",
      place: 0,
      leaderId: "p",
      leaderName: "PRODUCER-NAME",
      shows: 1,
    });
    expect(seenBy(play(shown, [rest(4200, 1)]))).toMatchObject({ place: 4200 });
  });
  it("or a picture among the files, while it is shown to the audience", () => {
    const shown = play(open, [show({ fileId: "f3" }, 0)]);
    expect(seenBy(shown)).toMatchObject({ kind: "picture", path: "/hand-outs/f3/picture", title: "SHOWN-PICTURE.png" });
    const hidden = new Map([...words.files].map(([id, file]) => [id, { ...file, isShown: false }]));
    expect(seenBy(shown, { ...words, files: hidden })).toBeUndefined();
    expect(refusal(open, show({ fileId: "f1" }, 0))).toBe("not-found");
  });
  it("is nothing where the event's page asks for a code first", () => {
    expect(refusal(open, show("event", 0), { scene: { hasEventPage: false } })).toBe("not-found");
    const shown = play(open, [show("event", 0)]);
    expect(seenBy(shown, { ...words, event: { ...words.event, path: null } })).toBeUndefined();
  });
  it("is scrolled by nobody but its leader; the desk hands it over and takes it back", () => {
    const shown = play(open, [show("event", 0)]);
    expect(refusal(shown, rest(10, 1), { by: "t1" })).toBe("not-allowed");
    expect(refusal(shown, rest(10, 1), asAttendee("a1"))).toBe("not-allowed");
    expect(refusal(shown, { type: "page.hand-over", leaderId: "a1", seen: 1 })).toBe("not-found");
    const handed = play(shown, [{ type: "page.hand-over", leaderId: "t1", seen: 1 }]);
    expect(refusal(handed, rest(10, 1))).toBe("not-allowed");
    expect(seenBy(play(handed, [rest(10, 1), { by: "t1" }]))).toMatchObject({ place: 10, leaderName: "STAGE-NAME" });
    expect(seenBy(play(handed, [{ type: "page.hand-over", leaderId: "p", seen: 1 }]))).toMatchObject({ leaderId: "p" });
  });
  it("of two desks the second is told; a hand that rests after the page went moves nothing", () => {
    const shown = play(open, [show("event", 0)]);
    expect(refusal(shown, show({ fileId: "f3" }, 0), { by: "q" })).toBe("overtaken");
    expect(refusal(shown, { type: "page.put-away", seen: 0 }, { by: "q" })).toBe("overtaken");
    expect(refusal(shown, { type: "page.hand-over", leaderId: "t1", seen: 0 }, { by: "q" })).toBe("overtaken");
    // who showed one page and another at once is not told that somebody else was quicker
    expect(seenBy(play(shown, [show({ fileId: "f3" }, 0)]))).toMatchObject({ kind: "picture" });
    const away = play(shown, [{ type: "page.put-away", seen: 1 }]);
    expect(seenBy(away)).toBeUndefined();
    expect(refusal(away, { type: "page.put-away", seen: 2 })).toBe("already-done");
    expect(seenBy(play(away, [rest(500, 1)]))).toBeUndefined();
    const other = play(away, [show({ fileId: "f3" }, 2)], [rest(500, 1)]);
    expect(seenBy(other)).toMatchObject({ place: 0 });
  });
  it("ends with the hour", () => {
    expect(seenBy(play(open, [show("event", 0)], [{ type: "hour.end" }]))).toBeUndefined();
  });
});
