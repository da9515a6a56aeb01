import type { Db } from "../../db/client";
import { consents } from "../../db/schema";
import type { Context } from "./context";

const wordings = { registration: "registration-2026-11", recording: "recording-2026-11" } as const;

/** Keeps what somebody agreed to, in the wording of the day. */
export async function keepConsent(
  context: Context,
  db: Db,
  kind: keyof typeof wordings,
  of: { organisationId: string; personId: string; ticketId: string },
): Promise<void> {
  await db.insert(consents).values({
    id: context.ids.id(),
    organisationId: of.organisationId,
    personId: of.personId,
    ticketId: of.ticketId,
    kind,
    wording: wordings[kind],
    givenAt: context.clock.now(),
  });
}
