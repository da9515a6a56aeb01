import { isStageRole } from "@/core/people";
import { arrivedBackstage, type PersonalPart } from "@/core/room";
import type { Db } from "../db/client";
import { personalFacts, type PersonalFacts } from "../db/queries/personal";
import type { LiveRoom } from "./live-room";

function placeOf(room: LiveRoom, ticketId: string, isStage: boolean): Pick<PersonalPart, "place" | "waitsFor"> {
  if (isStage) return { place: (room.state.people[ticketId] ?? arrivedBackstage).place, waitsFor: null };
  if (room.figures.present.get(ticketId) === "house") return { place: "house", waitsFor: null };
  if (room.state.phase !== "open") return { place: "foyer", waitsFor: "doors" };
  return { place: "foyer", waitsFor: room.state.areDoorsHeld ? "held-doors" : "seat" };
}

const nothingYet: PersonalFacts = { ballots: {}, votes: [], questions: [] };

/** The own parts of several people in a room; null for those who have no right to it any more. */
export async function personalParts(
  db: Db,
  room: LiveRoom,
  ticketIds: readonly string[],
): Promise<ReadonlyMap<string, PersonalPart | null>> {
  const audience = ticketIds.filter(
    (id) => room.directory.people.has(id) && !isStageRole(room.directory.people.get(id)!.role),
  );
  const facts =
    audience.length === 0 ? new Map<string, PersonalFacts>() : await personalFacts(db, room.occurrenceId, audience);
  return new Map(
    ticketIds.map((ticketId) => {
      const person = room.directory.people.get(ticketId);
      if (!person) return [ticketId, null];
      const place = placeOf(room, ticketId, isStageRole(person.role));
      return [
        ticketId,
        { ticketId, name: person.name, role: person.role, ...place, ...(facts.get(ticketId) ?? nothingYet) },
      ];
    }),
  );
}
