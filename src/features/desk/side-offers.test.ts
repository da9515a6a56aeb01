import { describe, expect, it } from "vitest";
import { sayEnglish as say } from "@/contracts/say";
import { channelOffers, sideOffers } from "./side-offers";

const sides = (opensAt: number | null, closesAt: number | null = null) => ({
  it: { opensAt, closesAt, isChoice: false, message: null },
});
const sideRooms = {
  1: { name: "Knots", size: 2, here: 2, visitors: [], help: null },
  2: { name: "Curlews", size: 2, here: 2, visitors: [], help: { byId: "b", name: "Bea", at: 1 } },
};
const may = () => true;
const words = (given: ReturnType<typeof sides> | Record<string, never>, now: number) =>
  sideOffers({ view: { sides: given, sideRooms }, may, now, say }).map((one) => one.words);

describe("side rooms by the command line", () => {
  it("are opened before, visited and called back while they are open, nothing in between", () => {
    expect(words({}, 0)).toEqual([]);
    expect(words(sides(null), 0)).toEqual(["Open the side rooms in ten seconds"]);
    expect(words(sides(10), 5)).toEqual([]);
    expect(words(sides(10), 10)).toEqual([
      "Call everybody back from the side rooms in a minute",
      "Bring everybody back from the side rooms at once",
      "Side room Knots: look in",
      "Side room Curlews: look in (asks for help)",
    ]);
    expect(words(sides(10, 20), 20)).toEqual(["Open the side rooms in ten seconds"]);
  });
  it("whoever may not open them looks in on them all the same", () => {
    const mine = sideOffers({ view: { sides: sides(10), sideRooms }, may: () => false, now: 10, say });
    expect(mine.map((one) => one.command.type)).toEqual(["sideRooms.visit", "sideRooms.visit"]);
  });
});

describe("interpreters by the command line", () => {
  it("are closed by their name and language", () => {
    const channel = { position: 0, speakerId: null, since: 0, handOver: null, listeners: 0 };
    const view = {
      channels: { es: { ...channel, speaker: "Livia Aranda" }, fr: { ...channel, speaker: null } },
    };
    expect(channelOffers({ view, may, say }).map((one) => one.words)).toEqual([
      "Livia Aranda: close the interpreter’s microphone (Spanish)",
    ]);
    expect(channelOffers({ view, may: () => false, say })).toEqual([]);
  });
});
