import { currentDate } from "@/core/dates";
import { overflowFor, type Overflow } from "@/core/programme";
import { notFound, type Context } from "../ground/context";
import { datesOf } from "../planning/dates/load";
import { doorOf } from "../way-in/door-rule";
import { eventBySlug, type Organisation } from "../way-in/front-door";
import { ticketAmong } from "../way-in/tickets";

/** What the overflow page shows: who watches takes no seat, and asks nothing. */
export interface OverflowPage {
  readonly title: string;
  readonly slug: string;
  readonly state: Exclude<Overflow, "absent">;
  readonly startAt: number | null;
  readonly zone: string;
  readonly colour: string;
  /** where the programme is asked for, and by what pass; null where there is nothing to watch now */
  readonly media: { readonly base: string; readonly query: string } | null;
}

/** @param proof the browser's cookies: of a private event's code, and the links that it came in by
 * @returns null for a private event whose code was not given */
export async function overflowPage(
  context: Context,
  organisation: Organisation,
  slug: string,
  proof: { readonly code: string | null; readonly tokens: readonly string[] },
): Promise<OverflowPage | null> {
  const event = await eventBySlug(context, organisation, slug);
  const holds = (await ticketAmong(context, event.id, proof.tokens)) !== null;
  // whoever has a ticket needs no public page, nor its code
  const door = holds ? "open" : doorOf(context, event, { cookie: proof.code, isInvited: false });
  if (door === "absent") throw notFound("event");
  if (door === "locked") return null;
  const occurrence = currentDate(await datesOf(context.db, event.id), context.clock.now()) ?? null;
  const state = overflowFor(event.overflow, holds, occurrence?.phase ?? null);
  if (state === "absent") throw notFound("event");
  const pass = state === "live" ? context.secrets.programmePass(occurrence!.id, context.clock.now()) : null;
  return {
    title: event.title,
    slug: event.slug,
    state,
    startAt: occurrence?.startAt ?? null,
    zone: occurrence?.zone ?? "UTC",
    colour: event.look.colour,
    media: pass ? { base: `/live/${occurrence!.id}/`, query: `pass=${pass}` } : null,
  };
}
