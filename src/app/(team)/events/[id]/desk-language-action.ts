"use server";
import { cookies } from "next/headers";
import { revalidatePath } from "next/cache";
import { locales } from "@/contracts/messages";
import { currentMember } from "../../../_lib/request";
import { deskLanguageCookie } from "../../../_lib/locale";

/** The language that this browser shows the desk in. */
export async function chooseDeskLanguageAction(locale: string): Promise<void> {
  await currentMember();
  const wanted = locales.find((one) => one === locale);
  if (wanted) (await cookies()).set(deskLanguageCookie, wanted, { sameSite: "lax", path: "/", maxAge: 365 * 86_400 });
  revalidatePath("/events", "layout");
}
