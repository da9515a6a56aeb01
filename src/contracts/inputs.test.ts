import { describe, expect, it } from "vitest";
import type { z } from "zod";
import {
  audienceInput,
  bookingInput,
  boardInput,
  freshPlan,
  frontDoorInput,
  houseRulesInput,
  issuesOf,
  licencesInput,
  mailingInput,
  openEntryInput,
  planInput,
  registrationInput,
  reminderOffsetsInput,
  slotPlanInput,
  stagePersonInput,
  wordsOfIssue,
} from ".";
import { faults } from "./test-faults";
import { nobody } from "@/core/mailings";
import { standardRules } from "@/core/organisation";

const messages = (shape: z.ZodType, input: unknown): string[] =>
  shape.safeParse(input).error === undefined ? [] : issuesOf(shape.safeParse(input).error!).map(wordsOfIssue);

const plan = (part: object = {}) => ({
  ...freshPlan("2026-11-26T18:00", "Europe/Lisbon", standardRules.proposed),
  title: "Tides",
  ...part,
});
const rule = { freq: "WEEKLY", interval: 1, count: 4, until: null, byMonth: [], byMonthDay: [], byDay: [], wkst: "MO" };

describe("a plan", () => {
  it("is taken when it is right, numbers from a form's text and blanks around words included", () => {
    expect(planInput.parse(plan({ title: "  Tides ", houseSize: "250", durationMinutes: "90" }))).toMatchObject({
      title: "Tides",
      houseSize: 250,
      durationMinutes: 90,
    });
    expect(faults(planInput, plan({ shape: "series", rule }))).toEqual([]);
    expect(faults(planInput, plan({ isPrivate: true, accessCode: "low-tide-7" }))).toEqual([]);
  });

  it.each([
    ["no title", { title: "   " }, "title"],
    ["a title without end", { title: "x".repeat(201) }, "title"],
    ["a day that is none", { startLocal: "2026-02-30T18:00" }, "startLocal"],
    ["an hour that is none", { startLocal: "2026-11-26T24:00" }, "startLocal"],
    ["a zone of nowhere", { zone: "Mars/Olympus" }, "zone"],
    ["four minutes", { durationMinutes: 4 }, "durationMinutes"],
    ["more than a day", { durationMinutes: 1441 }, "durationMinutes"],
    ["half a minute", { durationMinutes: 30.5 }, "durationMinutes"],
    ["no seats", { houseSize: 0 }, "houseSize"],
    ["words for a number", { houseSize: "many" }, "houseSize"],
    ["a private event without a code", { isPrivate: true, accessCode: null }, "accessCode"],
    ["a series without a rule", { shape: "series" }, "rule"],
    ["a language that is no tag", { interpretationInto: ["Spanish please"] }, "interpretationInto.0"],
    ["a domain that is none", { approvedDomains: ["@example"] }, "approvedDomains.0"],
    [
      "too many questions",
      {
        formFields: Array.from({ length: 21 }, (_, i) => ({
          id: `f${i}`,
          label: "q",
          kind: "short",
          isRequired: false,
          options: [],
        })),
      },
      "formFields",
    ],
    [
      "a question without words",
      { formFields: [{ id: "f", label: " ", kind: "short", isRequired: false, options: [] }] },
      "formFields.0.label",
    ],
  ])("is refused for %s, at its field", (_name, part, path) => expect(faults(planInput, plan(part))).toEqual([path]));

  it("says what is wrong in words, never in the library's own", () => {
    for (const part of [{ title: "" }, { startLocal: "x" }, { zone: "x" }, { houseSize: 0 }, { durationMinutes: 1 }])
      for (const message of messages(planInput, plan(part))) expect(message).toMatch(/^[A-Z].*\.$/);
  });
});

describe("people's own words", () => {
  const person = {
    name: "Ines Marl",
    email: " Ines@Example.ORG ",
    zone: null,
    hasConsented: true,
    source: null,
    answers: {},
  };
  it("take addresses in any case, and names in any script, without controls", () => {
    expect(registrationInput.parse({ ...person, name: "  ليلى النورس\u0007 " })).toMatchObject({
      email: "ines@example.org",
      name: expect.stringMatching(/^ليلى النورس\s*$/),
    });
    expect(registrationInput.parse({ ...person, name: "Ines\r\nBcc: all@example.org" }).name).toBe(
      "Ines Bcc: all@example.org",
    );
  });
  it("are refused without consent, name or a real address", () => {
    expect(faults(registrationInput, { ...person, hasConsented: false, name: " ", email: "ines@" })).toEqual([
      "email",
      "hasConsented",
      "name",
    ]);
    expect(faults(openEntryInput, { name: "", hasConsented: true })).toEqual(["name"]);
    for (const email of [
      "",
      "a",
      "a@b",
      "a b@example.org",
      "a@example.org, b@example.org",
      "a@example.org\nBcc: c@example.org",
      `${"x".repeat(250)}@example.org`,
    ])
      expect([email, faults(registrationInput, { ...person, email })]).toEqual([email, ["email"]]);
  });
  it("of the stage: an interpreter has a pair", () => {
    const one = { name: "Wenna", email: "w@example.org", role: "interpreter", duties: [], languages: ["en", "pt-BR"] };
    expect(faults(stagePersonInput, one)).toEqual([]);
    expect(faults(stagePersonInput, { ...one, languages: null })).toEqual(["languages"]);
    expect(faults(stagePersonInput, { ...one, role: "crew", duties: ["everything"], languages: null })).toEqual([
      "duties.0",
    ]);
  });
});

describe("mailings", () => {
  const mailing = {
    kind: "invitation",
    subject: "Come",
    doc: [{ type: "join-details" }],
    audience: nobody,
    senderName: "",
    replyTo: "",
    afterMinutes: null,
  };
  it("have one line for a subject and a sender, whatever is pasted", () => {
    expect(
      mailingInput.parse({ ...mailing, subject: "Come\r\nBcc: all@example.org", senderName: "Trust\n" }),
    ).toMatchObject({ subject: "Come Bcc: all@example.org", senderName: "Trust" });
    expect(faults(mailingInput, { ...mailing, subject: "\n" })).toEqual(["subject"]);
  });
  it("link by the web or by mail alone", () => {
    const doc = (href: string) => [{ type: "paragraph", words: [{ type: "text", text: "x", href }] }];
    for (const href of ["https://example.org", "http://example.org/a?b#c", "mailto:a@example.org"])
      expect(faults(mailingInput, { ...mailing, doc: doc(href) })).toEqual([]);
    for (const href of [
      "javascript:alert(1)",
      " javascript:alert(1)",
      "data:text/html,x",
      "//example.org",
      "file:///etc/passwd",
      "/enter/x",
    ])
      expect([href, faults(mailingInput, { ...mailing, doc: doc(href) })]).toEqual([href, ["doc.0.words.0.href"]]);
  });
  it("know their pieces and bounds", () => {
    expect(faults(mailingInput, { ...mailing, doc: [] })).toEqual(["doc"]);
    expect(faults(mailingInput, { ...mailing, doc: [{ type: "script" }] })).toEqual(["doc.0.type"]);
    expect(
      faults(mailingInput, { ...mailing, doc: [{ type: "paragraph", words: [{ type: "field", field: "password" }] }] }),
    ).toEqual(["doc.0.words.0.field"]);
    expect(faults(mailingInput, { ...mailing, kind: "confirmation" })).toEqual(["kind"]);
    expect(faults(audienceInput, { ...nobody, pasted: "x".repeat(500_001) })).toEqual(["pasted"]);
    expect([
      faults(reminderOffsetsInput, [1440, 20]),
      faults(reminderOffsetsInput, [4]),
      faults(reminderOffsetsInput, Array(9).fill(60)),
    ]).toEqual([[], ["0"], [""]]);
  });
  it("boards are called at web addresses alone", () => {
    expect(boardInput.parse({ name: " Field course ", hookUrl: "" })).toEqual({ name: "Field course", hookUrl: null });
    for (const hookUrl of ["ftp://example.org", "example.org", "https://exa mple.org"])
      expect(faults(boardInput, { name: "x", hookUrl })).toEqual(["hookUrl"]);
  });
});

describe("the house, its front and its hours", () => {
  it("rules: an earliest before a latest start, real clocks, domains and numbers", () => {
    expect(faults(houseRulesInput, standardRules)).toEqual([]);
    expect(faults(houseRulesInput, { ...standardRules, earliestStart: "20:00", latestStart: "08:00" })).toEqual([
      "latestStart",
    ]);
    expect(faults(houseRulesInput, { ...standardRules, earliestStart: "07:5" })).toEqual(["earliestStart"]);
    expect(faults(houseRulesInput, { ...standardRules, phoneNumbers: [{ country: "X", number: "12" }] })).toEqual([
      "phoneNumbers.0.number",
    ]);
    expect(
      faults(licencesInput, [
        { size: 100, count: 4 },
        { size: 100, count: 1 },
      ]),
    ).toEqual([""]);
  });
  it("the look: a colour as six digits", () => {
    const door = {
      look: { colour: "#0E5A5A", bannerId: null, logoId: null },
      agendaShown: true,
      formFields: [],
      stage: [],
    };
    expect(faults(frontDoorInput, door)).toEqual([]);
    for (const colour of ["red", "#fff", "#12345G", "url(x)", "#0E5A5A;background:red"])
      expect(faults(frontDoorInput, { ...door, look: { ...door.look, colour } })).toEqual(["look.colour"]);
  });
  it("slots: the last hour after the first", () => {
    const slots = {
      title: "Tech check",
      startLocal: "2026-11-27T14:00",
      untilClock: "17:00",
      zone: "Europe/Lisbon",
      lengthMinutes: 20,
      pauseMinutes: 5,
      capacity: 1,
      rule: null,
      forEventId: null,
    };
    expect(faults(slotPlanInput, slots)).toEqual([]);
    expect(faults(slotPlanInput, { ...slots, untilClock: "14:00" })).toEqual(["untilClock"]);
    expect(faults(slotPlanInput, { ...slots, capacity: 0, lengthMinutes: 4 })).toEqual(["capacity", "lengthMinutes"]);
    expect([
      faults(bookingInput, { startAt: "1795791600000" }),
      faults(bookingInput, { startAt: "soon" }),
      faults(bookingInput, {}),
    ]).toEqual([[], ["startAt"], ["startAt"]]);
  });
});
