import { sql } from "drizzle-orm";
import { signLostAfterMs } from "@/contracts";
import { onStage } from "@/core/people";
import type { RoomServer } from "../room-server";

/** The wording that people agree to, by the day that it was written. */
const wording = "recording-2026-11";

export const recordingServer: RoomServer = {
  /** who of the stage side is there: nobody of them is recorded unasked */
  about: async (db, { occurrenceId, now }, body) => {
    if (body.type !== "recording.begin") return null;
    const { rows } = await db.execute(sql`
      select distinct s.ticket_id from stays s where s.occurrence_id = ${occurrenceId} and s.to_at is null
        and s.last_sign_at > ${new Date(now - signLostAfterMs).toISOString()} and s.role = any(${sql.param([...onStage])}::text[])`);
    return rows.map((row) => String(row["ticket_id"]));
  },
  // beside the journal: what people agreed to is kept by person, and goes with them
  write: async (tx, { organisationId, now }, { body, actorId, commandId }) => {
    if (body.type !== "recording.agree") return;
    await tx.execute(sql`
      insert into consents (id, organisation_id, person_id, ticket_id, kind, wording, given_at)
      select ${commandId}::uuid, ${organisationId}::uuid, t.person_id, t.id, 'recording', ${wording}, ${new Date(now).toISOString()}::timestamptz
      from tickets t where t.id = ${actorId} on conflict do nothing`);
  },
};
