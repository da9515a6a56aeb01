import { describe, expect, it } from "vitest";
import { defaultSwitches, duties, roles, type Switches } from "@/core/people";
import { emptyRoom, places, switchesNow, topicsOf, type Standing } from "@/core/room";
import { KnownTopics } from "./known-topics";

const chats = ["nobody", "desk", "stage", "all"] as const;
const everyStanding: readonly Standing[] = roles.flatMap((role) =>
  places.flatMap((place) =>
    [false, true].flatMap((isAtDesk) =>
      [[], [...duties]].map((held): Standing => ({ ticketId: "t", role, place, isAtDesk, duties: held })),
    ),
  ),
);
const plain = (standing: Standing, turned: Partial<Switches>, event: Switches): readonly string[] => {
  const { views, logs, whispers } = topicsOf(standing, switchesNow({ ...emptyRoom.hour, turned }, event));
  return [...views, ...logs, ...whispers];
};

describe("which feeds somebody follows, looked up", () => {
  it("is what the pure function says, for every standing, whatever was asked before and whatever is turned", () => {
    const known = new KnownTopics();
    for (const to of chats) {
      for (const isTurned of [false, true]) {
        const chat = { ...defaultSwitches.chat, to };
        const event = isTurned ? defaultSwitches : { ...defaultSwitches, chat };
        const turned: Partial<Switches> = isTurned ? { chat } : {};
        const hour = { ...emptyRoom.hour, turned };
        for (const standing of everyStanding) {
          const feeds = known.of(standing, hour, event);
          expect(feeds.topics).toEqual(plain(standing, turned, event));
          // a whole house asks the same: one list for all
          expect(known.of({ ...standing, ticketId: "another" }, hour, event)).toBe(feeds);
        }
      }
    }
  });
});
