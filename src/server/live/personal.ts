import { isStageRole } from "@/core/people";
import { isLetIn, ownOf, type OwnParts, type PersonalPart, type Standing } from "@/core/room";
import type { Db } from "../db/client";
import { ownParts } from "../room";
import type { Follower } from "./follower";
import { framed, messageText } from "./frame";
import type { LiveRoom } from "./live-room";

function waitsFor(room: LiveRoom, ticketId: string, place: PersonalPart["place"]): PersonalPart["waitsFor"] {
  const { hour } = room.state;
  if (place !== "foyer") return null;
  if (hour.phase !== "open") return "doors";
  if (hour.areDoorsHeld) return "held-doors";
  return isLetIn(hour, room.words.event.switches, ticketId) ? "seat" : "host";
}

/** What one person has of their own in a room, where they stand. @param parts as the tables have them */
export function personalPart(
  room: LiveRoom,
  ticketId: string,
  { role, place }: Standing,
  parts: OwnParts | undefined,
): PersonalPart {
  const name = room.words.people.get(ticketId)?.name ?? "";
  const own = isStageRole(role) ? {} : { ...parts, ...ownOf(room.state, ticketId) };
  return { ticketId, name, role, place, waitsFor: waitsFor(room, ticketId, place), own };
}

/** The own parts of several people in a room; null for those who have no right to it any more. */
async function personalParts(
  db: Db,
  room: LiveRoom,
  ticketIds: readonly string[],
): Promise<ReadonlyMap<string, PersonalPart | null>> {
  const standings = new Map(ticketIds.map((id) => [id, room.of(id)[0]?.standing ?? room.standing(id, false)] as const));
  const audience = ticketIds.filter((id) => standings.get(id) && !isStageRole(standings.get(id)!.role));
  const parts = audience.length === 0 ? null : await ownParts(db, room.occurrenceId, audience, room.state);
  return new Map(
    ticketIds.map((ticketId) => {
      const standing = standings.get(ticketId);
      if (!standing || !room.mayStand(ticketId)) return [ticketId, null];
      return [ticketId, personalPart(room, ticketId, standing, parts?.get(ticketId))];
    }),
  );
}

/** Sends each of these people their own part, to every stream of theirs; who has no right any more is withdrawn. */
export async function sendOwnParts(
  db: Db,
  room: LiveRoom,
  ticketIds: Iterable<string>,
  withdraw: (follower: Follower) => void,
): Promise<void> {
  const here = [...ticketIds].filter((id) => room.countOf(id) > 0);
  if (here.length === 0) return;
  const parts = await personalParts(db, room, here);
  for (const ticketId of here) {
    const me = parts.get(ticketId);
    const bytes = me ? framed(messageText("personal", { me })) : null;
    for (const one of room.of(ticketId)) {
      if (bytes) one.write(bytes);
      else withdraw(one);
    }
  }
}

/** Tells those whose own part changed since the last tick; where that fails, they are told with the next one. */
export async function tellChanged(
  room: LiveRoom,
  changed: readonly string[],
  tell: (ticketIds: readonly string[]) => Promise<void>,
): Promise<void> {
  room.changedPeople.clear();
  for (const { ticketId } of room.coming) if (changed.includes(ticketId)) room.changedPeople.add(ticketId);
  try {
    await tell(changed);
  } catch (error) {
    for (const id of changed) room.changedPeople.add(id);
    room.areFiguresDirty = true;
    throw error;
  }
}
