import { and, inArray } from "drizzle-orm";
import { people } from "../../../db/schema";
import type { TeamMember } from "../../ground/access";
import type { Context } from "../../ground/context";
import { contactPage, inBook } from "./book";

export interface FoundContact {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}
const mostFound = 8;

/** Contacts by a few letters, to be chosen one by one. */
export async function findInBook(
  context: Context,
  member: TeamMember,
  words: string,
): Promise<readonly FoundContact[]> {
  if (words.trim().length < 2) return [];
  const { contacts } = await contactPage(context, member, { words: words.slice(0, 100) });
  return contacts.slice(0, mostFound).map(({ id, name, email }) => ({ id, name, email }));
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
