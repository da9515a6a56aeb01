import type { Done } from "@/contracts";
import "server-only";
import { cookies, headers } from "next/headers";
import { notFound, redirect } from "next/navigation";
import { cache } from "react";
import { fieldIssuesOf, httpStatusOf, wordsOf } from "@/contracts";
import { isUuid, Refusal, type Failure } from "@/core/shared";
import { app } from "@/server/compose";
import { isDatabaseAway } from "@/server/db/away";
import { forgetPages } from "./anonymous-pages";
import { memberOf, type TeamMember } from "@/server/services/ground/access";
import type { Context } from "@/server/services/ground/context";
import { heldAmong } from "@/server/services/way-in/held-tokens";
import { organisationFor, type Organisation } from "@/server/services/way-in/front-door";

/** The organisation that this request's host name serves. */
export const currentOrganisation = cache(async (): Promise<Organisation> => {
  const { context } = await app();
  return organisationFor(context.db, (await headers()).get("host") ?? "");
});

/** The signed-in member, or a refusal. */
export const currentMember = cache(async (): Promise<{ context: Context; member: TeamMember }> => {
  const { context, signIn } = await app();
  const session = await signIn.api.getSession({ headers: await headers() });
  const organisation = await currentOrganisation();
  return { context, member: await memberOf(context, organisation.id, session?.user.id ?? null) };
});

/** For pages: whoever is not signed in is led to the sign-in. */
export async function pageMember(): Promise<{ context: Context; member: TeamMember }> {
  try {
    return await currentMember();
  } catch (error) {
    if (error instanceof Refusal && error.failure.code === "not-signed-in") redirect("/sign-in");
    throw error;
  }
}

/** For pages: what is not there, or not theirs, is a plain 404. */
export async function orNotFound<T>(load: () => Promise<T>): Promise<T> {
  try {
    return await load();
  } catch (error) {
    if (error instanceof Refusal && (error.failure.code === "not-found" || error.failure.code === "not-allowed"))
      notFound();
    throw error;
  }
}

/** What went wrong, as a failure; a defect is logged and thrown on. */
export function failureOf(error: unknown): Failure {
  if (error instanceof Refusal) return error.failure;
  const cause = (error as { cause?: unknown }).cause ?? error;
  const code = (cause as { code?: string }).code ?? "";
  // an id that is none names nothing, nor one with a NUL in it
  if (code === "22P02" || code === "22021") return { code: "not-found", what: "id" };
  if (isDatabaseAway(error)) return { code: "unavailable" };
  throw error;
}

/**
 * Runs a server action: refusals come back as words and field issues, never as an exception.
 * @param say makes words of a refusal: the team's unless given
 */
export async function act<T>(run: () => Promise<T>, say: (failure: Failure) => string = wordsOf): Promise<Done<T>> {
  try {
    const value = await run();
    forgetPages();
    return { ok: true, value };
  } catch (error) {
    if ((error as { digest?: string }).digest?.startsWith("NEXT_")) throw error;
    const failure = failureOf(error);
    return {
      ok: false,
      words: say(failure),
      code: failure.code,
      issues: fieldIssuesOf(failure),
    };
  }
}

/** Runs a route handler: refusals become their status. */
export async function answer(run: () => Promise<Response>): Promise<Response> {
  try {
    return await run();
  } catch (error) {
    const failure = failureOf(error);
    return Response.json({ ok: false, failure, words: wordsOf(failure) }, { status: httpStatusOf[failure.code] });
  }
}

export { isUuid };

export const holderCookie = (ticketId: string): string => `sc-${ticketId}`;

/** The token that this browser was given for a ticket, when it came in by its link. */
export const holderToken = async (ticketId: string): Promise<string | null> =>
  (await cookies()).get(holderCookie(ticketId))?.value ?? null;

/** The links that this browser came in by, the latest ones. */
export const heldTokens = async (): Promise<readonly string[]> =>
  heldAmong((await cookies()).getAll().map(({ name, value }) => [name, value] as const));

const proofCookie = (ticketId: string): string => `sc-proof-${ticketId}`;
/** What this browser was given when it opened its one-time link, where an event asks for one. */
export const proofToken = async (ticketId: string): Promise<string | null> =>
  (await cookies()).get(proofCookie(ticketId))?.value ?? null;

/** Lets this browser hold a ticket: the link's token, and the proof of its address where one was asked for. */
export async function giveHolder(
  context: Context,
  ticketId: string,
  token: string,
  proof: string | null = null,
): Promise<void> {
  const secure = context.environment.STAGE_CALL_URL.startsWith("https:");
  const options = { httpOnly: true, sameSite: "lax", secure, path: "/", maxAge: 14 * 86_400 } as const;
  if (proof) (await cookies()).set(proofCookie(ticketId), proof, options);
  else (await cookies()).set(holderCookie(ticketId), token, options);
}

/** A visitor's network, for counting tries: the server in front has read it from the right (`clientAddress`). */
export const remoteOf = (headers: Pick<Headers, "get">): string => headers.get("x-forwarded-for") ?? "local";
export const remoteAddress = async (): Promise<string> => remoteOf(await headers());

/** Refuses a request from another site: for routes outside the proxy. */
export function requireOwnOrigin(request: Request): void {
  const origin = request.headers.get("origin");
  if (origin === null || !URL.canParse(origin) || new URL(origin).host !== request.headers.get("host"))
    throw new Refusal({ code: "wrong-origin" });
}
