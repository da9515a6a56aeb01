import { and, inArray } from "drizzle-orm";
import { audienceInput } from "@/contracts";
import type { ComposedKind } from "@/core/mailings";
import { holdsWords } from "@/core/shared";
import { people } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { parse, type Context } from "../ground/context";
import { contactPage, inBook } from "../people/contacts/book";
import { dateOf } from "../planning/dates/load";
import { countAudience, type LeftOut } from "./audience";

const mostShown = 200;
export interface AudienceList {
  readonly total: number;
  /** those that fit the words, the first of them */
  readonly people: readonly { readonly name: string; readonly email: string }[];
  readonly leftOut: readonly LeftOut[];
}

/** Whom a mailing would reach, by name and address, and who of those named is left out and why. */
export async function readAudience(
  context: Context,
  member: TeamMember,
  eventId: string,
  kind: ComposedKind,
  rawAudience: unknown,
  words: string,
): Promise<AudienceList> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const audience = parse(audienceInput, rawAudience);
  const date = await dateOf(context.db, eventId, context.clock.now(), audience.dateId ?? null);
  const about = { organisationId: event.organisationId, eventId, dateId: date.id, kind };
  const { targets, leftOut } = await countAudience(context, context.db, about, audience);
  const fits = (one: { name: string; email: string }): boolean =>
    holdsWords(`${one.name} ${one.email}`, words.slice(0, 100));
  const people = targets.filter(fits).sort((a, b) => a.name.localeCompare(b.name));
  return {
    total: targets.length,
    people: people.slice(0, mostShown).map(({ name, email }) => ({ name, email })),
    leftOut: leftOut.filter(fits).slice(0, mostShown),
  };
}

export interface FoundContact {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

/** Contacts by a few letters, to be written to one by one. */
export async function findContacts(
  context: Context,
  member: TeamMember,
  eventId: string,
  words: string,
): Promise<readonly FoundContact[]> {
  await accessFor(context, member, eventId, "event.mailings");
  if (words.trim().length < 2) return [];
  const { contacts } = await contactPage(context, member, { words: words.slice(0, 100) });
  return contacts.slice(0, 8).map(({ id, name, email }) => ({ id, name, email }));
}

/** The names of contacts that an audience holds one by one. */
export async function namesOfContacts(
  context: Context,
  organisationId: string,
  ids: readonly string[],
): Promise<readonly FoundContact[]> {
  if (ids.length === 0) return [];
  const rows = await context.db
    .select({ id: people.id, name: people.name, email: people.email })
    .from(people)
    .where(and(inBook(organisationId), inArray(people.id, ids.slice(0, 500))));
  return rows.map((row) => ({ id: row.id, name: row.name ?? "", email: row.email ?? "" }));
}
