import { auditLog } from "../../db/schema";
import type { Db } from "../../db/client";
import type { Context } from "./context";

export interface AuditFacts {
  readonly organisationId: string;
  readonly actorId: string;
  readonly action: string;
  readonly eventId?: string;
  readonly occurrenceId?: string;
  readonly facts?: Record<string, string | number>;
}

/** Writes down who did what, with ids only. */
export async function audit(context: Context, db: Db, entry: AuditFacts): Promise<void> {
  await db.insert(auditLog).values({ id: context.ids.id(), at: context.clock.now(), facts: {}, ...entry });
}
