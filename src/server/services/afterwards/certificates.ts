import { and, eq } from "drizzle-orm";
import { directionOf, formatLocaleOf, localeOf, messagesFor, type Locale } from "@/contracts/messages";
import { printedNumber } from "@/core/attendance";
import { longDate } from "@/core/time";
import { credits, events, occurrences, organisations, people } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { notFound, type Context } from "../ground/context";
import { bannerBytes } from "../way-in/front/pictures";
import type { Holder } from "../way-in/tickets";
import { creditOfTicket, type CreditRow } from "./credit";

const filled = (text: string, values: Readonly<Record<string, string>>): string =>
  text.replace(/\{(\w+)\}/g, (all, name: string) => values[name] ?? all);

async function draw(context: Context, row: CreditRow, locale: Locale): Promise<Uint8Array> {
  const [about] = await context.db
    .select({ event: events, occurrence: occurrences, organisation: organisations.name })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .innerJoin(organisations, eq(organisations.id, occurrences.organisationId))
    .where(eq(occurrences.id, row.occurrenceId));
  if (!about) throw notFound("certificate");
  const { event, occurrence, organisation } = about;
  const { certificate } = messagesFor(locale);
  const figures = new Intl.NumberFormat(formatLocaleOf(locale), { maximumFractionDigits: 2 });
  const host = new URL(context.environment.STAGE_CALL_URL).host;
  const values = {
    day: longDate(occurrence.startAt, occurrence.zone, formatLocaleOf(locale)),
    minutes: figures.format(Math.round(row.minutesPresent)),
    points: figures.format(row.points),
    outOf: figures.format(row.outOf),
    number: printedNumber(row.number),
    address: `${host}/credit/${row.number}`,
    organisation,
  };
  return context.makeCertificate({
    words: {
      title: certificate.title,
      name: row.name || "–",
      attended: certificate.attended,
      event: event.title,
      on: filled(certificate.on, values),
      points: filled(certificate.points, values),
      by: organisation,
      number: filled(certificate.number, values),
      check: filled(certificate.check, values),
    },
    isRightToLeft: directionOf(locale) === "rtl",
    colour: event.look.colour,
    banner: event.look.bannerId ? await bannerBytes(context, event.look.bannerId) : null,
  });
}

/** The certificate that a ticket's holder earned, in their language. One that was withdrawn is not made any more. */
export async function certificateOfHolder(context: Context, holder: Holder, locale: Locale): Promise<Uint8Array> {
  const row = await creditOfTicket(context.db, holder.occurrence.id, holder.ticket.id);
  if (!row || row.withdrawnAt !== null) throw notFound("certificate");
  return draw(context, row, locale);
}

/** The same for the team, by its number. */
export async function certificateOfDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  number: string,
): Promise<Uint8Array> {
  await dateAccess(context, member, eventId, occurrenceId, "event.exports");
  const [row] = await context.db
    .select({ credit: credits, locale: people.locale })
    .from(credits)
    .leftJoin(people, eq(people.id, credits.personId))
    .where(and(eq(credits.occurrenceId, occurrenceId), eq(credits.number, number)));
  if (!row || row.credit.withdrawnAt !== null) throw notFound("certificate");
  return draw(context, row.credit, localeOf(row.locale ?? "en"));
}
