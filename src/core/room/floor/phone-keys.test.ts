import { describe, expect, it } from "vitest";
import type { RoomState } from "..";
import { commandsOfKey, keysFor, phoneKeys } from ".";
import { asAttendee, open, play, refusal, type Act, type Acted } from "../test-room";

const guest = { ticketId: "a1", isOfTheStage: false };
const speaker = { ticketId: "t1", isOfTheStage: true };
const panelist: Act = { by: "t1", scene: { actor: { role: "panelist", duties: [] } } };
const keys = (room: RoomState, mayRaise = true) => keysFor(room, guest, mayRaise);
const up: Acted = [{ type: "floor.raise-hand" }, asAttendee("a1")];
const offered: Acted = [{ type: "floor.offer", ticketId: "a1", parts: ["sound"] }];
const accepted: Acted = [{ type: "floor.accept" }, asAttendee("a1")];
const everyone: Acted = [{ type: "floor.let-everyone-speak" }];

describe("the keys of a telephone", () => {
  it("raise a hand and lower it, where hands can be raised", () => {
    expect(keys(open)).toEqual({ "5": "raise-hand" });
    expect(keys(open, false)).toEqual({});
    expect(keys(play(open, up))).toEqual({ "5": "lower-hand" });
    // a hand that is up goes down also after the switch was turned off
    expect(keys(play(open, up), false)).toEqual({ "5": "lower-hand" });
  });
  it("open the microphone of whoever was offered the floor, close it, and give the floor back", () => {
    expect(keys(play(open, offered))).toEqual({ "6": "open-microphone", "9": "give-back" });
    const speaks = play(open, offered, accepted, [{ type: "floor.set-microphone", isOpen: true }, asAttendee("a1")]);
    expect(keys(speaks)).toEqual({ "6": "close-microphone", "9": "give-back" });
  });
  it("open it while everyone may speak; nobody gives back what is everybody's", () => {
    expect(keys(play(open, everyone))).toEqual({ "5": "raise-hand", "6": "open-microphone" });
    const speaks = play(open, everyone, [{ type: "floor.set-microphone", isOpen: true }, asAttendee("a1")]);
    expect(keys(speaks)).toEqual({ "6": "close-microphone" });
  });
  it("open and close the microphone of somebody of the stage, and nothing else", () => {
    const there = play(open, [{ type: "stage.enter" }, panelist]);
    expect(keysFor(there, speaker, true)).toEqual({ "6": "open-microphone" });
    const heard = play(there, [{ type: "stage.set-microphone", isOpen: true }, panelist]);
    expect(keysFor(heard, speaker, true)).toEqual({ "6": "close-microphone" });
  });
  it("stand for acts that the room takes, in every state in which they are offered", () => {
    const rooms = [open, play(open, up), play(open, offered), play(open, offered, accepted), play(open, everyone)];
    for (const room of rooms) {
      for (const key of phoneKeys) {
        const act = keys(room)[key];
        if (!act) continue;
        let now = room;
        for (const command of commandsOfKey(room, guest, act)) {
          expect([key, act, refusal(now, command, asAttendee("a1"))]).toEqual([key, act, "done"]);
          now = play(now, [command, asAttendee("a1")]);
        }
      }
    }
  });
});
