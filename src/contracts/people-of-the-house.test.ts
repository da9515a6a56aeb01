import { describe, expect, it } from "vitest";
import {
  contactInput,
  contactQuery,
  deckInput,
  extentInput,
  handOutChange,
  handOutName,
  joinTeamInput,
  mappingInput,
  markContactsInput,
  mergeInput,
  rehearsalInput,
  seatQuestionInput,
  slotQuestionInput,
  teamInviteInput,
  templateBody,
  freshPlan,
} from ".";
import { faults } from "./test-faults";
import { standardRules } from "@/core/organisation";

const id = "3f1c2d4e-0000-4000-8000-00000000abcd";
const other = "3f1c2d4e-0000-4000-8000-00000000abce";

describe("a contact", () => {
  const contact = {
    name: "Ines Marl",
    email: "ines@example.org",
    company: "",
    phone: "",
    note: "",
    zone: null,
    tags: [],
    groups: [],
  };
  it("is kept in one line, its address in small letters", () => {
    const kept = contactInput.parse({
      ...contact,
      name: " Ines\t\r\nMarl  ",
      email: " INES@Example.org ",
      tags: [" warden "],
    });
    expect(kept).toMatchObject({ name: "Ines Marl", email: "ines@example.org", tags: ["warden"] });
  });
  it("needs an address, a real zone, and tags that are words", () => {
    expect(faults(contactInput, { ...contact, email: "ines" })).toEqual(["email"]);
    expect(faults(contactInput, { ...contact, zone: "Europe/Saltby" })).toEqual(["zone"]);
    expect(faults(contactInput, { ...contact, tags: ["\u0001 "] })).toEqual(["tags.0"]);
    expect(faults(contactInput, { ...contact, groups: Array(51).fill("g") })).toEqual(["groups"]);
  });
  it("is merged with another, never with itself", () => {
    expect(faults(mergeInput, { keepId: id, goneId: other, takeFromGone: ["name"] })).toEqual([]);
    expect(faults(mergeInput, { keepId: id, goneId: id, takeFromGone: [] })).toEqual([""]);
    expect(faults(mergeInput, { keepId: id, goneId: other, takeFromGone: ["id"] })).toEqual(["takeFromGone.0"]);
  });
  it("is read from a file in which some column holds addresses", () => {
    expect(faults(mappingInput, [null, "email", "name"])).toEqual([]);
    expect(faults(mappingInput, ["name", null])).toEqual([""]);
  });
  it("is marked with hundreds of others at once, not with thousands", () => {
    const mark = { ids: [id], kind: "tag", name: "warden", isOn: true };
    expect(faults(markContactsInput, mark)).toEqual([]);
    expect(faults(markContactsInput, { ...mark, ids: Array(501).fill(id) })).toEqual(["ids"]);
    expect(faults(markContactsInput, { ...mark, ids: [], name: " " })).toEqual(["ids", "name"]);
  });
  it("is looked for by an address bar that anybody can write into", () => {
    expect(contactQuery.parse({})).toEqual({
      words: "",
      tag: "",
      group: "",
      state: "all",
      sort: "name",
      desc: "",
      page: 0,
    });
    expect(contactQuery.parse({ page: "3" }).page).toBe(3);
    for (const query of [
      { page: "-1" },
      { page: "x" },
      { sort: "password" },
      { state: "x" },
      { words: "x".repeat(101) },
    ])
      expect([query, contactQuery.safeParse(query).success]).toEqual([query, false]);
  });
});

describe("dates that are changed", () => {
  const move = { kind: "move", firstStartLocal: "2026-11-26T18:00", durationMinutes: "90" };
  it("are marked ones, moved or called off", () => {
    expect(extentInput.parse({ markedIds: [id], change: move }).change).toEqual({ ...move, durationMinutes: 90 });
    expect(faults(extentInput, { markedIds: [], change: { kind: "call-off" } })).toEqual(["markedIds"]);
    expect(faults(extentInput, { markedIds: [id], change: { ...move, firstStartLocal: "tomorrow" } })).toEqual([
      "change.firstStartLocal",
    ]);
    expect(faults(extentInput, { markedIds: [id], change: { kind: "burn" } })).toEqual(["change.kind"]);
    expect(faults(extentInput, { markedIds: [id], change: { kind: "call-off", why: "x".repeat(501) } })).toEqual([
      "change.why",
    ]);
  });
  it("ask for a seat as the plan does", () => {
    const question = {
      occurrenceId: null,
      startLocal: "2026-11-26T18:00",
      zone: "Europe/Lisbon",
      durationMinutes: 60,
      callMinutes: 20,
      houseSize: 100,
    };
    expect(faults(seatQuestionInput, question)).toEqual([]);
    expect(faults(seatQuestionInput, { ...question, houseSize: 0, zone: "x", callMinutes: 241 })).toEqual([
      "callMinutes",
      "houseSize",
      "zone",
    ]);
    expect(faults(rehearsalInput, { startLocal: "2026-11-26T18:00", durationMinutes: 481 })).toEqual([
      "durationMinutes",
    ]);
  });
  it("are found within working days, all seven where none are named", () => {
    const question = {
      fromLocal: "2026-11-26T00:00",
      untilLocal: "2026-12-01T00:00",
      durationMinutes: 60,
      requiredIds: [],
    };
    expect(slotQuestionInput.parse(question).workDays).toHaveLength(7);
    expect(faults(slotQuestionInput, { ...question, workDays: [] })).toEqual(["workDays"]);
    expect(faults(slotQuestionInput, { ...question, workDays: ["XX"] })).toEqual(["workDays.0"]);
  });
});

describe("the name of a file for the audience", () => {
  it.each([
    ["as it is", "Tide table.pdf", "Tide table.pdf"],
    ["without its path", "../../etc/passwd", "etc passwd"],
    ["without a drive", "C:\\shore\\tides.pdf", "C shore tides.pdf"],
    ["without what a shell or a header reads", 'a"b<c>|d*?.txt', "a b c d .txt"],
    // U+202E turns the reading direction: "gpj.exe" would be read as "exe.jpg" (Unicode TR36 §2.9)
    ["without marks that turn the reading", "tides\u202Egpj.exe", "tides gpj.exe"],
    ["without lines", "a\r\nSet-Cookie: b", "a Set-Cookie b"],
    ["with its letters put together (NFC)", "Mare\u0301e.pdf", "Marée.pdf"],
    ["without dots at its ends", "...hidden. ", "hidden"],
  ])("is kept %s", (_, given, kept) => expect(handOutName.parse(given)).toBe(kept));
  it("keeps its ending where it is too long, and is something", () => {
    expect(handOutName.parse(`${"a".repeat(300)}.pdf`)).toMatch(/^a{156}\.pdf$/);
    for (const name of ["", " . ", "\u0000", "///"]) expect(handOutName.safeParse(name).success).toBe(false);
  });
  it("changes by one place at a time, or by who sees it", () => {
    expect(faults(handOutChange, { isShown: true })).toEqual([]);
    expect(faults(handOutChange, { step: -1 })).toEqual([]);
    expect(handOutChange.safeParse({ step: 2 }).success).toBe(false);
  });
});

describe("slides, and people of the team", () => {
  it("slides are named, in a language by its tag (BCP 47)", () => {
    const deck = { title: "Tides", language: "pt-PT" };
    expect(deckInput.parse(deck)).toEqual({ ...deck, versionOfId: null, notes: "" });
    expect(faults(deckInput, { title: " ", language: "Portuguese please" })).toEqual(["language", "title"]);
  });
  it("a password is long enough to be one, and short enough to be hashed", () => {
    expect(faults(joinTeamInput, { name: "Ines", password: "x".repeat(12) })).toEqual([]);
    expect(faults(joinTeamInput, { name: "Ines", password: "x".repeat(11) })).toEqual(["password"]);
    expect(faults(joinTeamInput, { name: "Ines", password: "x".repeat(129) })).toEqual(["password"]);
    expect(faults(teamInviteInput, { name: "Ines", email: "ines@", standing: "king" })).toEqual(["email", "standing"]);
  });
});

describe("a template", () => {
  const present = { ...freshPlan("2026-11-26T18:00", "Europe/Lisbon", standardRules.proposed), title: "Tides" };
  const older = Object.fromEntries(Object.entries(present).filter(([name]) => name !== "switches"));
  const body = (part: object) => ({ plan: older, segments: [], polls: [], parts: [], mailings: [], ...part });
  it("kept before the switches stood together is read as it was meant", () => {
    const plan = {
      ...older,
      questionsOn: false,
      othersQuestionsShown: true,
      pollsOn: false,
      chatTo: "stage",
      chatHeld: true,
    };
    expect(templateBody.parse(body({ plan })).plan.switches).toMatchObject({
      questions: { on: false, othersSee: "all" },
      polls: { on: false },
      chat: { to: "stage", isHeld: true },
    });
  });
  it("kept before a poll had several questions holds one of one choice", () => {
    const options = [
      { id: "a", label: "Ebb" },
      { id: "b", label: "Flood" },
    ];
    expect(templateBody.parse(body({ polls: [{ question: "Which?", options }] })).polls[0]!.questions).toMatchObject([
      { id: "q1", kind: "one-choice", text: "Which?", options },
    ]);
  });
  it("is refused where it holds something else", () => {
    expect(templateBody.safeParse(body({ polls: ["?"] })).success).toBe(false);
    expect(templateBody.safeParse(body({ plan: "?" })).success).toBe(false);
  });
});
