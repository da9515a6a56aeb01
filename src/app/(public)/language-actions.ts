"use server";
import { cookies } from "next/headers";
import { revalidatePath } from "next/cache";
import { locales, type Locale } from "@/contracts/messages";
import { app } from "@/server/compose";
import { setLanguage } from "@/server/services/ground/people-records";
import { holderOf } from "@/server/services/way-in/tickets";
import { languageCookie } from "../_lib/locale";

async function keep(locale: string): Promise<Locale | null> {
  const wanted = locales.find((one) => one === locale) ?? null;
  if (wanted) (await cookies()).set(languageCookie, wanted, { sameSite: "lax", path: "/", maxAge: 365 * 86_400 });
  return wanted;
}

/** Keeps the visitor's choice of a language in their browser. */
export async function chooseLanguageAction(locale: string): Promise<void> {
  await keep(locale);
  revalidatePath("/", "layout");
}

/** The same for a ticket's holder: their mails are written in it from then on. */
export async function chooseHolderLanguageAction(token: string, locale: string): Promise<void> {
  const { context } = await app();
  const holder = await holderOf(context, token).catch(() => null);
  const wanted = await keep(locale);
  if (holder && wanted) await setLanguage(context, holder.person.id, wanted);
  revalidatePath("/", "layout");
}
