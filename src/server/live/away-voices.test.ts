import { describe, expect, it } from "vitest";
import { emptyRoom, foldAll, noFigures, type RoomFigures } from "@/core/room";
import { AwayVoices } from "./away-voices";

const at = Date.parse("2026-11-26T18:00:00Z");
const second = 1000;
const raised = foldAll(emptyRoom, [
  { seq: 1, at, actorId: "a1", body: { type: "floor.hand-raised", ticketId: "a1" } },
  { seq: 2, at, actorId: "a2", body: { type: "floor.hand-raised", ticketId: "a2" } },
]);
const here = (...ids: string[]): RoomFigures => ({
  ...noFigures,
  present: new Map(ids.map((id) => [id, "house" as const])),
});

describe("hands of people who left (rule 19)", () => {
  it("stay for a minute from their last sign, and go then", () => {
    const away = new AwayVoices();
    expect(away.overdue(raised, here("a1", "a2"), at)).toEqual([]);
    // found missing: the last sign was 25 s before
    expect(away.overdue(raised, here("a2"), at)).toEqual([]);
    expect(away.overdue(raised, here("a2"), at + 34 * second)).toEqual([]);
    expect(away.overdue(raised, here("a2"), at + 35 * second)).toEqual(["a1"]);
  });
  it("stay up where their owner came back in time; the minute begins anew with the next leaving", () => {
    const away = new AwayVoices();
    away.overdue(raised, here("a2"), at);
    expect(away.overdue(raised, here("a1", "a2"), at + 30 * second)).toEqual([]);
    expect(away.overdue(raised, here("a2"), at + 40 * second)).toEqual([]);
    expect(away.overdue(raised, here("a2"), at + 74 * second)).toEqual([]);
    expect(away.overdue(raised, here("a2"), at + 75 * second)).toEqual(["a1"]);
  });
  it("are shared screens, too: a place among two is not kept for somebody who is gone", () => {
    const away = new AwayVoices();
    const shared = foldAll(emptyRoom, [
      { seq: 1, at, actorId: "p1", body: { type: "stage.screen-begun", ticketId: "p1", overId: null } },
    ]);
    expect(away.overdue(shared, here(), at)).toEqual([]);
    expect(away.overdue(shared, here(), at + 35 * second)).toEqual(["p1"]);
  });
  it("are interpreters' channels, too: nobody waits for a microphone whose line is gone", () => {
    const away = new AwayVoices();
    const spoken = foldAll(emptyRoom, [
      { seq: 1, at, actorId: "i1", body: { type: "channels.spoken", language: "es", ticketId: "i1" } },
    ]);
    expect(away.overdue(spoken, here("i1"), at)).toEqual([]);
    expect(away.overdue(spoken, here(), at)).toEqual([]);
    expect(away.overdue(spoken, here(), at + 35 * second)).toEqual(["i1"]);
  });
  it("are those of whoever has the floor, too: a microphone that nobody sits at keeps none", () => {
    const away = new AwayVoices();
    const given = foldAll(emptyRoom, [
      { seq: 1, at, actorId: "p", body: { type: "floor.offered", ticketId: "a1", parts: ["sound"] } },
    ]);
    expect(away.overdue(given, here(), at)).toEqual([]);
    expect(away.overdue(given, here(), at + 35 * second)).toEqual(["a1"]);
  });
  it("that are down already are nobody's matter any more", () => {
    const away = new AwayVoices();
    away.overdue(raised, here(), at);
    expect(away.overdue(emptyRoom, here(), at + 90 * second)).toEqual([]);
  });
});
