"use server";
import { redirect } from "next/navigation";
import { bookingInput, fieldIssuesOf } from "@/contracts";
import { audienceIssue, audienceWords, messagesFor } from "@/contracts/messages";
import type { RegisterState } from "@/features/shared/register-state";
import { app } from "@/server/compose";
import { parse } from "@/server/services/ground/context";
import { bookingPage, bookSlot, moveBooking } from "@/server/services/way-in/slots";
import { holderOf } from "@/server/services/way-in/tickets";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, failureOf, remoteAddress } from "../../../_lib/request";

/** Books a slot, or moves a booking to it; a refusal keeps what was typed. */
export async function bookAction(
  slug: string,
  move: string | null,
  _before: RegisterState,
  data: FormData,
): Promise<RegisterState> {
  const text = (name: string) => String(data.get(name) ?? "");
  const typed = { name: text("name"), email: text("email"), consent: text("consent") };
  const locale = await visitorLocale();
  try {
    const { context } = await app();
    const page = await bookingPage(context, await currentOrganisation(), slug);
    const { startAt } = parse(bookingInput, { startAt: data.get("startAt") });
    if (move) await moveBooking(context, page, await holderOf(context, move), startAt);
    else
      await bookSlot(
        context,
        page,
        startAt,
        {
          name: typed.name,
          email: typed.email,
          zone: text("zone") || null,
          hasConsented: typed.consent === "on",
          source: "booking",
          locale,
          answers: {},
        },
        await remoteAddress(),
      );
  } catch (error) {
    const failure = failureOf(error);
    const { slots } = messagesFor(locale);
    const message =
      failure.code === "house-full" || failure.code === "not-found" ? slots.taken : audienceWords(failure, locale);
    return {
      status: "refused",
      message,
      errors: Object.fromEntries(fieldIssuesOf(failure).map((issue) => [issue.path, audienceIssue(issue, locale)])),
      typed,
    };
  }
  if (move) redirect(`/ticket/${move}`);
  return { status: "answered", errors: {}, typed };
}
