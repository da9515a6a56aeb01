"use server";
import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import { Refusal } from "@/core/shared";
import { fieldIssuesOf } from "@/contracts";
import { audienceIssue, audienceWords, messagesFor } from "@/contracts/messages";
import type { RegisterState } from "@/features/front-door/types";
import { app } from "@/server/compose";
import { atTheDoor } from "@/server/services/way-in/at-the-door";
import type { Context } from "@/server/services/ground/context";
import { doorStep, tryAccessCode, type DoorStep } from "@/server/services/way-in/front-door";
import { enterByLink, register } from "@/server/services/way-in/registration";
import { inviteeOf } from "@/server/services/way-in/tickets";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, failureOf, isUuid, remoteAddress } from "../../../_lib/request";

const passCookie = (slug: string): string => `sc-pass-${slug}`;

interface CameBy {
  readonly via: string | null;
  readonly invitation: string | null;
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
    const door = await doorFor(context, slug, { invitedBy: null, dateId });
    token = await enterByLink(
      context,
      door,
      { name: typed.name, hasConsented: typed.consent === "on" },
      await remoteAddress(),
    );
  } catch (error) {
    return refused(error, typed);
  }
  redirect(`/enter/${token}`);
}

async function refused(error: unknown, typed: Record<string, string>): Promise<RegisterState> {
  const failure = failureOf(error);
  const locale = await visitorLocale();
  return {
    status: "refused",
    message: audienceWords(failure, locale),
    errors: Object.fromEntries(fieldIssuesOf(failure).map((issue) => [issue.path, audienceIssue(issue, locale)])),
    typed,
  };
}

/** The open page that somebody registers at; an invitation that is none opens nothing. */
async function doorFor(
  context: Context,
  slug: string,
  { invitedBy, dateId }: { invitedBy: string | null; dateId: string | null },
): Promise<DoorStep> {
  const pass = { cookie: (await cookies()).get(passCookie(slug))?.value ?? null, isInvited: invitedBy !== null };
  const step = await doorStep(context, await currentOrganisation(), slug, pass, isUuid(dateId) ? dateId : null);
  if (!step) throw new Refusal({ code: "not-found", what: "event" });
  const { event } = step;
  if (event.isPrivate && invitedBy !== null && (await inviteeOf(context, event.id, invitedBy)) === null)
    throw new Refusal({ code: "not-found", what: "event" });
  return step;
}

/** Registers from the public form; every field typed comes back with a refusal. */
export async function registerAction(
  slug: string,
  { via: source, invitation: invitedBy, dateId }: CameBy,
  _before: RegisterState,
  data: FormData,
): Promise<RegisterState> {
  const typed: Record<string, string> = {};
  for (const [key, value] of data) if (typeof value === "string" && !key.startsWith("$")) typed[key] = value;
  const answers: Record<string, string> = {};
  for (const [key, value] of Object.entries(typed)) if (key.startsWith("answers.")) answers[key.slice(8)] = value;
  try {
    await atTheDoor.run(async () => {
      const { context } = await app();
      const door = await doorFor(context, slug, { invitedBy, dateId });
      const input = {
        name: typed["name"],
        email: typed["email"],
        zone: typed["zone"] || null,
        hasConsented: typed["consent"] === "on",
        source,
        locale: await visitorLocale(),
        answers,
      };
      await register(context, door, input, await remoteAddress());
    });
    return { status: "answered", errors: {}, typed };
  } catch (error) {
    const { code } = failureOf(error);
    // what passes by itself is asked again by the page itself
    if (code !== "busy" && code !== "unavailable") return refused(error, typed);
    const message = audienceWords({ code: "busy", retryAfterMs: 0 }, await visitorLocale());
    return { status: "busy", message, errors: {}, typed };
  }
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
    (await cookies()).set(passCookie(slug), pass, { httpOnly: true, sameSite: "lax", path: `/front/${slug}` });
    return null;
  } catch (error) {
    return audienceWords(failureOf(error), await visitorLocale());
  }
}
