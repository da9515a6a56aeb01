import { describe, expect, it } from "vitest";
import { defaultSwitches } from "../../people";
import { plainView } from "../changes";
import type { DeskView } from "../views";
import { project, type RoomState } from "..";
import { at, figures, open, play, refusal, words, type Act, type Acted } from "../test-room";

const panelist: Act = { by: "t1", scene: { actor: { role: "panelist", duties: [] } } };
const onStage = play(
  open,
  [{ type: "stage.enter" }, { ...panelist }],
  [{ type: "stage.move", ticketId: "t1", place: "stage" }],
);
const ask = (ticketId: string | null): Acted => [{ type: "stage.ask-to-open", ticketId }];
const set = (isOpen: boolean): Acted => [{ type: "stage.set-microphone", isOpen }, panelist];
const person = (room: RoomState) =>
  (plainView(project("stage:team", room, words, figures)) as unknown as DeskView).stage["t1"]!;

describe("microphones of the stage (rule 19, room.md)", () => {
  it("are asked to open, never opened from outside; the answer is their owner's", () => {
    const asked = play(onStage, ask("t1"));
    expect([person(asked).isAskedToOpen, person(asked).isMicrophoneOpen]).toEqual([true, false]);
    expect(person(play(asked, set(true)))).toMatchObject({ isAskedToOpen: false, isMicrophoneOpen: true });
    const kept = play(asked, [{ type: "stage.keep-closed" }, panelist]);
    expect(person(kept)).toMatchObject({ isAskedToOpen: false, isMicrophoneOpen: false });
  });
  it("say with how many devices somebody is here: the likeliest echo; the team has its desk besides", () => {
    const shown = {
      ...figures,
      devices: new Map([
        ["t1", 2],
        ["p", 2],
      ]),
    };
    const { stage } = plainView(project("stage:team", onStage, words, shown)) as unknown as DeskView;
    expect([stage["t1"]!.devices, person(onStage).devices, stage["p"]!.devices]).toEqual([2, 1, 0]);
  });
  it("are asked once, whoever asks; all on stage by one act, and nobody behind it", () => {
    expect(refusal(play(onStage, ask("t1")), ask("t1")[0])).toBe("already-done");
    expect(person(play(onStage, ask(null))).isAskedToOpen).toBe(true);
    const backstage = play(open, [{ type: "stage.enter" }, panelist]);
    expect(refusal(backstage, ask(null)[0])).toBe("already-done");
    const left = play(onStage, ask("t1"), [{ type: "stage.move", ticketId: "t1", place: "backstage" }]);
    expect(person(left).isAskedToOpen).toBe(false);
  });
  it("are closed by the desk one by one", () => {
    const closed = play(onStage, set(true), [{ type: "stage.close-microphone", ticketId: "t1" }]);
    expect(person(closed).isMicrophoneOpen).toBe(false);
    expect(refusal(closed, { type: "stage.close-microphone", ticketId: "t1" })).toBe("already-done");
    expect(refusal(onStage, { type: "stage.close-microphone", ticketId: "t1" }, panelist)).toBe("not-allowed");
  });
});

describe("cameras of the stage (rule 19, room.md)", () => {
  const camera = (isOpen: boolean): Acted => [{ type: "stage.set-camera", isOpen }, panelist];
  const askFor: Acted = [{ type: "stage.ask-for-camera", ticketId: null }];
  it("are asked for, opened by their owner alone, and closed by the desk; the microphone stays as it is", () => {
    const asked = play(onStage, set(true), askFor);
    expect(person(asked)).toMatchObject({ isAskedForCamera: true, isCameraOpen: false, isMicrophoneOpen: true });
    expect(refusal(asked, askFor[0])).toBe("already-done");
    const opened = play(asked, camera(true));
    expect(person(opened)).toMatchObject({ isAskedForCamera: false, isCameraOpen: true });
    const shut = play(opened, [{ type: "stage.close-camera", ticketId: "t1" }]);
    expect(person(shut)).toMatchObject({ isCameraOpen: false, isMicrophoneOpen: true });
    expect(refusal(shut, { type: "stage.close-camera", ticketId: "t1" })).toBe("already-done");
    expect(refusal(onStage, askFor[0], panelist)).toBe("not-allowed");
  });
  it("stay closed when their owner says so, and close with leaving the stage", () => {
    const kept = play(onStage, askFor, [{ type: "stage.keep-camera-closed" }, panelist]);
    expect(person(kept)).toMatchObject({ isAskedForCamera: false, isCameraOpen: false });
    const left = play(onStage, camera(true), [{ type: "stage.move", ticketId: "t1", place: "standby" }]);
    expect(person(left).isCameraOpen).toBe(false);
  });
  it("are closed for all but one by one act, and begin as the plan says", () => {
    const opened = play(onStage, camera(true));
    expect(person(play(opened, [{ type: "stage.close-cameras", exceptId: "t1" }])).isCameraOpen).toBe(true);
    expect(person(play(opened, [{ type: "stage.close-cameras", exceptId: null }])).isCameraOpen).toBe(false);
    const eager = play(open, [
      { type: "stage.enter" },
      { by: "t1", scene: { ...panelist.scene, stageCamerasOpen: true } },
    ]);
    expect(person(eager)).toMatchObject({ isCameraOpen: true, isMicrophoneOpen: false });
  });
});

describe("switches turned during the hour", () => {
  it("say who turned them last, and when", () => {
    const later = at + 60_000;
    const turned = play(open, [
      { type: "hour.set-switch", set: { name: "hands", value: { on: false } }, seen: defaultSwitches.hands },
      { at: later },
    ]);
    const desk = plainView(project("hour:desk", turned, words, figures)) as unknown as DeskView;
    expect(desk.turned).toEqual({ hands: { byName: "PRODUCER-NAME", at: later } });
    expect(desk.switches["it"]).toMatchObject({ hands: { on: false }, signals: { on: true } });
  });
});
