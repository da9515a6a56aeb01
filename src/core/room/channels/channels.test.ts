import { describe, expect, it } from "vitest";
import type { Actor } from "../../people";
import { channelLanguages, emptyRoom, noFigures, ownOf, project, type RoomDirectory } from "../index";
import { asAttendee, at, open, play, refusal, words, type Act } from "../test-room";

const interpreter: Actor = { role: "interpreter", duties: [] };
const interpreting = {
  into: ["es", "fr"],
  pairs: new Map([
    ["ana", ["en", "es"]],
    ["bo", ["en", "es"]],
    ["cy", ["es", "fr"]],
  ]),
};
const as = (by: string, more: Partial<Act> = {}): Act => ({ by, scene: { actor: interpreter, interpreting }, ...more });
const attendee = (by: string): Act => ({ by, scene: { ...asAttendee(by).scene, interpreting } });
const speak = (language: string) => ({ type: "channels.open-microphone", language }) as const;
const takeOver = { type: "channels.take-over", language: "es", inSeconds: 30 } as const;
const agree = { type: "channels.agree", language: "es" } as const;
const speaks = play(open, [speak("es"), as("ana")]);

const people = new Map(words.people);
for (const [id, pair] of interpreting.pairs)
  people.set(id, { ticketId: id, name: id, role: "interpreter", duties: [], pair });
const directory: RoomDirectory = { ...words, people, event: { ...words.event, interpretedInto: ["es", "fr"] } };
const seen = (topic: string, room: typeof open) => project(topic, room, directory, noFigures) as { channels: unknown };

describe("channels of a date", () => {
  it("are the planned languages, then what else its interpreters interpret into", () => {
    expect(channelLanguages({ into: ["fr"], pairs: interpreting.pairs })).toEqual(["fr", "es"]);
    expect(channelLanguages({ into: [], pairs: new Map() })).toEqual([]);
  });
});

describe("speaking on a channel (rule 16)", () => {
  it("is for interpreters whose pair has the language, one at a time", () => {
    expect(speaks.channels.channels.get("es")?.speakerId).toBe("ana");
    expect(refusal(open, speak("fr"), as("ana"))).toBe("not-found");
    expect(refusal(open, speak("pt"), as("ana"))).toBe("not-found");
    expect(refusal(open, speak("es"), { scene: { interpreting } })).toBe("not-allowed");
    expect(refusal(speaks, speak("es"), as("ana"))).toBe("already-done");
    expect(refusal(speaks, speak("es"), as("bo"))).toBe("channel-taken");
  });
  it("moves with an interpreter who changes channel: one microphone a person", () => {
    const moved = play(open, [speak("es"), as("cy")], [speak("fr"), as("cy")]);
    expect(moved.channels.channels.get("es")?.speakerId).toBeNull();
    expect(moved.channels.channels.get("fr")?.speakerId).toBe("cy");
  });
  it("ends by the interpreter, by the desk, when somebody is shown out, and with the date", () => {
    const silent = (room: typeof open) => room.channels.channels.get("es")?.speakerId ?? null;
    expect(silent(play(speaks, [{ type: "channels.close-microphone" }, as("ana")]))).toBeNull();
    expect(silent(play(speaks, [{ type: "channels.close", language: "es" }]))).toBeNull();
    expect(silent(play(speaks, [{ type: "hour.end" }]))).toBeNull();
    expect(refusal(open, { type: "channels.close-microphone" }, as("ana"))).toBe("already-done");
    expect(refusal(open, { type: "channels.close", language: "es" })).toBe("already-done");
  });
});

describe("handing over", () => {
  const asked = play(speaks, [takeOver, as("bo")]);
  const agreed = play(asked, [agree, as("ana")]);
  it("is said by whoever takes it, agreed by whoever speaks, and done when its time has come", () => {
    expect(refusal(agreed, speak("es"), as("bo", { at: at + 10_000 }))).toBe("channel-taken");
    const taken = play(agreed, [speak("es"), as("bo", { at: at + 30_000 })]);
    expect(taken.channels.channels.get("es")).toEqual({ speakerId: "bo", since: at + 30_000, handOver: null });
  });
  it("waits where nobody agreed, and goes on as before once it is called off by either", () => {
    expect(refusal(asked, speak("es"), as("bo", { at: at + 60_000 }))).toBe("channel-taken");
    for (const by of ["ana", "bo"]) {
      const off = play(asked, [{ type: "channels.call-off", language: "es" }, as(by)]);
      expect(off.channels.channels.get("es")).toMatchObject({ speakerId: "ana", handOver: null });
    }
    expect(refusal(asked, { type: "channels.call-off", language: "es" }, as("cy"))).toBe("already-done");
  });
  it("cannot be agreed by another, asked twice, or asked where nobody speaks", () => {
    expect(refusal(asked, agree, as("bo"))).toBe("not-found");
    expect(refusal(asked, takeOver, as("cy", {}))).toBe("already-done");
    expect(refusal(open, takeOver, as("bo"))).toBe("already-done");
    expect(refusal(agreed, agree, as("ana"))).toBe("already-done");
  });
});

describe("relay and listening", () => {
  it("an interpreter works from another's channel, never from their own", () => {
    const relayed = play(speaks, [{ type: "channels.work-from", language: "es" }, as("cy")]);
    expect(relayed.channels.relays.get("cy")).toBe("es");
    expect(refusal(speaks, { type: "channels.work-from", language: "es" }, as("ana"))).toBe("not-found");
    const back = play(relayed, [{ type: "channels.work-from", language: null }, as("cy")]);
    expect(back.channels.relays.has("cy")).toBe(false);
  });
  it("what a listener chose is theirs alone, and counted for the team", () => {
    const heard = play(speaks, [{ type: "channels.listen", language: "es" }, attendee("a1")]);
    expect(ownOf(heard, "a1")["channels"]).toEqual({ listensTo: "es" });
    expect(ownOf(heard, "a2")["channels"]).toEqual({ listensTo: null });
    expect(refusal(heard, { type: "channels.listen", language: "es" }, attendee("a1"))).toBe("already-done");
    expect(refusal(heard, { type: "channels.listen", language: "ja" }, attendee("a1"))).toBe("not-found");
    expect(seen("channels:team", heard).channels).toMatchObject({
      es: { speaker: "ana", listeners: 1 },
      fr: { speaker: null, listeners: 0 },
    });
    expect(seen("channels:house", heard).channels).toEqual({
      es: { speaker: "ana", floorBelowDb: 14 },
      fr: { speaker: null, floorBelowDb: 14 },
    });
  });
  it("the floor under an interpreter is set by the desk, within bounds", () => {
    const lower = (belowDb: number) => ({ type: "channels.lower-floor", belowDb }) as const;
    expect(play(open, [lower(20)]).channels.floorBelowDb).toBe(20);
    expect(emptyRoom.channels.floorBelowDb).toBe(14);
    for (const db of [14, -1, 41]) expect(refusal(open, lower(db))).toBe("already-done");
  });
});
