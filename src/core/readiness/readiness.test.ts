import { describe, expect, it } from "vitest";
import { hourMs, minuteMs } from "../time";
import { checks, readinessOf, type PlanFacts, type SegmentFacts, type StageFacts } from ".";

const startAt = Date.parse("2026-11-26T18:00:00Z");
const someone = (part: Partial<StageFacts>): StageFacts => ({
  name: "Ines Marl",
  role: "panelist",
  duties: [],
  wasInvited: true,
  reply: "coming",
  hasTechCheck: true,
  languages: null,
  zone: "Europe/Lisbon",
  isBusyThen: false,
  leadsSegments: 1,
  ...part,
});
const segment = (part: Partial<SegmentFacts>): SegmentFacts => ({
  id: "a",
  title: "A",
  lengthMinutes: 60,
  fixedStartAt: null,
  hasLeader: true,
  pollId: "v",
  ...part,
});
const good: PlanFacts = {
  now: startAt - 48 * hourMs,
  start: { local: "2026-11-26T18:00", zone: "Europe/Lisbon" },
  startAt,
  endAt: startAt + hourMs,
  callAt: startAt - 20 * minuteMs,
  hasDescription: true,
  isPrivate: false,
  accessCode: null,
  entryBy: "registration",
  registrationLimit: null,
  houseSize: 100,
  formFieldCount: 1,
  questionsOn: true,
  pollsOn: true,
  isScreening: false,
  isRecorded: false,
  consentText: "",
  interpretationInto: [],
  creditPoints: null,
  soundBy: "computer",
  picture: "cards",
  stagePeople: [
    someone({ role: "producer", name: "Marit", leadsSegments: 0 }),
    someone({ role: "crew", name: "Nuno", duties: ["doors-and-curtain", "questions"], leadsSegments: 0 }),
    someone({}),
  ],
  segments: [segment({})],
  polls: [{ id: "v", question: "Tide?", isReady: true }],
  parts: [],
  hasTestGuestWalkedIn: true,
  reminderOffsetsMinutes: [1440, 20],
  remindersSent: false,
  isPublished: true,
  invitationHasJoinBlock: true,
  mailsFailed: 0,
  pendingRegistrations: 0,
  openSeatRequests: 0,
  licenceSizes: [100, 500],
  licenceSize: 100,
  expected: { peak: 60, fullChance: 0.02 },
  seriesStarts: [],
  holiday: null,
  limits: { longestMinutes: 240, largestHouse: 1000, mostOnStage: 25, earliestStart: "08:00", latestStart: "21:30" },
  phoneNumberCount: 0,
};
const found = (part: Partial<PlanFacts>) => readinessOf({ ...good, ...part }).map((one) => one.check);
const [producer, crew, panelist] = good.stagePeople as [StageFacts, StageFacts, StageFacts];

/** Every check with a plan in which that alone is missing. A new check fails the last test until it is put in. */
const cases: readonly (readonly [check: string, part: Partial<PlanFacts>, also?: readonly string[]])[] = [
  ["access-code-weak", { isPrivate: true, accessCode: "aaaaaa" }],
  ["beyond-house-limits", { houseSize: 1001, licenceSizes: [], licenceSize: null }],
  ["credit-without-registration", { entryBy: "open-link", creditPoints: 2 }],
  ["doors-held-by-one", { stagePeople: [producer, { ...crew, duties: ["questions"] }, panelist] }],
  [
    "hard-time-broken",
    {
      segments: [
        segment({ lengthMinutes: 40 }),
        segment({ id: "b", lengthMinutes: 30, fixedStartAt: startAt + 30 * minuteMs }),
      ],
    },
  ],
  ["heavy-picture", { picture: "one-speaker-720" }],
  ["house-likely-full", { expected: { peak: 130, fullChance: 0.6 } }],
  [
    "interpretation-without-interpreter",
    {
      interpretationInto: ["es", "fr"],
      stagePeople: [
        producer,
        crew,
        panelist,
        someone({ role: "interpreter", languages: ["en", "es"], leadsSegments: 0 }),
      ],
    },
  ],
  ["join-block-missing", { invitationHasJoinBlock: false }],
  ["leader-not-coming", { stagePeople: [producer, crew, panelist, someone({ name: "Oskar", reply: "not-coming" })] }],
  ["licence-missing", { licenceSize: null }],
  ["licence-much-too-large", { licenceSize: 500, expected: { peak: 20, fullChance: 0 } }],
  ["limit-far-beyond-house", { registrationLimit: 400 }],
  ["long-form", { formFieldCount: 6 }],
  ["mails-failed", { mailsFailed: 3 }],
  ["no-description", { hasDescription: false }],
  ["no-panelist", { stagePeople: [producer, crew] }],
  ["no-test-guest", { hasTestGuestWalkedIn: false }],
  ["nobody-confirmed", { stagePeople: [producer, crew, { ...panelist, reply: "unsure" }] }],
  ["nobody-for-questions", { stagePeople: [producer, { ...crew, duties: ["doors-and-curtain"] }, panelist] }],
  ["not-published", { isPublished: false }],
  ["nothing-to-do", { questionsOn: false, pollsOn: false }],
  ["panelist-not-invited", { stagePeople: [producer, crew, panelist, someone({ wasInvited: false, reply: null })] }],
  [
    "part-outside-the-date",
    { parts: [{ title: "Late", startAt: startAt + 50 * minuteMs, endAt: startAt + 70 * minuteMs }] },
  ],
  ["people-to-approve", { pendingRegistrations: 4 }],
  ["phone-without-number", { soundBy: "both" }],
  ["poll-in-no-segment", { polls: [...good.polls, { id: "w", question: "Wind?", isReady: true }] }],
  ["poll-without-options", { polls: [{ id: "v", question: "Tide?", isReady: false }] }],
  ["public-holiday", { holiday: "Restoration of Independence" }],
  ["recording-without-consent", { isRecorded: true }],
  ["reminder-already-past", { now: startAt - 3 * hourMs }],
  [
    "replies-outstanding",
    { stagePeople: [producer, crew, panelist, someone({ name: "Oskar", reply: null, leadsSegments: 0 })] },
  ],
  ["run-sheet-empty", { segments: [] }],
  ["run-sheet-over-the-hour", { segments: [segment({ lengthMinutes: 61 })] }],
  ["run-sheet-short", { segments: [segment({ lengthMinutes: 50 })] }],
  ["seat-request-open", { openSeatRequests: 1 }],
  ["segment-without-leader", { segments: [segment({ hasLeader: false })] }],
  ["series-crosses-clock-change", { seriesStarts: ["2027-03-25T18:00", "2027-04-01T18:00"] }],
  ["stage-person-at-night", { stagePeople: [producer, crew, { ...panelist, zone: "Australia/Adelaide" }] }],
  ["stage-person-busy", { stagePeople: [producer, crew, { ...panelist, isBusyThen: true }] }],
  ["start-in-repeated-hour", { start: { local: "2027-10-31T01:30", zone: "Europe/Lisbon" } }, ["start-outside-hours"]],
  ["start-in-skipped-hour", { start: { local: "2027-03-28T01:30", zone: "Europe/Lisbon" } }, ["start-outside-hours"]],
  ["start-outside-hours", { start: { local: "2026-11-26T06:30", zone: "Europe/Lisbon" } }],
  ["tech-checks-open", { stagePeople: [producer, crew, { ...panelist, hasTechCheck: false }] }],
];

describe("readiness", () => {
  it("finds nothing missing in a good plan", () => expect(found({})).toEqual([]));
  it("has at least thirty checks", () => expect(checks.length).toBeGreaterThanOrEqual(30));
  it.each(cases.map(([check, part, also = []]) => [check, part, also] as const))("%s", (check, part, also) =>
    expect(found(part).sort()).toEqual([check, ...also].sort()),
  );

  it("shows each check in a case of its own", () => {
    const shown = new Set(cases.map(([check]) => check));
    // one check has two names: the hour that is skipped and the one that comes twice
    expect(shown.size - 1).toBe(checks.length);
  });

  it("puts what stops the show first, then what is due soonest", () => {
    expect(found({ isPublished: false, hasTestGuestWalkedIn: false, isPrivate: true, accessCode: "x" })).toEqual([
      "not-published",
      "access-code-weak",
      "no-test-guest",
    ]);
  });

  it("asks nothing of a stage, a run sheet or a recording where a recording is watched together", () => {
    const bare = { stagePeople: [producer, crew], segments: [], isRecorded: true, interpretationInto: ["es"] };
    expect(found(bare).length).toBeGreaterThan(3);
    expect(found({ ...bare, isScreening: true })).toEqual([]);
    // what its house needs is asked as of any date
    expect(found({ ...bare, isScreening: true, isPublished: false })).toEqual(["not-published"]);
  });

  it("says nothing of an expectation where nobody has registered, nor of licences where none is owned", () => {
    expect(found({ expected: null, licenceSizes: [], licenceSize: null })).toEqual([]);
  });
});
