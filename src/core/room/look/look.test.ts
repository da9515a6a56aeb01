import { describe, expect, it } from "vitest";
import { noFigures, project } from "../index";
import { asAttendee, open, play, refusal, words } from "../test-room";

const rust = { colour: "#7A3B1E", isTinted: true, showsPicture: false };
const wear = (dressing: typeof rust | null, seen: number) => ({ type: "look.wear", dressing, seen }) as const;
const worn = (room: typeof open, pictureId: string | null = "pic") => {
  const directory = { ...words, event: { ...words.event, look: { colour: "#0E5A5A", pictureId } } };
  return (project("look:room", room, directory, noFigures) as unknown as { look: { it: unknown } }).look.it;
};

describe("the room's colours", () => {
  it("are the plan's until the desk changes them, for everybody", () => {
    expect(worn(open)).toEqual({ colour: "#0E5A5A", isTinted: false, showsPicture: true, pictureId: "pic" });
    expect(worn(play(open, [wear(rust, 0)]))).toEqual({ ...rust, pictureId: null });
    expect(refusal(open, wear(rust, 0), asAttendee("a"))).toBe("not-allowed");
  });
  it("are taken back one by one, also to the plan's", () => {
    const changed = play(open, [wear(rust, 0)], [wear({ ...rust, colour: "#24507A" }, 1)]);
    const once = play(changed, [{ type: "look.undo", seen: 2 }]);
    expect(worn(once)).toMatchObject({ colour: "#7A3B1E" });
    expect(worn(play(once, [{ type: "look.undo", seen: 3 }]))).toMatchObject({ colour: "#0E5A5A" });
    expect(refusal(open, { type: "look.undo", seen: 0 })).toBe("already-done");
  });
  it("of two desks the second is told that the first was faster; the same again is no change", () => {
    const changed = play(open, [wear(rust, 0)]);
    expect(refusal(changed, wear({ ...rust, isTinted: false }, 0), { by: "q" })).toBe("overtaken");
    expect(refusal(changed, { type: "look.undo", seen: 0 }, { by: "q" })).toBe("overtaken");
    expect(refusal(changed, wear({ ...rust, isTinted: false }, 0))).toBe("done");
    expect(refusal(changed, wear(rust, 1))).toBe("already-done");
  });
});
