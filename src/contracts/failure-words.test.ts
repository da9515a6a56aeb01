import { describe, expect, it } from "vitest";
import { Refusal, type Failure, type FailureCode, type FileFault } from "@/core/shared";
import { httpStatusOf, wordsOf } from ".";

const clash = { title: "Tides", startLocal: "2026-11-26T18:00", zone: "Europe/Lisbon" };
/** One of each kind; a kind without an example here is a type error. */
const examples: Readonly<{ [Code in FailureCode]: Extract<Failure, { code: Code }> }> = {
  "invalid-input": { code: "invalid-input", issues: [{ path: "title", code: "title-needed", facts: {} }] },
  "not-signed-in": { code: "not-signed-in" },
  "not-allowed": { code: "not-allowed", action: "event.plan" },
  "not-found": { code: "not-found", what: "event" },
  "wrong-origin": { code: "wrong-origin" },
  "too-many-tries": { code: "too-many-tries", retryAfterSeconds: 61 },
  "edited-meanwhile": { code: "edited-meanwhile", currentVersion: 4 },
  "wrong-state": { code: "wrong-state", action: "hour.open-doors", state: "not-held" },
  "already-done": { code: "already-done", action: "hour.open-doors" },
  overtaken: { code: "overtaken" },
  "cue-moved": { code: "cue-moved", currentSegmentId: null },
  "segment-gone": { code: "segment-gone" },
  "page-turned": { code: "page-turned", page: 4 },
  "too-many-boards": { code: "too-many-boards", most: 20 },
  "board-full": { code: "board-full" },
  "not-a-board": { code: "not-a-board" },
  "curtain-moved": { code: "curtain-moved" },
  "too-early": { code: "too-early", callAt: 0 },
  barred: { code: "barred" },
  "not-inside": { code: "not-inside" },
  "too-many-streams": { code: "too-many-streams" },
  "too-fast": { code: "too-fast", retryAfterMs: 1500 },
  "too-large": { code: "too-large", limitBytes: 16_384 },
  "poll-not-open": { code: "poll-not-open" },
  "no-such-option": { code: "no-such-option" },
  "answer-incomplete": { code: "answer-incomplete" },
  "vote-locked": { code: "vote-locked" },
  "comments-full": { code: "comments-full", most: 30 },
  "poll-was-open": { code: "poll-was-open" },
  "switched-off": { code: "switched-off", what: "polls" },
  "date-fixed": { code: "date-fixed", startLocal: "2026-11-26T18:00", phase: "scheduled" },
  "house-full": { code: "house-full" },
  "screens-full": { code: "screens-full", most: 2 },
  "floor-full": { code: "floor-full", most: 3 },
  "channel-taken": { code: "channel-taken" },
  "consent-missing": { code: "consent-missing", people: 2 },
  "recording-not-ready": { code: "recording-not-ready" },
  "disk-full": { code: "disk-full" },
  "screening-planned": { code: "screening-planned" },
  "no-lease": { code: "no-lease" },
  "not-media": { code: "not-media" },
  "no-allotment": { code: "no-allotment", why: "impossible", people: [], most: 0 },
  "sides-not-open": { code: "sides-not-open" },
  "sides-open": { code: "sides-open" },
  "seats-clash": { code: "seats-clash", clashing: [clash], earlier: "2026-11-26T12:00", later: null },
  "no-licence-so-large": { code: "no-licence-so-large", houseSize: 900, largest: 500 },
  "licences-in-use": { code: "licences-in-use", dates: [clash] },
  "limit-broken": { code: "limit-broken", limit: "length", wanted: 400, most: 240 },
  busy: { code: "busy", retryAfterMs: 2000 },
  "not-welcome": { code: "not-welcome", domains: ["example.org"] },
  "nothing-to-undo": { code: "nothing-to-undo" },
  "bad-calendar": { code: "bad-calendar", reason: "unreadable" },
  "bad-rule": { code: "bad-rule", reason: "interval" },
  "rule-part-unknown": { code: "rule-part-unknown", part: "BYSETPOS" },
  "no-dates": { code: "no-dates" },
  "too-many-dates": { code: "too-many-dates", most: 366 },
  "merge-refused": { code: "merge-refused", why: "on-stage-at-once" },
  "no-credit": { code: "no-credit" },
  "no-record-store": { code: "no-record-store" },
  "survey-closed": { code: "survey-closed" },
  "answered-elsewhere": { code: "answered-elsewhere" },
  "date-past": { code: "date-past" },
  "last-owner": { code: "last-owner" },
  "invitation-over": { code: "invitation-over" },
  "address-taken": { code: "address-taken" },
  "join-block-missing": { code: "join-block-missing" },
  "unknown-merge-field": { code: "unknown-merge-field", field: "nome", line: 3, column: 7 },
  "bad-file": { code: "bad-file", reason: "bad-time", line: 12, column: "in" },
  "file-too-large": { code: "file-too-large", limitBytes: 5_000_000 },
  "too-many-rows": { code: "too-many-rows", most: 20_000 },
  "store-full": { code: "store-full", limitBytes: 200_000_000_000 },
  "upload-cut": { code: "upload-cut", expectedBytes: 10, receivedBytes: 4 },
  "storage-failed": { code: "storage-failed" },
  "too-heavy": { code: "too-heavy", budgetMs: 10_000 },
  unavailable: { code: "unavailable" },
};
const codes = Object.keys(examples) as FailureCode[];

describe("words and statuses of refusals", () => {
  it.each(codes)("%s has a sentence of its own and a status", (code) => {
    const words = wordsOf(examples[code]);
    expect(words).toMatch(/^[“A-Z{\d].*\.$/s);
    expect(words).not.toMatch(/undefined|NaN|null|\[object|!|sorry|oops/i);
    expect(httpStatusOf[code]).toBeGreaterThanOrEqual(400);
  });

  it("are told apart by the reader", () => {
    expect(new Set(codes.map((code) => wordsOf(examples[code]))).size).toBe(codes.length);
    expect(Object.keys(httpStatusOf).sort()).toEqual([...codes].sort());
  });

  it("carry the facts: what is in the way, where in the file, how long to wait", () => {
    expect(wordsOf(examples["seats-clash"])).toContain("“Tides”, Thu 26 Nov 2026, 18:00 (Lisbon)");
    expect(wordsOf(examples["seats-clash"])).toContain("earlier: Thu 26 Nov 2026, 12:00");
    expect(wordsOf({ ...examples["seats-clash"], earlier: null })).toContain("No start within two weeks fits.");
    expect(wordsOf(examples["too-many-tries"])).toContain("2 min");
    expect(wordsOf(examples["unknown-merge-field"])).toContain("{{nome}}");
    expect(wordsOf(examples["unknown-merge-field"])).toContain("line 3, column 7");
    expect(wordsOf(examples["bad-file"])).toContain("(line 12)");
    expect(wordsOf(examples["too-many-rows"])).toContain("20000 rows");
    expect(wordsOf(examples["store-full"])).toContain("200 GB");
    expect(wordsOf(examples["wrong-state"])).toContain("not held");
    expect(wordsOf({ code: "date-fixed", startLocal: "2026-11-26T18:00", phase: "cancelled" })).toContain("cancelled");
    expect(wordsOf({ code: "invalid-input", issues: [] })).toBe("Some fields need another look.");
  });

  it("has words for every fault of a file", () => {
    const faults: FileFault[] = [
      "not-a-table",
      "missing-column",
      "broken-quotes",
      "empty",
      "not-a-video",
      "bad-time",
      "out-before-in",
      "unknown-role",
      "not-text",
      "not-a-picture",
      "too-many-pixels",
    ];
    const words = faults.map((reason) => wordsOf({ code: "bad-file", reason }));
    expect(new Set(words).size).toBe(faults.length);
    for (const said of words) expect(said).toMatch(/Nothing was|choose|Save it/);
  });

  it("is one error class, with the code as its message and no value in it", () => {
    const refusal = new Refusal({ code: "address-taken" });
    expect([refusal.name, refusal.message, refusal instanceof Error]).toEqual(["Refusal", "address-taken", true]);
  });
});
