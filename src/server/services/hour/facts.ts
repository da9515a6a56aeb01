import { sql } from "drizzle-orm";
import { signLostAfterMs, type FactBody, type WhisperBody } from "@/contracts";
import { isStageRole, verdictBy, type Circumstance, type Permission } from "@/core/people";
import { roomRights, switchesNow, type RoomState } from "@/core/room";
import { Refusal } from "@/core/shared";
import { roomOf } from "../../db/queries/journal";
import { loadScene } from "../../db/queries/command-scene";
import { bring, type FactOutcome } from "../../room";
import { notFound, type Context } from "../ground/context";
import { appendRows, type RoomActor } from "../ground/room/commands";

/** Whoever brings a fact: an actor with their organisation. */
export interface FactActor extends RoomActor {
  readonly organisationId: string;
}

/** The room as the process that takes the fact follows it: spares the tables. Null where it does not. */
export interface KnownRoom {
  readonly state: RoomState;
  circumstance(): Circumstance;
  isInside(ticketId: string): boolean;
}

async function circumstanceFromTables(context: Context, occurrenceId: string): Promise<Circumstance> {
  const [scene, room] = await Promise.all([loadScene(context.db, occurrenceId), roomOf(context.db, occurrenceId)]);
  if (!scene) throw notFound("date");
  return { phase: room.hour.phase, switches: switchesNow(room.hour, scene.switches) };
}

/** The foyer and people who are not there at all neither vote nor ask: only who is in the house takes part. */
export async function requireInside(context: Context, who: RoomActor, known: KnownRoom | null): Promise<void> {
  if (isStageRole(who.actor.role) || known?.isInside(who.actorId)) return;
  const alive = new Date(context.clock.now() - signLostAfterMs).toISOString();
  const { rows } = await context.db.execute(sql`
    select 1 from stays where ticket_id = ${who.actorId} and occurrence_id = ${who.occurrenceId}
      and to_at is null and place <> 'foyer' and last_sign_at > ${alive} limit 1`);
  if (rows.length === 0) throw new Refusal({ code: "not-inside" });
}

/** The permission table's word on an act that does not go through the room's lock. @returns what it was asked under */
export async function requireRight(
  context: Context,
  who: RoomActor,
  type: FactBody["type"] | WhisperBody["type"],
  known: KnownRoom | null,
): Promise<Circumstance> {
  const circumstance = known?.circumstance() ?? (await circumstanceFromTables(context, who.occurrenceId));
  const rule: Permission = roomRights[type];
  const said = verdictBy(rule, who.actor, circumstance);
  if (said === "wrong-role") throw new Refusal({ code: "not-allowed", action: type });
  if (said === "wrong-phase") throw new Refusal({ code: "wrong-state", action: type, state: circumstance.phase });
  if (said === "switched-off") throw new Refusal({ code: "switched-off", what: rule.needs?.switch ?? "questions" });
  await requireInside(context, who, known);
  return circumstance;
}

/**
 * One fact: right, then its own table. The caller adds what it changed to the room's figures and feeds and
 * tells the other processes once a tick: a NOTIFY in each would make the commits wait for one another.
 */
export async function bringFact(
  context: Context,
  who: FactActor,
  fact: FactBody,
  known: KnownRoom | null = null,
  commandId: string = context.ids.id(),
): Promise<FactOutcome> {
  const { switches } = await requireRight(context, who, fact.type, known);
  const place = { ...who, commandId, now: context.clock.now(), room: known?.state ?? null, switches };
  const outcome = await bring(context.db, place, fact);
  const { causes } = outcome;
  if (causes) await context.db.transaction((tx) => appendRows(context, tx, who.occurrenceId, causes));
  return outcome;
}
