import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plainView } from "../changes";
import type { HouseView } from "../views";
import { gridOf, layoutOf, peopleIn, pictureFor, project, type OnPicture, type RoomCommand, type RoomState } from "..";
import { figures, open, play, refusal, words, type Act } from "../test-room";
import { firstShares, leastShare, mostShare, sceneKinds, type SceneKind } from "./state";

const hd = { width: 1280, height: 720 };
const round = (n: number) => Math.round(n * 100) / 100;

describe("rule 23: everybody on stage in a grid", () => {
  it.each([
    [2, hd, 2, 1, 640],
    [3, hd, 2, 2, 640],
    [5, hd, 3, 2, 426.67],
    [7, hd, 3, 3, 426.67],
    [3, { width: 390, height: 600 }, 1, 3, 355.56],
  ])("%d people in %j: %d columns, %d rows, %d wide", (n, size, columns, rows, width) => {
    const grid = gridOf(n, size);
    expect([grid.columns, grid.rows, round(grid.width)]).toEqual([columns, rows, width]);
  });
  it("centres a last row that is not full, and the whole in its box", () => {
    const boxes = peopleIn(["a", "b", "c"], { x: 0, y: 0, ...hd });
    expect(boxes.map((box) => [box.id, round(box.x), round(box.y), round(box.width)])).toEqual([
      ["a", 0, 0, 640],
      ["b", 640, 0, 640],
      ["c", 320, 360, 640],
    ]);
    expect(peopleIn(["a", "b"], { x: 0, y: 0, ...hd }).map((box) => box.y)).toEqual([180, 180]);
  });
  it("is the widest of all column counts, none over another or outside, in 500 generated boxes", () => {
    const size = fc.record({ width: fc.integer({ min: 100, max: 3000 }), height: fc.integer({ min: 100, max: 3000 }) });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }), size, fc.integer({ min: 0, max: 16 }), (n, box, gap) => {
        const { width } = gridOf(n, box, gap);
        // by the rule's own words, for every column count
        const widths = Array.from({ length: n }, (_, i) => {
          const [c, r] = [i + 1, Math.ceil(n / (i + 1))];
          return Math.min((box.width - (c - 1) * gap) / c, (((box.height - (r - 1) * gap) / r) * 16) / 9);
        });
        expect(width).toBeCloseTo(Math.max(0, ...widths), 6);
        if (width <= 0) return;
        const placed = peopleIn(
          Array.from({ length: n }, (_, i) => `p${i}`),
          { x: 0, y: 0, ...box },
          gap,
        );
        for (const [i, a] of placed.entries()) {
          expect(a.x >= -0.01 && a.y >= -0.01 && a.x + a.width <= box.width + 0.01).toBe(true);
          expect(a.y + a.height <= box.height + 0.01).toBe(true);
          for (const b of placed.slice(i + 1)) {
            const isApart = a.x + a.width <= b.x + 0.01 || b.x + b.width <= a.x + 0.01 || a.y + a.height <= b.y + 0.01;
            expect(isApart).toBe(true);
          }
        }
      }),
      { numRuns: 500 },
    );
  });
});

const on = (part: Partial<OnPicture> = {}): OnPicture => ({
  castIds: ["a", "b", "c"],
  hasDocument: false,
  hasBoard: false,
  screenIds: [],
  isCurtainUp: true,
  ...part,
});
const kindOf = (kind: SceneKind | null, part?: Partial<OnPicture>) =>
  pictureFor({ kind, personIds: [] }, null, on(part)).kind;

describe("rule 23: what the picture comes to", () => {
  it("finds itself from what is open, where nobody chose", () => {
    expect(kindOf(null)).toBe("all");
    expect(kindOf(null, { hasDocument: true })).toBe("document-one");
    expect(kindOf(null, { hasDocument: true, hasBoard: true })).toBe("board");
    expect(kindOf(null, { hasDocument: true, hasBoard: true, screenIds: ["a"] })).toBe("screen-one");
    expect(kindOf(null, { screenIds: ["a", "b"] })).toBe("screen");
  });
  it("never shows what is not there, and nothing but the holding picture behind the curtain", () => {
    expect(kindOf("document")).toBe("all");
    expect(kindOf("board", { hasDocument: true })).toBe("document-one");
    expect(kindOf("screen")).toBe("all");
    expect(kindOf("screen-one", { hasBoard: true })).toBe("board");
    for (const kind of sceneKinds)
      expect(kindOf(kind, { isCurtainUp: false, hasDocument: true, hasBoard: true })).toBe("holding");
  });
  it("puts in whom the desk chose, else who speaks, else the first on stage; never who left it", () => {
    const people = (kind: SceneKind, personIds: string[], speakerId: string | null, castIds = ["a", "b", "c"]) =>
      pictureFor({ kind, personIds }, speakerId, on({ castIds, hasDocument: true })).personIds;
    expect(people("one", [], null)).toEqual(["a"]);
    expect(people("one", [], "c")).toEqual(["c"]);
    expect(people("one", ["b"], "c")).toEqual(["b"]);
    expect(people("two", ["b"], "c")).toEqual(["b", "c"]);
    expect(people("two", [], "b")).toEqual(["b", "a"]);
    expect(people("one", ["gone"], "gone too")).toEqual(["a"]);
    expect(people("document-one", [], "b", [])).toEqual([]);
    expect(people("document", ["a"], "b")).toEqual([]);
  });
  it("fills the picture, parts beside one another or, on a phone, one over the other", () => {
    const shares = firstShares;
    const boxes = layoutOf({ kind: "document-one", personIds: ["a"], screenIds: [] }, hd, shares, 10);
    expect(boxes.map((box) => [box.part, round(box.x), round(box.width)])).toEqual([
      ["document", 0, 965.2],
      ["person", 975.2, 304.8],
    ]);
    const phone = layoutOf(
      { kind: "document-one", personIds: ["a"], screenIds: [] },
      { width: 390, height: 390 },
      shares,
      10,
    );
    expect(phone.map((box) => [box.part, round(box.y)])).toEqual([
      ["document", 0],
      ["person", 298.8],
    ]);
    expect(layoutOf({ kind: "document-one", personIds: [], screenIds: [] }, hd, shares)).toMatchObject([
      { part: "document", ...hd },
    ]);
    expect(
      layoutOf({ kind: "two", personIds: ["a", "b"], screenIds: [] }, hd, { ...shares, two: 75 }).map(
        (box) => box.width,
      ),
    ).toEqual([960, 320]);
  });
});

describe("rule 23: a shared screen", () => {
  const shown = (kind: SceneKind, screenIds: string[]) =>
    pictureFor({ kind, personIds: ["b"] }, null, on({ screenIds, hasDocument: true }));
  const boxesOf = (kind: SceneKind, screenIds: string[], size = hd) =>
    layoutOf(shown(kind, screenIds), size, firstShares).map((box) => [
      box.part,
      box.id,
      round(box.x),
      round(box.width),
    ]);

  it("stands beside one person, the latest of two; or alone, two beside one another", () => {
    expect(boxesOf("screen-one", ["a", "c"])).toEqual([
      ["screen", "c", 0, 972.8],
      ["person", "b", 972.8, 307.2],
    ]);
    expect(boxesOf("screen", ["a"])).toEqual([["screen", "a", 0, 1280]]);
    expect(boxesOf("screen", ["a", "c"])).toEqual([
      ["screen", "a", 0, 640],
      ["screen", "c", 640, 640],
    ]);
  });
  it("stands one over the other on a phone, and in nobody's company where nobody is on stage", () => {
    const phone = layoutOf(shown("screen", ["a", "c"]), { width: 390, height: 600 }, firstShares);
    expect(phone.map((box) => [box.id, box.y, box.height])).toEqual([
      ["a", 0, 300],
      ["c", 300, 300],
    ]);
    const alone = pictureFor({ kind: null, personIds: [] }, null, on({ castIds: [], screenIds: ["a"] }));
    expect(layoutOf(alone, hd, firstShares)).toMatchObject([{ part: "screen", id: "a", ...hd }]);
  });
});

const up: [RoomCommand] = [{ type: "hour.raise-curtain" }];
const set = (kind: SceneKind | null, seen: number, ...personIds: string[]): [RoomCommand] => [
  { type: "scenes.set", kind, personIds, seen },
];
const scene = (room: RoomState) =>
  (plainView(project("scenes:house", room, words, figures)) as unknown as HouseView).scene["it"]!;
const showPage = (page: number, seen: number | null): [RoomCommand] => [
  { type: "slides.show", deckId: "d1", page, seen: seen === null ? null : { deckId: "d1", page: seen } },
];

describe("rule 23: the arrangement for all", () => {
  it("is the desk's; of two who change at once the second is told; taken back one by one", () => {
    const two = play(open, set("one", 0, "t1"), set("two", 1));
    expect(scene(two)).toMatchObject({ kind: "two", personIds: [] });
    expect(refusal(two, set("all", 1)[0], { by: "q" })).toBe("overtaken");
    expect(refusal(two, set("two", 2)[0])).toBe("already-done");
    const back = play(two, [{ type: "scenes.undo", seen: 2 }]);
    expect(scene(back)).toMatchObject({ kind: "one", personIds: ["t1"] });
    const first = play(back, [{ type: "scenes.undo", seen: 3 }]);
    expect(scene(first).kind).toBeNull();
    expect(refusal(first, { type: "scenes.undo", seen: 4 })).toBe("already-done");
  });
  it("counts each of one's own quick presses, also before one's screen knows of the first", () => {
    const mine = play(open, set("one", 0), set("two", 0), set("all", 0));
    expect(scene(mine)).toMatchObject({ kind: "all" });
    expect(scene(play(mine, [{ type: "scenes.undo", seen: 0 }], [{ type: "scenes.undo", seen: 1 }])).kind).toBe("one");
    // somebody else's change in between is seen before it is changed again
    const theirs = play(mine, [set("one", 3)[0], { by: "q" }]);
    expect(refusal(theirs, set("two", 3)[0])).toBe("overtaken");
    expect(refusal(theirs, { type: "scenes.undo", seen: 3 })).toBe("overtaken");
    expect(refusal(theirs, set("two", 4)[0])).toBe("done");
    expect(refusal(theirs, set("two", 3)[0], { by: "q" })).toBe("done");
    // what another changed before one's own run is not undone by it
    const back = play(theirs, set("two", 4));
    expect(refusal(back, set("all", 3)[0])).toBe("overtaken");
    expect(refusal(back, set("all", 4)[0])).toBe("done");
    // nobody has seen what is not there yet
    expect(refusal(back, set("all", 9)[0])).toBe("overtaken");
  });
  it("keeps the sizes of its parts for the date, within what can be looked at", () => {
    const sized = play(open, [{ type: "scenes.resize", kind: "two", share: 70.4 }]);
    expect(scene(sized).shares).toEqual({ ...firstShares, two: 70 });
    expect(scene(play(open, [{ type: "scenes.resize", kind: "two", share: 2 }])).shares.two).toBe(leastShare);
    expect(scene(play(open, [{ type: "scenes.resize", kind: "two", share: 99 }])).shares.two).toBe(mostShare);
    expect(refusal(sized, { type: "scenes.resize", kind: "two", share: 70 })).toBe("already-done");
  });
  it("lets go of a scene that would hide what opens, and of none when a page is turned", () => {
    const chosen = play(open, up, set("one", 0));
    const shown = play(chosen, showPage(1, null));
    expect(scene(shown).kind).toBeNull();
    const again = play(shown, set("one", 2), showPage(2, 1));
    expect(scene(again).kind).toBe("one");
    expect(scene(play(open, up, set("document", 0), showPage(1, null))).kind).toBe("document");
    const board = play(open, up, [{ type: "board.make", boardId: "b1" }], set("document", 0), [
      { type: "board.open", boardId: "b1", seen: null },
    ]);
    expect(scene(board).kind).toBeNull();
    expect(scene(play(board, set("board", 2), [{ type: "board.close" }])).kind).toBeNull();
  });
  it("follows the run sheet with the cue", () => {
    const tied: Act = { by: "t1", scene: { segmentScenes: new Map([["s1", "two" as const]]) } };
    const cued = play(open, up, [{ type: "cues.next", leavingSegmentId: null }, tied]);
    expect(scene(cued).kind).toBe("two");
    // and back with it
    const on = play(cued, set("holding", 1), [{ type: "cues.next", leavingSegmentId: "s1" }, tied]);
    expect(scene(play(on, [{ type: "cues.back", leavingSegmentId: "s2" }, tied])).kind).toBe("two");
  });
  it("puts on who speaks, as the first desk hears it", () => {
    const heard = play(open, up, [{ type: "scenes.put-speaker", personId: "t1", seen: null }]);
    expect(scene(heard).speakerId).toBe("t1");
    expect(refusal(heard, { type: "scenes.put-speaker", personId: "t2", seen: null })).toBe("already-done");
    expect(refusal(heard, { type: "scenes.put-speaker", personId: "t2", seen: "t1" })).toBe("done");
  });
});
