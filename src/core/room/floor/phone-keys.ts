import type { RoomCommand } from "../commands";
import type { StageState } from "../stage/state";
import type { FloorState } from "./state";

/** The keys of a telephone that mean something in the hour: a hand, the microphone, the floor given back. */
export const phoneKeys = ["5", "6", "9"] as const;
export type PhoneKey = (typeof phoneKeys)[number];
export const keyActs = ["raise-hand", "lower-hand", "open-microphone", "close-microphone", "give-back"] as const;
export type KeyAct = (typeof keyActs)[number];
export type KeyActs = Readonly<Partial<Record<PhoneKey, KeyAct>>>;

interface Caller {
  readonly ticketId: string;
  readonly isOfTheStage: boolean;
}
interface Heard {
  readonly stage: StageState;
  readonly floor: FloorState;
}

/** What each key does for a caller just now; one that does nothing is not named. @param mayRaise hands can be raised */
export function keysFor({ stage, floor }: Heard, { ticketId, isOfTheStage }: Caller, mayRaise: boolean): KeyActs {
  if (isOfTheStage)
    return { "6": stage.people.get(ticketId)?.isMicrophoneOpen ? "close-microphone" : "open-microphone" };
  const holder = floor.holders.get(ticketId);
  if (holder)
    return {
      "6": holder.isMicrophoneOpen ? "close-microphone" : "open-microphone",
      ...(!holder.isOfEveryone && { "9": "give-back" }),
    };
  const hand: KeyActs = floor.hands.has(ticketId) ? { "5": "lower-hand" } : mayRaise ? { "5": "raise-hand" } : {};
  return { ...hand, ...(floor.everyoneSince !== null && { "6": "open-microphone" }) };
}

/** The acts in the room that such a key stands for: as from any other device. */
export function commandsOfKey(
  { floor }: Heard,
  { ticketId, isOfTheStage }: Caller,
  act: KeyAct,
): readonly RoomCommand[] {
  switch (act) {
    case "raise-hand":
      return [{ type: "floor.raise-hand" }];
    case "lower-hand":
      return [{ type: "floor.lower-hand" }];
    case "give-back":
      return [{ type: "floor.give-back" }];
    default: {
      const isOpen = act === "open-microphone";
      if (isOfTheStage) return [{ type: "stage.set-microphone", isOpen }];
      const isOffered = floor.holders.get(ticketId)?.acceptedAt === null;
      return [...(isOffered ? [{ type: "floor.accept" } as const] : []), { type: "floor.set-microphone", isOpen }];
    }
  }
}
