import { describe, expect, it } from "vitest";
import { sayEnglish as say } from "@/contracts/say";
import { plainPoll } from "@/core/polls";
import type { DeskView, PollItem } from "@/core/room";
import { deviceOffers } from "./device-offers";
import { bestOf } from "./offer";
import { pollOffers } from "./poll-offers";
import { pollsAtHand } from "./polls/open-poll";
import { questionOffers } from "./questions/question-offers";
import { nearFinder } from "./questions/near";

const poll = (text: string, part: Partial<PollItem> = {}): PollItem => ({
  ...plainPoll,
  questions: [{ id: "q1", kind: "one-choice", text, options: [], rightIds: [] }],
  state: "prepared",
  isRevealed: false,
  isOnPicture: false,
  openedAt: null,
  closesAt: null,
  ...part,
});
const question = (text: string, part: Partial<DeskView["questions"][string]> = {}): DeskView["questions"][string] => ({
  text,
  askerId: "a1",
  askerName: "Ines",
  isAnonymous: false,
  isHeld: false,
  mergedIntoId: null,
  forId: null,
  comments: [],
  askedAt: 1,
  state: "new",
  segmentId: null,
  takenBy: null,
  answered: null,
  answer: null,
  ...part,
});
const view = (part: Partial<DeskView>) =>
  ({ polls: {}, questions: {}, votes: {}, cue: { it: { currentSegmentId: null, cuedAt: null } }, ...part }) as DeskView;
const may = () => true;

describe("the command line", () => {
  it("finds by letters anywhere, what begins with them first, and of several letters all", () => {
    const found = (text: string) =>
      bestOf(
        ["Drop the curtain", "Cue: Ringing", "Ines Marl: standby", "Ines Marl: to the stage"].map((words) => ({
          words,
          command: { type: "hour.drop-curtain" } as const,
        })),
        text,
      ).map(({ words }) => words);
    expect(found("in")).toEqual(["Ines Marl: standby", "Ines Marl: to the stage", "Drop the curtain", "Cue: Ringing"]);
    expect(found("ine STAGE")).toEqual(["Ines Marl: to the stage"]);
    expect(found("xy")).toEqual([]);
  });
});

describe("the command line's acts", () => {
  it("name each poll by its number and question, with what can be done in its state", () => {
    const polls = {
      a: poll("Tide?"),
      b: poll("Wind?", { state: "open", openedAt: 1 }),
      c: poll("Rain?", { state: "closed", openedAt: 1, isRevealed: true, isOnPicture: true }),
    };
    expect(pollOffers({ view: view({ polls }), may, say }).map(({ words }) => words)).toEqual([
      "Poll 1: open (Tide?)",
      "Poll 2: close (Wind?)",
      "Poll 2: show the results (Wind?)",
      "Poll 2: put it on the picture (Wind?)",
      "Poll 3: open it again (Rain?)",
      "Poll 3: hide the results (Rain?)",
      "Poll 3: take it off the picture (Rain?)",
    ]);
    expect(pollOffers({ view: view({ polls }), may: () => false, say })).toEqual([]);
  });

  it("name each open question, the one on stage first, those taken as one once", () => {
    const questions = {
      a: question("How high?"),
      b: question("How high now?", { mergedIntoId: "a" }),
      c: question("Who counts?", { state: "on-stage" }),
      d: question("And then?", { state: "done" }),
    };
    expect(questionOffers({ view: view({ questions }), may, say }).map(({ words }) => words)).toEqual([
      "Question: answered aloud (Who counts?)",
      "Question: show now (How high?)",
      "Question: line up (How high?)",
      "Question: set aside (How high?)",
    ]);
  });
});

describe("polls at hand", () => {
  it("are those that are open or on the picture, and the last closed one until its results are shown", () => {
    const ids = (polls: Record<string, PollItem>) => pollsAtHand(polls).map(([id]) => id);
    const first = poll("First", { state: "closed", openedAt: 1 });
    const last = poll("Last", { state: "closed", openedAt: 2 });
    expect(ids({ a: poll("Ready"), b: first, c: last })).toEqual(["c"]);
    expect(ids({ b: first, c: { ...last, isRevealed: true } })).toEqual([]);
    expect(ids({ b: first, c: { ...last, isRevealed: true, isOnPicture: true } })).toEqual(["c"]);
    expect(ids({ a: poll("Now", { state: "open", openedAt: 3 }), c: last })).toEqual(["a", "c"]);
  });
});

describe("near-duplicates at the desk", () => {
  it("are offered for new questions alone, and never with one that is taken as another already", () => {
    const nearOf = nearFinder();
    const questions = {
      a: question("How high is the tide tonight?", { askedAt: 1 }),
      b: question("How high is the tide, tonight?", { askedAt: 2 }),
      c: question("Where do we park?", { askedAt: 3 }),
    };
    expect([nearOf(questions, "b"), nearOf(questions, "a"), nearOf(questions, "c")]).toEqual(["a", null, null]);
    expect(nearOf({ ...questions, a: { ...questions.a, state: "not-taken" } }, "b")).toBeNull();
    expect(nearOf({ ...questions, b: { ...questions.b, mergedIntoId: "a" } }, "b")).toBeNull();
    expect(nearOf({ ...questions, d: question("how high is the tide tonight", { askedAt: 4 }) }, "d")).toBe("a");
  });
});

describe("microphones and cameras by the command line", () => {
  const person = (name: string, isOpen: boolean) =>
    ({
      name,
      place: "stage",
      isPresent: true,
      isMicrophoneOpen: isOpen,
      isCameraOpen: isOpen,
    }) as DeskView["stage"][string];
  const stage = {
    a: person("Amina", true),
    b: person("Bjarte", false),
    c: { ...person("Cai", true), place: "backstage" as const },
  };
  it("are closed and asked for, by person and for all but the leader; nobody behind the stage is in the list", () => {
    const offers = deviceOffers({ view: { stage }, leaderId: "a", may, say });
    const of = (name: string) => offers.filter((one) => one.words.startsWith(name)).map((one) => one.command.type);
    expect(of("Amina")).toEqual(["stage.close-microphone", "stage.close-camera"]);
    expect(of("Bjarte")).toEqual(["stage.ask-to-open", "stage.ask-for-camera"]);
    expect(of("Cai")).toEqual([]);
    expect(offers.map((one) => one.command)).toContainEqual({ type: "stage.close-cameras", exceptId: "a" });
    expect(deviceOffers({ view: { stage }, leaderId: null, may: () => false, say })).toEqual([]);
  });
});
