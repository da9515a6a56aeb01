import { audienceInput } from "@/contracts";
import type { ComposedKind } from "@/core/mailings";
import { holdsWords } from "@/core/shared";
import { accessFor, type TeamMember } from "../ground/access";
import { parse, type Context } from "../ground/context";
import { findInBook, type FoundContact } from "../people/contacts/find";
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

/** Contacts by a few letters, to be written to one by one. */
export async function findContacts(
  context: Context,
  member: TeamMember,
  eventId: string,
  words: string,
): Promise<readonly FoundContact[]> {
  await accessFor(context, member, eventId, "event.mailings");
  return findInBook(context, member, words);
}
