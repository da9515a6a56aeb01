import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { defaultSwitches, type Markers, type Role } from "../../people";
import { plainView } from "../changes";
import { at, play, open, refusal, words, figures } from "../test-room";
import {
  boardSurface,
  clearBackMs,
  doesTouch,
  inkColours,
  inkPaint,
  inkTools,
  mayDraw,
  mostBoards,
  pictureOf,
  project,
  readSvg,
  shapeOf,
  splitPoints,
  writeSvg,
  type InkAct,
  type InkBody,
  type Mark,
  type RoomCommand,
  type RoomState,
} from "..";

const line = (...points: number[]): Mark => ({ tool: "line", colour: "blue", width: 45, points, text: "" });
/** Rows in their order: whose, what, and when in seconds. */
const rows = (...acts: [authorId: string, body: InkBody | Mark, atSeconds?: number][]): InkAct[] =>
  acts.map(([authorId, body, atSeconds = 0], i) => ({
    n: i + 1,
    id: `m${i + 1}`,
    authorId,
    at: atSeconds * 1000,
    body: "tool" in body ? { do: "draw", mark: body, continues: null } : body,
  }));
const idsOf = (acts: InkAct[]) =>
  pictureOf(acts)
    .standing()
    .map((one) => one.id);
const undo = { do: "undo" } as const;
const redo = { do: "redo" } as const;
const clear = { do: "clear" } as const;
const erase = (...ids: string[]): InkBody => ({ do: "erase", ids });

describe("rule 22: a board is drawn from its rows in order", () => {
  it("takes back the latest act of the same author that still stands, nobody else's", () => {
    expect(idsOf(rows(["a", line(0, 0, 9, 9)], ["b", line(1, 1, 9, 9)], ["a", undo]))).toEqual(["m2"]);
    expect(idsOf(rows(["a", line(0, 0, 9, 9)], ["a", line(1, 1, 9, 9)], ["a", undo], ["a", undo]))).toEqual([]);
    expect(idsOf(rows(["a", line(0, 0, 9, 9)], ["b", undo]))).toEqual(["m1"]);
  });
  it("brings back until that author does something new", () => {
    const undone: Parameters<typeof rows> = [
      ["a", line(0, 0, 9, 9)],
      ["a", undo],
    ];
    expect(idsOf(rows(...undone, ["a", redo]))).toEqual(["m1"]);
    expect(idsOf(rows(...undone, ["b", line(1, 1, 2, 2)], ["a", redo]))).toEqual(["m1", "m3"]);
    expect(idsOf(rows(...undone, ["a", line(1, 1, 2, 2)], ["a", redo]))).toEqual(["m3"]);
  });
  it("wipes out whole marks as one act, which its author takes back", () => {
    const drawn: Parameters<typeof rows> = [
      ["a", line(0, 0, 9, 9)],
      ["b", line(1, 1, 9, 9)],
      ["b", erase("m1", "m2")],
    ];
    expect(idsOf(rows(...drawn))).toEqual([]);
    expect(idsOf(rows(...drawn, ["b", undo]))).toEqual(["m1", "m2"]);
    // what two acts wiped out comes back when both are taken back
    const twice: Parameters<typeof rows> = [...drawn, ["b", undo], ["a", erase("m1")], ["b", redo]];
    expect(idsOf(rows(...twice, ["a", undo]))).toEqual([]);
    expect(idsOf(rows(...twice, ["a", undo], ["b", undo]))).toEqual(["m1", "m2"]);
  });
  it("clears in one act that is brought back for 60 s, not later", () => {
    const cleared: Parameters<typeof rows> = [
      ["a", line(0, 0, 9, 9)],
      ["b", line(1, 1, 9, 9)],
      ["a", clear, 10],
    ];
    expect(idsOf(rows(...cleared, ["a", undo, 70]))).toEqual(["m1", "m2"]);
    expect(idsOf(rows(...cleared, ["a", undo, 71]))).toEqual([]);
    expect(idsOf(rows(...cleared, ["b", undo, 20]))).toEqual([]);
    const picture = pictureOf(rows(...cleared));
    expect(picture.mayUndo("a", 10_000 + clearBackMs).undo).toBe(true);
    expect(picture.mayUndo("a", 10_001 + clearBackMs).undo).toBe(false);
  });
  it("parts a stroke of more than 2,000 points, and takes it back whole", () => {
    const points = Array.from({ length: 5000 * 2 }, (_, i) => i % 10_000);
    const parts = splitPoints(points);
    expect(parts.map((part) => part.length / 2)).toEqual([2000, 2000, 1002]);
    // each part begins where the one before ends
    expect(parts[1]!.slice(0, 2)).toEqual(parts[0]!.slice(-2));
    expect(splitPoints([1, 2])).toEqual([[1, 2]]);
    const part = (continues: string | null): InkBody => ({ do: "draw", mark: line(0, 0, 1, 1), continues });
    expect(idsOf(rows(["a", part(null)], ["b", line(1, 1, 2, 2)], ["a", part("m1")], ["a", undo]))).toEqual(["m2"]);
  });
  it("is the same picture however the rows are laid on, in 300 generated boards", () => {
    const body = fc.oneof(
      fc.constant<InkBody | Mark>(line(0, 0, 9, 9)),
      fc.constantFrom<InkBody>(undo, redo, clear),
      fc
        .array(fc.integer({ min: 1, max: 20 }), { minLength: 1, maxLength: 4 })
        .map((ids) => erase(...ids.map((n) => `m${n}`))),
    );
    const act = fc.tuple(fc.constantFrom("a", "b", "c"), body, fc.integer({ min: 0, max: 200 }));
    fc.assert(
      fc.property(fc.array(act, { maxLength: 40 }), fc.nat(), (acts, cut) => {
        const all = rows(...acts);
        const at = all.length === 0 ? 0 : cut % all.length;
        const picture = pictureOf(all.slice(0, at));
        // rows that were seen before change nothing
        for (const row of all) picture.take(row);
        expect(picture.standing().map((one) => one.id)).toEqual(idsOf(all));
      }),
      { numRuns: 300 },
    );
  });
});

describe("rule 22: the eraser touches at half of both widths", () => {
  // a line at y 450 of 900, its width 45/10,000 of 1600 = 7.2; the eraser's 20: touched within 13.6
  const middle = line(1000, 5000, 9000, 5000);
  it.each([
    [436.41, true],
    [436.39, false],
    [450, true],
    [463.61, false],
  ])("at y %f: %s", (y, expected) => {
    expect(doesTouch(middle, { x: 800, y }, { x: 801, y }, 20)).toBe(expected);
  });
  it("counts what it passed between two places, and the true shape of each tool", () => {
    expect(doesTouch(middle, { x: 800, y: 100 }, { x: 800, y: 800 }, 1)).toBe(true);
    const box: Mark = { ...line(1000, 1000, 9000, 9000), tool: "rectangle" };
    expect(doesTouch(box, { x: 800, y: 450 }, { x: 800, y: 450 }, 20)).toBe(false);
    expect(doesTouch(box, { x: 160, y: 450 }, { x: 160, y: 450 }, 20)).toBe(true);
    const round: Mark = { ...box, tool: "ellipse" };
    expect(doesTouch(round, { x: 160, y: 90 }, { x: 160, y: 90 }, 20)).toBe(false);
    expect(doesTouch(round, { x: 160, y: 450 }, { x: 160, y: 450 }, 20)).toBe(true);
    const text: Mark = { ...line(1000, 5000), tool: "text", text: "tide" };
    expect(doesTouch(text, { x: 180, y: 440 }, { x: 180, y: 440 }, 1)).toBe(true);
    expect(doesTouch(text, { x: 600, y: 440 }, { x: 600, y: 440 }, 1)).toBe(false);
  });
});

const anyMark = fc.record({
  tool: fc.constantFrom(...inkTools),
  colour: fc.constantFrom(...inkColours),
  width: fc.integer({ min: 1, max: 500 }),
  points: fc
    .array(fc.tuple(fc.integer({ min: 0, max: 10_000 }), fc.integer({ min: 0, max: 10_000 })), {
      minLength: 2,
      maxLength: 30,
    })
    .map((all) => all.flat()),
  text: fc.string({ maxLength: 40, unit: "grapheme" }),
});

describe("a board as a vector file", () => {
  it("is read again mark by mark, 300 generated boards", () => {
    fc.assert(
      fc.property(fc.array(anyMark, { minLength: 1, maxLength: 12 }), (marks) => {
        const read = readSvg(writeSvg('Tides & "more" <b>', marks));
        expect(read).toEqual({ ok: true, value: marks });
      }),
      { numRuns: 300 },
    );
  });
  it("refuses other files, and one whose marks were broken", () => {
    const code = (text: string) => {
      const read = readSvg(text);
      return read.ok ? "read" : read.failure.code;
    };
    expect(code("%PDF-1.7")).toBe("not-a-board");
    expect(code('<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0"/></svg>')).toBe("not-a-board");
    const good = writeSvg("One", [line(0, 0, 9, 9)]);
    expect(code(good)).toBe("read");
    expect(code(good.replace("&quot;width&quot;:45", "&quot;width&quot;:-1"))).toBe("not-a-board");
    expect(code(good.replace("[0,0,9,9]", "[0,0,9,10001]"))).toBe("not-a-board");
  });
  it("draws nothing that is not a number", () => {
    fc.assert(
      fc.property(anyMark, (mark) => {
        const shape = shapeOf(mark);
        if (shape.kind === "path") expect(shape.d).not.toMatch(/NaN|Infinity|undefined/);
      }),
      { numRuns: 500 },
    );
  });
});

/** Relative luminance and contrast of WCAG 2.2, by its own formula. */
function contrastOnWhite(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 1.05 / (0.2126 * r! + 0.7152 * g! + 0.0722 * b! + 0.05);
}
it("every colour of the palette can be read on white (WCAG 2.2, 1.4.3)", () => {
  for (const colour of inkColours) expect([colour, contrastOnWhite(inkPaint[colour]) >= 4.5]).toEqual([colour, true]);
});

const make = (id: string): RoomCommand => ({ type: "board.make", boardId: id });
const show = (boardId: string, seen: string | null): RoomCommand => ({ type: "board.open", boardId, seen });
const up: [RoomCommand] = [{ type: "hour.raise-curtain" }];
const house = (room: RoomState) => plainView(project("board:house", room, words, figures))["openBoard"];

describe("rule 22: which board everyone sees, and who draws", () => {
  const two = play(open, [make("b1")], [make("b2")], [show("b1", null)]);
  it("is the desk's to show; of two who show at once the second is told", () => {
    expect(refusal(two, show("b2", null), { by: "q" })).toBe("overtaken");
    // the one who showed it knows of it, also where their screen does not yet
    expect(refusal(two, show("b2", null))).toBe("done");
    expect(refusal(play(two, [show("b2", "b1"), { by: "q" }]), show("b1", "b1"))).toBe("overtaken");
    expect(refusal(two, show("b9", "b1"))).toBe("not-found");
    expect(refusal(two, show("b2", "b1"))).toBe("done");
    expect(refusal(play(two, [{ type: "board.close" }]), { type: "board.close" })).toBe("already-done");
    const full = play(open, ...Array.from({ length: mostBoards }, (_, i): [RoomCommand] => [make(`b${i}`)]));
    expect(refusal(full, make("b99"))).toBe("too-many-boards");
  });
  it("reaches the house with the curtain, and only the board that is open", () => {
    expect(house(two)).toEqual({});
    expect(house(play(two, up))).toMatchObject({ it: { id: "b1", isForAll: false } });
    expect(house(play(two, up, [{ type: "board.close" }]))).toEqual({});
  });
  it("is drawn on by the team, by whom the desk lets by place, and by people by name; the audience only on what it sees", () => {
    const let_ = (reach: "team" | "stage" | "all", ...drawerIds: string[]): [RoomCommand] => [
      { type: "board.let-draw", reach, drawerIds },
    ];
    const who = (room: RoomState, id = "b1") =>
      (["producer", "panelist", "attendee"] as const).map((role: Role) =>
        mayDraw(room, defaultSwitches, { ticketId: role, role }, boardSurface(id), at),
      );
    const seen = play(two, up);
    expect(who(seen)).toEqual([true, true, false]);
    expect(who(play(seen, let_("team")))).toEqual([true, false, false]);
    expect(who(play(seen, let_("all")))).toEqual([true, true, true]);
    expect(who(play(seen, let_("team", "attendee")))).toEqual([true, false, true]);
    expect(who(play(seen, let_("all")), "b2")).toEqual([true, true, false]);
    expect(who(play(two, let_("all")))).toEqual([true, true, false]);
    expect(who(seen, "b9")).toEqual([false, false, false]);
  });
  it("is a page's too, as the switch says (rule 20)", () => {
    const shown = play(
      open,
      up,
      [{ type: "slides.show", deckId: "d1", page: 2, seen: null }],
      [{ type: "slides.name-turner", turnerId: "t1" }],
    );
    const who = (marking: Markers, page = 2) =>
      (
        [
          ["p", "producer"],
          ["t1", "panelist"],
          ["t2", "panelist"],
          ["a1", "attendee"],
        ] as const
      ).map(([ticketId, role]) =>
        mayDraw(shown, { ...defaultSwitches, marking: { who: marking } }, { ticketId, role }, { id: "d1", page }, at),
      );
    expect(who("nobody")).toEqual([false, false, false, false]);
    expect(who("leader")).toEqual([true, true, false, false]);
    expect(who("stage")).toEqual([true, true, true, false]);
    expect(who("all")).toEqual([true, true, true, true]);
    expect(who("all", 3)).toEqual([false, false, false, false]);
  });
});
