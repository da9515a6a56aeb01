import type { EventRow } from "../planning/events";
import type { Context } from "../ground/context";

/** What somebody brings who asks for a page: the proof of its access code, an invitation. */
export interface Pass {
  readonly cookie: string | null;
  readonly isInvited: boolean;
}

/** Finds the proof that a browser has for an event's page, by the event's slug. */
export type ProofOf = (slug: string) => string | null;

/** A proof that the access code was given once: kept in a cookie, dead when the code changes. */
export const passFor = ({ secrets }: Pick<Context, "secrets">, event: EventRow): string =>
  secrets.fingerprint(`pass|${event.id}|${event.accessCodeSealed ?? ""}`);

/**
 * The one rule of everything that an event shows outside: its page, files, calendar, picture and recordings. Of what
 * is not published or in the bin nothing is told, not even that there is something; what is private opens by its code.
 */
export function doorOf(
  context: Pick<Context, "secrets">,
  event: EventRow,
  { cookie, isInvited }: Pass,
): "open" | "locked" | "absent" {
  if (event.deletedAt !== null || event.publishedAt === null) return "absent";
  if (!event.isPrivate || isInvited) return "open";
  return cookie === passFor(context, event) ? "open" : "locked";
}
