"use server";
import { cookies, headers } from "next/headers";
import { redirect } from "next/navigation";
import { audienceWords, messagesFor } from "@/contracts/messages";
import type { RegisterState } from "@/features/front-door/types";
import { app } from "@/server/compose";
import { tryAccessCode } from "@/server/services/way-in/front-door";
import { openDoor } from "@/server/services/way-in/registrar";
import { enterByLink } from "@/server/services/way-in/registration";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, failureOf, isUuid, remoteAddress } from "../../../_lib/request";
import { passCookie } from "@/server/services/way-in/pass-cookie";
import { refused, registering } from "./registering";

interface CameBy {
  readonly source: string | null;
  readonly invitedBy: string | null;
  readonly dateId: string | null;
}

/** Comes in by the open link: a refusal keeps the name, a success leads to the foyer. */
export async function openEntryAction(
  slug: string,
  dateId: string | null,
  _before: RegisterState,
  data: FormData,
): Promise<RegisterState> {
  const typed = { name: String(data.get("name") ?? ""), consent: String(data.get("consent") ?? "") };
  let token: string;
  try {
    const { context } = await app();
    const door = await openDoor(context, await standsAt(slug, null, dateId));
    token = await enterByLink(
      context,
      door,
      { name: typed.name, hasConsented: typed.consent === "on" },
      await remoteAddress(),
    );
  } catch (error) {
    return refused(error, typed, await visitorLocale());
  }
  redirect(`/enter/${token}`);
}

/** Which page this browser stands at, and by what right. */
async function standsAt(slug: string, invitedBy: string | null, dateId: string | null) {
  return {
    host: (await headers()).get("host") ?? "",
    slug,
    passCookie: (await cookies()).get(passCookie(slug))?.value ?? null,
    invitedBy,
    dateId: isUuid(dateId) ? dateId : null,
  };
}

/** Registers from the public form where the browser runs no scripts. */
export async function registerAction(
  slug: string,
  { source, invitedBy, dateId }: CameBy,
  _before: RegisterState,
  data: FormData,
): Promise<RegisterState> {
  const typed: Record<string, string> = {};
  for (const [key, value] of data) if (typeof value === "string" && !key.startsWith("$")) typed[key] = value;
  const place = await standsAt(slug, invitedBy, dateId);
  const agent = (await headers()).get("user-agent") ?? "";
  return registering(typed, {
    ...place,
    source,
    agent,
    remote: await remoteAddress(),
    locale: await visitorLocale(),
  });
}

/** Tries an access code; the right one opens the page for this browser. */
export async function accessCodeAction(slug: string, _before: string | null, data: FormData): Promise<string | null> {
  try {
    const { context } = await app();
    const pass = await tryAccessCode(
      context,
      await currentOrganisation(),
      slug,
      String(data.get("code") ?? ""),
      await remoteAddress(),
    );
    if (pass === null) return messagesFor(await visitorLocale()).front.codeWrong;
    const secure = context.environment.STAGE_CALL_URL.startsWith("https:");
    (await cookies()).set(passCookie(slug), pass, { httpOnly: true, sameSite: "lax", secure, path: "/" });
    return null;
  } catch (error) {
    return audienceWords(failureOf(error), await visitorLocale());
  }
}
