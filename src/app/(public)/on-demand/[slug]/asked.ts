import "server-only";
import { cookies } from "next/headers";
import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { askerOf } from "@/server/services/afterwards/ask-on-demand";
import { shownRecording, withChapters, type OnDemand, type Shown } from "@/server/services/afterwards/recordings";
import { surveyPage } from "@/server/services/afterwards/survey";
import { holderById, tokenOf } from "@/server/services/way-in/tickets";
import { currentOrganisation, heldTokens } from "../../../_lib/request";
import { passCookie } from "@/server/services/way-in/pass-cookie";

/** @param ticket the token that a mail's link brought, where a recording is for people who registered */
const tokensWith = async (ticket: string | null): Promise<readonly string[]> => [
  ...(ticket ? [ticket] : []),
  ...(await heldTokens()),
];
async function asked(slug: string, ticket: string | null) {
  const jar = await cookies();
  const { context } = await app();
  const proofOf = (eventSlug: string) => jar.get(passCookie(eventSlug))?.value ?? null;
  return shownRecording(context, await currentOrganisation(), slug, { proofOf, tokens: await tokensWith(ticket) });
}

/** A recording for whoever sees it, and the tickets of this browser. */
export async function shownWithTokens(slug: string, ticket: string | null) {
  const shown = await asked(slug, ticket);
  if (shown.isLocked) throw new Refusal({ code: "not-found", what: "recording" });
  return { shown, tokens: await tokensWith(ticket) };
}

/** Where whoever watches by a ticket answers the survey; null where there is none, or its days are over. */
async function surveyAddress(ticket: Awaited<ReturnType<typeof askerOf>>): Promise<string | null> {
  if (!ticket || ticket.occurrenceId === null) return null;
  const { context } = await app();
  const page = await surveyPage(context, await holderById(context, ticket.id), null);
  return page.state === "open" ? `/survey/${tokenOf(context, ticket)}` : null;
}

/** The recording that a browser asks for with its chapters, or why it does not see it. */
export async function askedRecording(slug: string, ticket: string | null) {
  const shown = await asked(slug, ticket);
  if (shown.isLocked) return shown;
  const { context } = await app();
  const asker = await askerOf(context, shown, await tokensWith(ticket));
  return {
    ...(await withChapters(context, shown)),
    isOver: shown.occurrence.phase === "ended",
    mayAsk: asker !== null,
    surveyAddress: await surveyAddress(asker),
  };
}

/** What a request for a part of it brings along. */
const ticketOf = (request: Request): string | null => new URL(request.url).searchParams.get("ticket");

/** The recording alone, for its bytes and what is played of it: for whoever does not see it there is nothing there. */
export async function openRecording(slug: string, request: Request): Promise<Shown> {
  return (await shownWithTokens(slug, ticketOf(request))).shown;
}

/** The same with its chapters, for the files beside it. */
export const openWithChapters = async (slug: string, request: Request): Promise<OnDemand> =>
  withChapters((await app()).context, await openRecording(slug, request));
