import { sql } from "drizzle-orm";
import { isStageRole, type Actor } from "@/core/people";
import { Refusal } from "@/core/shared";
import { notFound, type Context } from "../ground/context";
import { isProven } from "../way-in/entry-proofs";
import type { FactActor } from "./facts";

/**
 * Whoever a link token belongs to, for one room: one narrow read, since every command of a full
 * house begins with it. Unknown, forged, revoked and other rooms' tokens are refused alike.
 */
export async function holderOfToken(
  context: Context,
  token: string,
  proof: string | null,
  ticketId: string,
  occurrenceId: string,
): Promise<FactActor> {
  const claim = context.secrets.readToken(token);
  if (!claim || claim.ticketId !== ticketId) throw notFound("ticket");
  const { rows } = await context.db.execute(sql`
    select e.proves_address, t.role, t.duties, t.status, t.link_version, t.organisation_id
    from tickets t join events e on e.id = t.event_id join occurrences o on o.event_id = t.event_id and o.id = ${occurrenceId}
    where t.id = ${ticketId} and t.revoked_at is null and t.barred_at is null and e.deleted_at is null and (t.occurrence_id is null or t.occurrence_id = o.id)`);
  const row = rows[0] as
    | {
        proves_address: boolean;
        role: Actor["role"];
        duties: Actor["duties"];
        status: string;
        link_version: number;
        organisation_id: string;
      }
    | undefined;
  if (!row || !claim.matches(row.link_version)) throw notFound("ticket");
  if (!isStageRole(row.role) && row.status !== "registered")
    throw new Refusal({ code: "wrong-state", action: "house.enter", state: row.status });
  if (row.proves_address && !isStageRole(row.role) && !(await isProven(context, ticketId, proof)))
    throw notFound("ticket");
  return {
    actorId: ticketId,
    actor: { role: row.role, duties: row.duties },
    occurrenceId,
    organisationId: row.organisation_id,
  };
}
