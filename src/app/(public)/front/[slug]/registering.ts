import "server-only";
import { fieldIssuesOf } from "@/contracts";
import { audienceIssue, audienceWords, oneMomentWords, type Locale } from "@/contracts/messages";
import type { RegisterState } from "@/features/front-door/types";
import { app } from "@/server/compose";
import type { FormSent } from "@/server/services/way-in/registrar";
import { failureOf, isUuid } from "../../../_lib/request";

export type Typed = Readonly<Record<string, string>>;

/** Where somebody stands who sends the form, and how they came there. */
interface Sender extends Omit<FormSent, "input"> {
  /** the tag of the link by which they came */
  readonly source: string | null;
  readonly locale: Locale;
}

/** A refusal as the form's next state: in the visitor's language, every field typed with it. */
export function refused(error: unknown, typed: Typed, locale: Locale): RegisterState {
  const failure = failureOf(error);
  const errors = fieldIssuesOf(failure).map((issue) => [issue.path, audienceIssue(issue, locale)] as const);
  return { status: "refused", message: audienceWords(failure, locale), errors: Object.fromEntries(errors), typed };
}

/** Registers from the public form's fields. @returns the form's next state; every field typed comes back with a refusal */
export async function registering(typed: Typed, { source, locale, ...sender }: Sender): Promise<RegisterState> {
  const answers = Object.fromEntries(
    Object.entries(typed).flatMap(([key, value]) => (key.startsWith("answers.") ? [[key.slice(8), value]] : [])),
  );
  const { name, email, zone, consent } = typed;
  const input = { name, email, zone: zone || null, hasConsented: consent === "on", source, locale, answers };
  try {
    const { registrar } = await app();
    await registrar.register({ ...sender, dateId: isUuid(sender.dateId) ? sender.dateId : null, input });
    return { status: "answered", errors: {}, typed };
  } catch (error) {
    const failure = failureOf(error);
    // what passes by itself is asked again by the page itself
    if (failure.code !== "busy" && failure.code !== "unavailable") return refused(error, typed, locale);
    const againInMs = failure.code === "busy" ? failure.retryAfterMs : null;
    const turn = againInMs === null ? {} : { againInMs };
    return { status: "busy", message: oneMomentWords(againInMs, locale), ...turn, errors: {}, typed };
  }
}
