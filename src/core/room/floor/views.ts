import type { Sight } from "../capability";
import { isCurtainUp } from "../hour/state";
import type { EveryoneItem, HandItem, HeardItem, HolderItem, OwnFloor } from "./items";
import { handsInOrder, type FloorState } from "./state";

type FloorSight = Sight<FloorState>;
const nameOf = ({ words }: FloorSight, id: string): string => words.people.get(id)?.name ?? "";
const everyone = ({ own }: FloorSight): Readonly<Record<string, EveryoneItem>> => ({
  it: { isOn: own.everyoneSince !== null },
});

/** Hands in their order, those who hold the floor apart from them. */
export function deskFloor(sight: FloorSight) {
  const { own } = sight;
  const hands: Record<string, HandItem> = {};
  for (const { id, raisedAt } of handsInOrder(own)) {
    if (!own.holders.has(id)) hands[id] = { name: nameOf(sight, id), raisedAt };
  }
  const floor: Record<string, HolderItem> = {};
  for (const [id, { parts, acceptedAt, isMicrophoneOpen, isOfEveryone, isOnStage }] of own.holders) {
    const hasAccepted = acceptedAt !== null;
    floor[id] = { name: nameOf(sight, id), parts, hasAccepted, isMicrophoneOpen, isOfEveryone, isOnStage };
  }
  return { hands, floor, everyone: everyone(sight) };
}

/** The house sees who is heard, never whose hand is up; behind the curtain nobody is heard. */
export function houseFloor(sight: FloorSight) {
  const heard: Record<string, HeardItem> = {};
  if (isCurtainUp(sight.hour))
    for (const [id, holder] of sight.own.holders) if (holder.isMicrophoneOpen) heard[id] = { name: nameOf(sight, id) };
  const guests: Record<string, HeardItem> = {};
  if (isCurtainUp(sight.hour))
    for (const [id, { isOnStage, acceptedAt }] of sight.own.holders)
      if (isOnStage && acceptedAt !== null) guests[id] = { name: nameOf(sight, id) };
  return { heard, guests, everyone: everyone(sight) };
}

export function ownFloor({ hands, holders }: FloorState, ticketId: string): OwnFloor {
  const holder = holders.get(ticketId);
  return {
    isOnStage: holder?.isOnStage ?? false,
    handAt: hands.get(ticketId)?.raisedAt ?? null,
    parts: holder?.parts ?? null,
    hasAccepted: holder !== undefined && holder.acceptedAt !== null,
    isMicrophoneOpen: holder?.isMicrophoneOpen ?? false,
  };
}
