import { describe, expect, it } from "vitest";
import type { Standing } from "@/core/room";
import { Bundles, greetingOf } from "./bundle";
import { Follower } from "./follower";
import { followText, framed, messageText } from "./frame";
import type { FollowedFeeds } from "./known-topics";

const standing: Standing = { ticketId: "a1", role: "attendee", duties: [], place: "house", isAtDesk: false };
const wire = { writableLength: 0, write: () => true, begin: () => {}, end: () => {} };
const follower = (id: string) => new Follower(id, "a1", false, standing, wire, () => {});
const feeds = (...topics: string[]): FollowedFeeds => ({
  topics,
  key: topics.join(" "),
  json: JSON.stringify(topics),
});
const [house, foyer] = [feeds("hour:house", "chat:house"), feeds("hour:foyer")];
const keysOf = (bundles: Bundles): [string, number][] =>
  bundles.largestFirst().map(({ feeds: { key }, followers }) => [key, followers.size]);

describe("streams by what they follow", () => {
  it("share a bundle where it is the same, however the list was made", () => {
    const bundles = new Bundles();
    const own = bundles.put(follower("c1"), house);
    expect(bundles.put(follower("c2"), feeds("hour:house", "chat:house"))).toBe(own);
    expect(bundles.put(follower("c3"), foyer)).not.toBe(own);
    expect(keysOf(bundles)).toEqual([
      [house.key, 2],
      [foyer.key, 1],
    ]);
  });
  it("come the largest first, however they began", () => {
    const bundles = new Bundles();
    bundles.put(follower("c1"), foyer);
    for (const id of ["c2", "c3"]) bundles.put(follower(id), house);
    expect(keysOf(bundles).map(([key]) => key)).toEqual([house.key, foyer.key]);
  });
  it("stand in one bundle each: whoever moves leaves the other, and one without streams is gone", () => {
    const bundles = new Bundles();
    const [one, two] = [follower("c1"), follower("c2")];
    for (const each of [one, two]) bundles.put(each, foyer);
    expect([bundles.has(one, foyer), bundles.has(one, house)]).toEqual([true, false]);
    bundles.put(one, house);
    expect([bundles.has(one, foyer), bundles.has(one, house)]).toEqual([false, true]);
    bundles.put(two, house);
    expect(keysOf(bundles)).toEqual([[house.key, 2]]);
    bundles.remove(one);
    bundles.remove(one);
    bundles.remove(two);
    expect(keysOf(bundles)).toEqual([]);
  });
  it("of a stranger is none: nothing happens where it leaves", () => {
    const bundles = new Bundles();
    bundles.put(follower("c1"), house);
    bundles.remove(follower("c2"));
    expect(keysOf(bundles)).toEqual([[house.key, 1]]);
  });
});

describe("what newcomers begin with", () => {
  const long = "x".repeat(3000);
  it("is made once while nothing of it changes, and anew as soon as something does", () => {
    const bundle = new Bundles().put(follower("c1"), house);
    const first = greetingOf(bundle, [long, "b"]);
    expect(first).toEqual(framed(`${long}b`));
    expect(greetingOf(bundle, [long, "b"])).toBe(first);
    const next = greetingOf(bundle, [long, "c"]);
    expect(next).toEqual(framed(`${long}c`));
    expect(greetingOf(bundle, [long, "b"])).toEqual(first);
  });
  it("is not worth keeping where it is short, and empty where there is nothing", () => {
    const bundle = new Bundles().put(follower("c1"), house);
    expect(greetingOf(bundle, ["a", "b"])).not.toBe(greetingOf(bundle, ["a", "b"]));
    expect(greetingOf(bundle, ["", ""])).toHaveLength(0);
  });
  it("names the feeds as the message of its kind does", () => {
    const message = { topics: house.topics, now: 1_790_000_000_000, connectionId: "c-1" };
    expect(followText(house.json, message.now, message.connectionId)).toBe(messageText("follow", message));
  });
});
