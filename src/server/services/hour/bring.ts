import { eq } from "drizzle-orm";
import { verdict } from "@/core/rights";
import { Refusal } from "@/core/shared";
import { switchesOf } from "../../db/queries/switches";
import { occurrences } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { notFound, type Context } from "../ground/context";
import type { Holder } from "../way-in/tickets";

/** Whoever brings something to a date: one of the team with a right to the run sheet, or somebody of the stage. */
export type Bringer = { readonly member: TeamMember } | { readonly holder: Holder };

export interface BringPlace {
  readonly organisationId: string;
  readonly eventId: string;
  readonly occurrenceId: string;
  /** whose things alone may be changed; null: all of the date's */
  readonly ownTicketId: string | null;
  readonly actorId: string;
}

/** Where somebody may bring slides or files. @throws not-allowed for whoever is neither of the team nor of the stage */
export async function placeOf(
  context: Context,
  by: Bringer,
  occurrenceId: string,
  action: "deck.bring" | "hand-out.bring",
): Promise<BringPlace> {
  const [date] = await context.db.select().from(occurrences).where(eq(occurrences.id, occurrenceId));
  if (!date) throw notFound("date");
  const { organisationId, eventId } = date;
  if ("member" in by) {
    await accessFor(context, by.member, eventId, "event.run-sheet");
    return { organisationId, eventId, occurrenceId, ownTicketId: null, actorId: by.member.userId };
  }
  const { ticket, event, actor } = by.holder;
  if (event.id !== eventId) throw notFound("date");
  const said = verdict(actor, action, { phase: date.phase, switches: switchesOf(event) });
  if (said === "wrong-phase") throw new Refusal({ code: "wrong-state", action, state: date.phase });
  if (said !== "yes") throw new Refusal({ code: "not-allowed", action });
  return { organisationId, eventId, occurrenceId, ownTicketId: ticket.id, actorId: ticket.id };
}
