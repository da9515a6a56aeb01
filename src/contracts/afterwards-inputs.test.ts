import { describe, expect, it } from "vitest";
import {
  creditChangeInput,
  entryCorrectionInput,
  outletInput,
  playsInput,
  publicationInput,
  recordingEditInput,
  stretchInput,
  summaryLinkInput,
  surveyInput,
} from ".";
import { faults } from "./test-faults";

const id = "3f1c2d4e-0000-4000-8000-00000000abcd";
const at = Date.parse("2026-11-26T18:00:00Z");

describe("when a recording can be watched", () => {
  const whole = { from: null, until: null, audience: "everyone", tells: false };
  it("is open at either end, and never over before it begins", () => {
    expect(faults(publicationInput, whole)).toEqual([]);
    expect(faults(publicationInput, { ...whole, from: at, until: at + 1 })).toEqual([]);
    expect(faults(publicationInput, { ...whole, until: at })).toEqual([]);
    expect(faults(publicationInput, { ...whole, from: at, until: at })).toEqual(["until"]);
    expect(faults(publicationInput, { ...whole, from: -1 })).toEqual(["from"]);
    expect(faults(publicationInput, { ...whole, from: 0.5 })).toEqual(["from"]);
    expect(faults(publicationInput, { ...whole, audience: "friends" })).toEqual(["audience"]);
  });
});

describe("what is done to a recording", () => {
  const edit = { title: "Tides", cuts: [], chapters: null };
  it("is a list of cuts that end after they begin, within a day", () => {
    expect(recordingEditInput.parse({ ...edit, cuts: [{ fromSeconds: "1.5", toSeconds: "2" }] }).cuts).toEqual([
      { fromSeconds: 1.5, toSeconds: 2 },
    ]);
    expect(faults(recordingEditInput, { ...edit, cuts: [{ fromSeconds: 2, toSeconds: 2 }] })).toEqual([
      "cuts.0.toSeconds",
    ]);
    expect(faults(recordingEditInput, { ...edit, cuts: [{ fromSeconds: 0, toSeconds: 86_401 }] })).toEqual([
      "cuts.0.toSeconds",
    ]);
    expect(faults(recordingEditInput, { ...edit, cuts: Array(51).fill({ fromSeconds: 0, toSeconds: 1 }) })).toEqual([
      "cuts",
    ]);
  });
  it("names its chapters, and itself", () => {
    expect(faults(recordingEditInput, { ...edit, title: " " })).toEqual(["title"]);
    expect(faults(recordingEditInput, { ...edit, chapters: [{ title: "", startSeconds: 0 }] })).toEqual([
      "chapters.0.title",
    ]);
    expect(faults(recordingEditInput, { ...edit, chapters: [{ title: "Ebb", startSeconds: "words" }] })).toEqual([
      "chapters.0.startSeconds",
    ]);
  });
});

describe("what a player tells of its playing", () => {
  const play = { id, fromSeconds: 0, toSeconds: 5 };
  it("is a bounded list of stretches, each with an id of its own", () => {
    expect(faults(playsInput, { viewId: id, plays: [play] })).toEqual([]);
    expect(faults(playsInput, { viewId: id, plays: [] })).toEqual(["plays"]);
    expect(faults(playsInput, { viewId: id, plays: Array(51).fill(play) })).toEqual(["plays"]);
    expect(faults(playsInput, { viewId: "me", plays: [{ ...play, fromSeconds: Number.NaN }] })).toEqual([
      "plays.0.fromSeconds",
      "viewId",
    ]);
  });
});

describe("a report put right", () => {
  const entry = { entryKey: "k", inAt: at, outAt: at + 1, reason: "Came by telephone" };
  it("says why, and leaves nobody out before they came in", () => {
    expect(faults(entryCorrectionInput, entry)).toEqual([]);
    expect(faults(entryCorrectionInput, { ...entry, outAt: at })).toEqual(["outAt"]);
    expect(faults(entryCorrectionInput, { ...entry, reason: "  " })).toEqual(["reason"]);
    expect(faults(entryCorrectionInput, { ...entry, reason: "x".repeat(301), entryKey: "" })).toEqual([
      "entryKey",
      "reason",
    ]);
  });
  it("marks no stretch that is longer than a date can be", () => {
    const day = 24 * 3_600_000;
    expect(faults(stretchInput, { from: at, to: at + 2 * day - 1 })).toEqual([]);
    expect(faults(stretchInput, { from: at, to: at + 2 * day })).toEqual(["to"]);
    expect(faults(stretchInput, { from: at, to: at })).toEqual(["to"]);
  });
  it("gives points of two decimals at most", () => {
    const change = { creditId: id, points: 1.25, isWithdrawn: false, why: "half of it" };
    expect(faults(creditChangeInput, change)).toEqual([]);
    // 0.07 is no whole number of hundredths in binary; it is one all the same
    for (const points of [0, 0.07, 0.29, 999]) expect(faults(creditChangeInput, { ...change, points })).toEqual([]);
    for (const points of [1.255, -0.01, 1000])
      expect(faults(creditChangeInput, { ...change, points })).toEqual(["points"]);
  });
  it("lends its summary for a year at most", () => {
    expect(faults(summaryLinkInput, { withNames: true, days: 365 })).toEqual([]);
    for (const days of [0, 366, 1.5]) expect(faults(summaryLinkInput, { withNames: true, days })).toEqual(["days"]);
  });
});

describe("a survey", () => {
  const question = (part: object = {}) => ({
    id: "q1",
    kind: "choice",
    label: "Which?",
    isRequired: false,
    options: ["a", "b"],
    ...part,
  });
  const survey = (...questions: object[]) => ({ questions, isAnonymous: true, isSample: false, isOn: true });
  it("asks something that can be answered", () => {
    expect(faults(surveyInput, survey(question()))).toEqual([]);
    expect(faults(surveyInput, survey())).toEqual(["questions"]);
    expect(faults(surveyInput, survey(question({ options: ["a", "a"] })))).toEqual(["questions.0.options"]);
    expect(faults(surveyInput, survey(question({ kind: "several", options: ["a"] })))).toEqual(["questions.0.options"]);
    expect(faults(surveyInput, survey(question({ kind: "words", options: [] })))).toEqual(
      faults(surveyInput, survey(question({ kind: "words" }))),
    );
  });
  it("has each question once, and thirty at most", () => {
    expect(faults(surveyInput, survey(question(), question()))).toEqual(["questions"]);
    const many = Array.from({ length: 31 }, (_, i) => question({ id: `q${i}` }));
    expect(faults(surveyInput, survey(...many))).toEqual(["questions"]);
  });
});

describe("another place that the programme goes to", () => {
  const outlet = { name: "Shore channel", address: "rtmp://live.example.org/in", key: "abcd-1234" };
  it("is an address of a live service, and a key of plain signs", () => {
    expect(faults(outletInput, outlet)).toEqual([]);
    expect(faults(outletInput, { ...outlet, address: "rtmps://live.example.org:8443/in/part" })).toEqual([]);
    for (const address of [
      "https://live.example.org/in",
      "rtmp://live.example.org",
      "rtmp://u:p@live.example.org/in",
      "rtmp://live.example.org:70000/in",
      "file:///etc/passwd",
    ])
      expect([address, faults(outletInput, { ...outlet, address })]).toEqual([address, ["address"]]);
    for (const key of ["", "a b", "a\nb", "schlüssel"])
      expect(faults(outletInput, { ...outlet, key })).toEqual(["key"]);
  });
});
