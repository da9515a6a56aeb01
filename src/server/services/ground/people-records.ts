import { and, eq, inArray, sql } from "drizzle-orm";
import type { Db } from "../../db/client";
import { people } from "../../db/schema";
import type { Context } from "./context";

export interface PersonWords {
  readonly name: string;
  readonly email: string;
  readonly zone?: string | null;
  readonly locale?: string;
}

/** The language that somebody reads in: their pages and mails. */
export const setLanguage = (context: Context, personId: string, locale: string) =>
  context.db.update(people).set({ locale }).where(eq(people.id, personId));

/** The key under which an address is kept. */
export const addressKey = (email: string): string => email.toLowerCase();

type PersonRow = Pick<typeof people.$inferSelect, "id" | "email" | "zone" | "locale">;

/** People with these addresses, made where there are none. @returns those that were made just now, by address */
async function insertPeople(
  context: Context,
  db: Db,
  organisationId: string,
  wanted: ReadonlyMap<string, PersonWords>,
): Promise<ReadonlyMap<string, string>> {
  // in one order, so that two batches with the same strangers never wait for each other in a circle
  const rows = [...wanted].sort(([a], [b]) => (a < b ? -1 : 1));
  const list = (of: (row: (typeof rows)[number]) => string | null) => sql.param(rows.map(of));
  const made = await db.execute(sql`
    insert into people (id, organisation_id, created_at, name, email, zone, locale)
    select id, ${organisationId}, ${new Date(context.clock.now()).toISOString()}::timestamptz, name, email, zone, coalesce(locale, 'en')
    from unnest(${list(() => context.ids.id())}::uuid[], ${list(([email, { name }]) => name || email.split("@")[0]!)}::text[],
      ${list(([email]) => email)}::text[], ${list(([, { zone }]) => zone ?? null)}::text[],
      ${list(([, { locale }]) => locale || null)}::text[]) as wanted(id, name, email, zone, locale)
    on conflict do nothing returning id, email`);
  return new Map(made.rows.map((row) => [String(row["email"]), String(row["id"])]));
}

/** What nobody has said yet of a known person: a zone, and a language other than the standard one. */
const newsOf = (known: PersonRow, words: PersonWords) => ({
  ...(known.zone === null && words.zone ? { zone: words.zone } : {}),
  ...(known.locale === "en" && words.locale && words.locale !== "en" ? { locale: words.locale } : {}),
});

/**
 * The people with these addresses in the organisation, made where there are none. A known person keeps
 * the name they have: an address typed by somebody else must not rename them.
 * @returns by `addressKey`: their id, and whether they were made just now
 */
export async function peopleByEmail(
  context: Context,
  db: Db,
  organisationId: string,
  wanted: readonly PersonWords[],
): Promise<ReadonlyMap<string, { readonly id: string; readonly isNew: boolean }>> {
  const byAddress = new Map(wanted.map((words) => [addressKey(words.email), words]));
  const made = await insertPeople(context, db, organisationId, byAddress);
  const found = new Map([...made].map(([email, id]) => [email, { id, isNew: true }]));
  const missing = [...byAddress.keys()].filter((email) => !found.has(email));
  if (missing.length === 0) return found;
  const known = await db
    .select({ id: people.id, email: people.email, zone: people.zone, locale: people.locale })
    .from(people)
    .where(and(eq(people.organisationId, organisationId), inArray(people.email, missing)));
  if (known.length < missing.length) throw new Error("person vanished between insert and select");
  for (const one of known) {
    found.set(one.email!, { id: one.id, isNew: false });
    const news = newsOf(one, byAddress.get(one.email!)!);
    if (Object.keys(news).length > 0) await db.update(people).set(news).where(eq(people.id, one.id));
  }
  return found;
}

/** The id of the person with this address in the organisation, made where there is none. */
export async function personByEmail(
  context: Context,
  db: Db,
  organisationId: string,
  words: PersonWords,
): Promise<{ readonly id: string; readonly isNew: boolean }> {
  return (await peopleByEmail(context, db, organisationId, [words])).get(addressKey(words.email))!;
}
