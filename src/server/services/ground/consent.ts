import { sql } from "drizzle-orm";
import type { Db } from "../../db/client";
import type { Context } from "./context";

const wordings = { registration: "registration-2026-11", recording: "recording-2026-11" } as const;

/** Keeps what people agreed to, in the wording of the day: one statement. */
export async function keepConsents(
  context: Context,
  db: Db,
  kind: keyof typeof wordings,
  given: readonly { readonly organisationId: string; readonly personId: string; readonly ticketId: string }[],
): Promise<void> {
  if (given.length === 0) return;
  const list = (of: (one: (typeof given)[number]) => string) => sql.param(given.map(of));
  await db.execute(sql`
    insert into consents (id, organisation_id, person_id, ticket_id, kind, wording, given_at)
    select *, ${kind}, ${wordings[kind]}, ${new Date(context.clock.now()).toISOString()}::timestamptz
    from unnest(${list(() => context.ids.id())}::uuid[], ${list((one) => one.organisationId)}::uuid[],
      ${list((one) => one.personId)}::uuid[], ${list((one) => one.ticketId)}::uuid[])`);
}
