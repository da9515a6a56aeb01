import { describe, expect, it } from "vitest";
import type { DeskView } from "@/core/room";
import { isOpenHere } from "./is-open-here";

const view = {
  stage: {
    on: { place: "stage", isMicrophoneOpen: true },
    muted: { place: "stage", isMicrophoneOpen: false },
    behind: { place: "backstage", isMicrophoneOpen: true },
    next: { place: "standby", isMicrophoneOpen: true },
  },
  floor: { guest: { isMicrophoneOpen: true }, shy: { isMicrophoneOpen: false } },
} as unknown as Pick<DeskView, "stage" | "floor">;
const heardBy = (listener: string) =>
  ["on", "muted", "behind", "next", "guest", "shy", "gone"].filter((id) => isOpenHere(view, id, listener));

describe("whom somebody of the stage side hears", () => {
  it("before the audience: the stage and the floor, nothing of what is said behind it", () => {
    expect(heardBy("on")).toEqual(["on", "guest"]);
  });
  it("behind it: those too, and one another", () => {
    expect(heardBy("behind")).toEqual(["on", "behind", "next", "guest"]);
  });
});
