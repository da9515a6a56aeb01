import { describe, expect, it } from "vitest";
import { inkColours, inkSpan, mostLetInAtOnce, mostSideRooms } from "@/core/room";
import { commandInput, factTypes, whisperTypes } from "./command";

const id = "3f1c2d4e-0000-4000-8000-00000000abcd";
const idOf = (n: number) => `3f1c2d4e-0000-4000-8000-${String(n).padStart(12, "0")}`;
/** `/live/*` takes so much of one command (room.md, "The live edge"). */
const mostBytes = 16_384;

const isTaken = (command: unknown): boolean => commandInput.safeParse({ commandId: id, command }).success;
const bytesOf = (command: unknown): number =>
  new TextEncoder().encode(JSON.stringify({ commandId: id, command })).length;

const mark = (part: object = {}) => ({
  tool: "pen",
  colour: inkColours[0],
  width: 20,
  points: [0, 0, 10, 10],
  text: "",
  ...part,
});
const draw = (part: object) => ({
  type: "board.draw",
  surface: { id, page: 0 },
  body: { do: "draw", mark: mark(part), continues: null },
});

describe("a command to a room", () => {
  it("has an id, by which a repeat is known", () => {
    const command = { type: "hour.open-doors" };
    expect(commandInput.safeParse({ commandId: id, command }).success).toBe(true);
    for (const commandId of ["", "1", null, undefined, `${id}x`])
      expect(commandInput.safeParse({ commandId, command }).success).toBe(false);
  });
  it.each([
    ["of no kind", {}],
    ["of a kind that there is not", { type: "hour.stop" }],
    ["that only the room itself gives", { type: "scenes.follow", segmentId: id }],
    ["of another's name", { type: "__proto__" }],
    ["that is a list", [{ type: "hour.end" }]],
    ["that is words", "hour.end"],
  ])("is none %s", (_, command) => expect(isTaken(command)).toBe(false));

  it("names what it saw, where another could have overtaken it", () => {
    for (const command of [
      { type: "cues.next", leavingSegmentId: null },
      { type: "scenes.set", kind: "one", personIds: [], seen: 0 },
      { type: "board.open", boardId: id, seen: null },
      { type: "chat.clear", seen: 0 },
    ]) {
      expect([command.type, isTaken(command)]).toEqual([command.type, true]);
      const said = Object.entries(command).filter(([name]) => name !== "seen" && name !== "leavingSegmentId");
      const blind = Object.fromEntries(said) as Record<string, unknown>;
      expect([command.type, isTaken(blind)]).toEqual([command.type, false]);
    }
  });

  it("carries words that are some, and no more than fit", () => {
    const ask = (text: string) => isTaken({ type: "questions.ask", text, segmentId: null });
    expect([ask("When does it turn?"), ask("   "), ask(""), ask("x".repeat(1000)), ask("x".repeat(1001))]).toEqual([
      true,
      false,
      false,
      true,
      false,
    ]);
  });

  it("numbers within their bounds, whole where they count", () => {
    const level = (value: unknown) => isTaken({ type: "stage.level", level: value });
    expect([0, 100].map(level)).toEqual([true, true]);
    expect([-1, 101, 0.5, "50", null, Number.NaN].map(level)).toEqual([false, false, false, false, false, false]);
    const length = (minutes: number) => isTaken({ type: "cues.set-lengths", lengths: [{ segmentId: id, minutes }] });
    expect([1, 1440, 0, 1441].map(length)).toEqual([true, true, false, false]);
  });
});

describe("a mark on a board (rule 22)", () => {
  it("has pairs of points within the board, one pair at least", () => {
    expect(isTaken(draw({}))).toBe(true);
    expect(isTaken(draw({ points: [0, 0, inkSpan, inkSpan] }))).toBe(true);
    for (const points of [[], [1], [1, 2, 3], [0, inkSpan + 1], [0, -1], [0.5, 1]])
      expect([points, isTaken(draw({ points }))]).toEqual([points, false]);
  });
  it("has words where it is words, and none where it is drawn", () => {
    expect(isTaken(draw({ tool: "text", text: "ebb", points: [1, 1] }))).toBe(true);
    expect(isTaken(draw({ tool: "text", text: "  ", points: [1, 1] }))).toBe(false);
    expect(isTaken(draw({ text: "ebb" }))).toBe(false);
    expect(isTaken(draw({ tool: "text", text: "a\u0000b", points: [1, 1] }))).toBe(false);
  });
  it("has no colour beside the palette, nor a tool of its own", () => {
    expect(isTaken(draw({ colour: "#ff0000" }))).toBe(false);
    expect(isTaken(draw({ tool: "spray" }))).toBe(false);
  });
});

describe("the largest of each list", () => {
  it.each([
    ["people let in", { type: "hour.let-in", ticketIds: Array.from({ length: mostLetInAtOnce }, (_, i) => idOf(i)) }],
    [
      "people put into side rooms",
      { type: "sideRooms.place", places: Array.from({ length: 200 }, (_, i) => [idOf(i), mostSideRooms]) },
    ],
    [
      "lengths of segments",
      {
        type: "cues.set-lengths",
        lengths: Array.from({ length: 100 }, (_, i) => ({ segmentId: idOf(i), minutes: 1440 })),
      },
    ],
    [
      "marks wiped out",
      {
        type: "board.draw",
        surface: { id, page: 500 },
        body: { do: "erase", ids: Array.from({ length: 300 }, (_, i) => idOf(i)) },
      },
    ],
    [
      "people who draw",
      { type: "board.let-draw", reach: "all", drawerIds: Array.from({ length: 50 }, (_, i) => idOf(i)) },
    ],
    [
      "words of a written answer, in letters of three bytes",
      { type: "questions.answer", questionId: id, how: "to-all", text: "潮".repeat(4000) },
    ],
  ])("fits into one command: %s", (_, command) => {
    expect(isTaken(command)).toBe(true);
    expect(bytesOf(command)).toBeLessThanOrEqual(mostBytes);
  });
});

it("nothing is told in two ways: a command, a fact, a whisper", () => {
  expect(new Set([...factTypes, ...whisperTypes]).size).toBe(factTypes.length + whisperTypes.length);
  expect(factTypes).toContain("polls.vote");
  expect(whisperTypes).toContain("stage.level");
});
