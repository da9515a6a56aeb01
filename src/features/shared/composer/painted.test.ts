import { describe, expect, it } from "vitest";
import { isHeardBy, paintedOf, screenVoice, type ComposedView, type Media } from "./painted";

const person = (name: string, part: object = {}) => ({
  name,
  portraitId: null,
  role: "panelist",
  duties: [],
  place: "stage",
  isMicrophoneOpen: true,
  isCameraOpen: true,
  isPresent: true,
  ...part,
});
const view = (part: object = {}): ComposedView =>
  ({
    stage: { ann: person("Ann"), bo: person("Bo", { isMicrophoneOpen: false, isCameraOpen: false }) },
    screens: {},
    floor: { guest: { name: "Gus", isOnStage: false, hasAccepted: true, isMicrophoneOpen: true } },
    scene: { it: { kind: null, personIds: [], shares: {}, speakerId: "ann" } },
    holding: { it: { message: "", countsDown: true, pictureId: null, sound: "silence" } },
    shown: {},
    decks: {},
    board: { it: { openId: null } },
    event: { it: { title: "Tides", startAt: 10_000 } },
    status: { it: { phase: "open", isCurtainUp: true } },
    polls: {},
    tallies: {},
    questions: {},
    programme: {},
    figures: {},
    ...part,
  }) as unknown as ComposedView;
const video = {
  ...{ videoWidth: 640, videoHeight: 360 },
  getVideoPlaybackQuality: () => ({ totalVideoFrames: 7 }),
} as HTMLVideoElement;
const media = (part: Partial<Media> = {}): Media => ({
  video: () => video,
  screen: () => video,
  document: () => null,
  portrait: () => null,
  ink: [],
  now: 4000,
  holdingWords: "It begins shortly.",
  leftOut: new Set(),
  ...part,
});
const down = { status: { it: { phase: "open", isCurtainUp: false } } };

describe("what the composed picture is made from", () => {
  it("shows a camera that is open, and nobody's that is closed or who has not agreed", () => {
    const painted = paintedOf(view(), media());
    expect([painted.person("ann").video, painted.person("bo").video]).toEqual([video, null]);
    expect(painted.person("ann")).toMatchObject({ name: "Ann", isSpeaking: true, videoWidth: 640, frame: 7 });
    expect(paintedOf(view(), media({ leftOut: new Set(["ann"]) })).person("ann").video).toBeNull();
  });
  it("has a portrait where there is one, for whenever the camera is closed", () => {
    const portrait = { naturalWidth: 200, naturalHeight: 200 } as HTMLImageElement;
    const asked: string[] = [];
    const of = view({ stage: { ann: person("Ann"), bo: person("Bo", { portraitId: "p1", isCameraOpen: false }) } });
    const painted = paintedOf(of, media({ portrait: (id) => (asked.push(id), portrait) }));
    expect([painted.person("ann").portrait, painted.person("bo").portrait]).toEqual([null, portrait]);
    expect(painted.person("bo").video).toBeNull();
    expect(new Set(asked)).toEqual(new Set(["p1"]));
  });
  it("is the holding picture with the curtain down: words, title, the time until it begins", () => {
    const { picture, holding } = paintedOf(view(down), media());
    expect(picture.kind).toBe("holding");
    expect(holding).toEqual({ title: "Tides", words: "It begins shortly.", clock: "00:06" });
  });
  it("lets be heard who speaks on stage or has the floor, nobody with the curtain down", () => {
    const heard = (of: ComposedView, leftOut = new Set<string>()) =>
      ["ann", "bo", "guest", "nobody"].filter(isHeardBy(of, leftOut));
    expect(heard(view())).toEqual(["ann", "guest"]);
    expect(heard(view(), new Set(["ann"]))).toEqual(["guest"]);
    expect(heard(view(down))).toEqual([]);
    expect(heard(view({ stage: { ann: person("Ann", { place: "backstage" }) } }))).toEqual(["guest"]);
  });
  it("shows and sounds a shared screen, and that of nobody who has not agreed", () => {
    const of = view({ screens: { ann: { name: "Ann", order: 0, isHere: true } } });
    expect(paintedOf(of, media()).picture).toMatchObject({ kind: "screen-one", screenIds: ["ann"] });
    expect(paintedOf(of, media()).screen("ann")).toMatchObject({ name: "Ann", video, videoWidth: 640 });
    expect(paintedOf(of, media({ leftOut: new Set(["ann"]) })).screen("ann").video).toBeNull();
    const voices = [screenVoice("ann"), screenVoice("bo")];
    expect(voices.map(isHeardBy(of, new Set()))).toEqual([true, false]);
    expect(voices.map(isHeardBy(of, new Set(["ann"])))).toEqual([false, false]);
    expect(voices.map(isHeardBy({ ...of, ...down } as ComposedView, new Set()))).toEqual([false, false]);
  });
  it("carries the question that is on stage", () => {
    const questions = { q: { text: "How high?", askerName: null, state: "on-stage" } };
    expect(paintedOf(view({ questions }), media()).question).toEqual({ text: "How high?", name: "" });
  });
});
