import "server-only";
import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { deskEntryByDate } from "@/server/services/room-entry";
import { seatOf } from "@/server/services/seats";
import type { FactActor } from "@/server/services/room-facts";
import { currentMember, proofToken, seatToken } from "./request";

/**
 * Who asks for this room: by the cookie of the ticket named in `?as=`, or, without one, the signed-in
 * member at the desk.
 */
export async function roomAccess(request: Request, occurrenceId: string): Promise<FactActor> {
  const ticketId = new URL(request.url).searchParams.get("as");
  const { context } = await app();
  if (!ticketId) {
    const { member } = await currentMember();
    const entry = await deskEntryByDate(context, member, occurrenceId);
    return { actorId: entry.ticketId, actor: entry.actor, occurrenceId, organisationId: member.organisationId };
  }
  const token = await seatToken(ticketId);
  if (!token) throw new Refusal({ code: "not-signed-in" });
  const { seatCache } = await app();
  const proof = await proofToken(ticketId);
  const key = `${token}|${proof ?? ""}`;
  const known = seatCache.get(key);
  if (known && known.actorId === ticketId && known.occurrenceId === occurrenceId) return known;
  const access = await seatOf(context, token, proof, ticketId, occurrenceId);
  seatCache.keep(key, access);
  return access;
}
