import { and, eq } from "drizzle-orm";
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

/**
 * The person with this address in the organisation, made where there is none. A known person keeps
 * the name they have: an address typed by somebody else must not rename them.
 */
export async function personByEmail(
  context: Context,
  db: Db,
  organisationId: string,
  words: PersonWords,
): Promise<typeof people.$inferSelect> {
  const email = words.email.toLowerCase();
  const fresh = {
    id: context.ids.id(),
    organisationId,
    name: words.name || email.split("@")[0]!,
    email,
    zone: words.zone ?? null,
    ...(words.locale && { locale: words.locale }),
    createdAt: context.clock.now(),
  };
  const [made] = await db.insert(people).values(fresh).onConflictDoNothing().returning();
  if (made) return made;
  const [known] = await db
    .select()
    .from(people)
    .where(and(eq(people.organisationId, organisationId), eq(people.email, email)));
  if (!known) throw new Error("person vanished between insert and select");
  // what nobody has said yet: a zone, and a language other than the standard one
  const news = {
    ...(known.zone === null && words.zone ? { zone: words.zone } : {}),
    ...(known.locale === "en" && words.locale && words.locale !== "en" ? { locale: words.locale } : {}),
  };
  if (Object.keys(news).length > 0) await db.update(people).set(news).where(eq(people.id, known.id));
  return { ...known, ...news };
}
