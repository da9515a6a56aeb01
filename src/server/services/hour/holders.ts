import { sql } from "drizzle-orm";
import { isStageRole, type Actor } from "@/core/people";
import { isUuid, Refusal } from "@/core/shared";
import { outcomeOf, type Outcome } from "../../platform/together";
import { idArray } from "../../db/queries/any-of";
import { notFound, type Context } from "../ground/context";
import { isProven } from "../way-in/entry-proofs";
import type { FactActor } from "./facts";

/** What somebody shows to be let into one room. */
export interface HolderClaim {
  readonly token: string;
  /** the one-time link by which their device was let in, where an event asks for one */
  readonly proof: string | null;
  readonly ticketId: string;
  readonly occurrenceId: string;
}

interface HolderRow {
  readonly id: string;
  readonly occurrence_id: string;
  readonly proves_address: boolean;
  readonly role: Actor["role"];
  readonly duties: Actor["duties"];
  readonly status: string;
  readonly link_version: number;
  readonly organisation_id: string;
}

const keyOf = (ticketId: string, occurrenceId: string): string => `${ticketId} ${occurrenceId}`;

async function rowsOf(context: Context, claims: readonly HolderClaim[]): Promise<ReadonlyMap<string, HolderRow>> {
  const [ticketIds, occurrenceIds] = [claims.map((one) => one.ticketId), claims.map((one) => one.occurrenceId)];
  // answered in one piece: a full house's rows cost more to take apart one by one than to find. The tickets
  // first, by their ids: from the date's side all of a large event's would be walked through for each who asks.
  // Planned anew each time: for so many, and for tables as large as they are now
  const { rows } = await context.db.execute(
    sql`
    with t as materialized (
      select t.id, t.event_id, t.role, t.duties, t.status, t.link_version, t.organisation_id, w.occurrence_id
      from unnest(${idArray(ticketIds)}, ${idArray(occurrenceIds)}) as w(ticket_id, occurrence_id) join tickets t on t.id = w.ticket_id
      where t.revoked_at is null and t.barred_at is null and (t.occurrence_id is null or t.occurrence_id = w.occurrence_id))
    select coalesce(json_agg(h), '[]') as holders from (select distinct t.id, t.occurrence_id, e.proves_address, t.role, t.duties, t.status, t.link_version, t.organisation_id
      from t join events e on e.id = t.event_id join occurrences o on o.id = t.occurrence_id and o.event_id = t.event_id
      where e.deleted_at is null) h`,
  );
  return new Map((rows[0]!["holders"] as HolderRow[]).map((row) => [keyOf(row.id, row.occurrence_id), row]));
}

async function holderBy(context: Context, claim: HolderClaim, row: HolderRow | undefined): Promise<FactActor> {
  const { token, proof, ticketId, occurrenceId } = claim;
  const said = context.secrets.readToken(token);
  if (!said || said.ticketId !== ticketId || !row || !said.matches(row.link_version)) throw notFound("ticket");
  const isAudience = !isStageRole(row.role);
  if (isAudience && row.status !== "registered")
    throw new Refusal({ code: "wrong-state", action: "house.enter", state: row.status });
  if (row.proves_address && isAudience && !(await isProven(context, ticketId, proof))) throw notFound("ticket");
  const actor = { role: row.role, duties: row.duties };
  return { actorId: ticketId, actor, occurrenceId, organisationId: row.organisation_id };
}

/**
 * Whom link tokens belong to, each for one room: one narrow read, since every command of a full house begins
 * with it. Unknown, forged, revoked and other rooms' tokens are refused alike.
 */
export async function holdersOfTokens(
  context: Context,
  claims: readonly HolderClaim[],
): Promise<readonly Outcome<FactActor>[]> {
  // one that is no id at all must not spoil the read for the others
  const rows = await rowsOf(
    context,
    claims.filter((one) => isUuid(one.ticketId) && isUuid(one.occurrenceId)),
  );
  return Promise.all(
    claims.map((one) => outcomeOf(() => holderBy(context, one, rows.get(keyOf(one.ticketId, one.occurrenceId))))),
  );
}

/** The same for one. @throws the refusal */
export async function holderOfToken(context: Context, claim: HolderClaim): Promise<FactActor> {
  const [outcome] = await holdersOfTokens(context, [claim]);
  if (outcome!.ok) return outcome!.value;
  throw outcome!.error;
}
