import type { IncomingMessage } from "node:http";
import { Refusal } from "@/core/shared";
import type { App } from "../compose";
import { memberOf } from "../services/ground/access";
import { organisationFor } from "../services/way-in/front-door";
import { deskEntryByDate } from "../services/hour/entry";
import type { FactActor } from "../services/hour/facts";
import type { Ask } from "./ask";
import { cookiesOf } from "./request";

/** Who a signed-in member is at this desk, kept for a few seconds as a ticket's holder is. */
async function memberAt(app: App, request: IncomingMessage, occurrenceId: string): Promise<FactActor> {
  const { context, signIn, holderCache } = app;
  const key = `${request.headers.cookie ?? ""}|${occurrenceId}`;
  const known = holderCache.get(key);
  if (known) return known;
  const headers = new Headers({ cookie: request.headers.cookie ?? "" });
  // the sign-in's library says of a database that is away that something failed, not what
  const session = await signIn.api.getSession({ headers }).catch((error: unknown) => {
    if ((error as { status?: unknown }).status !== "INTERNAL_SERVER_ERROR") throw error;
    throw new Refusal({ code: "unavailable" });
  });
  const organisation = await organisationFor(context.db, request.headers.host ?? "");
  const member = await memberOf(context, organisation.id, session?.user.id ?? null);
  const entry = await deskEntryByDate(context, member, occurrenceId);
  const who = { actorId: entry.ticketId, actor: entry.actor, occurrenceId, organisationId: member.organisationId };
  holderCache.keep(key, who);
  return who;
}

/** The room that somebody asks about, and where they stand in it now. */
export async function roomOfAsker(ask: Ask) {
  const { app, occurrenceId, as } = ask;
  const who = await whoAsks(ask);
  const room = await app.hub.openRoom(occurrenceId, who.actorId);
  return { room, standing: room.standing(who.actorId, as === null) };
}

/** Who asks for this room: by the cookie of the ticket named in `?as=`, or, without one, the signed-in member at the desk. */
export async function whoAsks({ app, request, occurrenceId, as }: Ask): Promise<FactActor> {
  if (!as) return memberAt(app, request, occurrenceId);
  const cookies = cookiesOf(request);
  const token = cookies.get(`sc-${as}`);
  if (!token) throw new Refusal({ code: "not-signed-in" });
  const proof = cookies.get(`sc-proof-${as}`) ?? null;
  const key = `${token}|${proof ?? ""}`;
  const known = app.holderCache.get(key);
  if (known && known.actorId === as && known.occurrenceId === occurrenceId) return known;
  const who = await app.entrance.holder({ token, proof, ticketId: as, occurrenceId });
  app.holderCache.keep(key, who);
  return who;
}
