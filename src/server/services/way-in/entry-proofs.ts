import { and, desc, eq, gt, isNull } from "drizzle-orm";
import { isStageRole } from "@/core/people";
import { Refusal } from "@/core/shared";
import { minuteMs } from "@/core/time";
import type { Db } from "../../db/client";
import { entryProofs } from "../../db/schema";
import { notFound, type Context } from "../ground/context";
import { aboutTicket, planMessages } from "../ground/mail-plan";
import type { Holder } from "./tickets";
import { countTry } from "../ground/tries";

/** A one-time link is good for this long. */
export const proofMinutes = 15;

/** Whether this holder's devices come in by a link to their address alone. Stage people are confirmed at the desk. */
export const needsProof = ({ event, actor, person }: Holder): boolean =>
  event.provesAddress && !isStageRole(actor.role) && person.email !== null;

/** The newest one-time link of a ticket that was not used: what the mail carries. */
export async function openProofOf(db: Db, ticketId: string): Promise<string | null> {
  const [row] = await db
    .select({ id: entryProofs.id })
    .from(entryProofs)
    .where(and(eq(entryProofs.ticketId, ticketId), eq(entryProofs.purpose, "entry"), isNull(entryProofs.usedAt)))
    .orderBy(desc(entryProofs.askedAt))
    .limit(1);
  return row?.id ?? null;
}

/** Sends a one-time link to the holder's own address, and to nobody else. */
export async function askForProof(context: Context, holder: Holder): Promise<void> {
  if (!needsProof(holder)) throw new Refusal({ code: "wrong-state", action: "enter", state: "open" });
  await countTry(context, "mail-to-address", holder.person.email!);
  const { ticket, occurrence } = holder;
  const now = context.clock.now();
  await context.db.transaction(async (tx) => {
    await tx
      .insert(entryProofs)
      .values({ id: context.ids.id(), organisationId: ticket.organisationId, ticketId: ticket.id, askedAt: now });
    await planMessages(context, tx, [{ ...aboutTicket(ticket, occurrence), kind: "entry-link", dueAt: now }]);
  });
}

const idOf = (context: Context, token: string | null): string | null => {
  const claim = token ? context.secrets.readToken(token) : null;
  return claim?.matches(0) ? claim.ticketId : null;
};

/** Whether a link from the mail can still let a device in: not used, not older than a quarter of an hour. */
export async function isProofOpen(context: Context, holder: Holder, token: string | null): Promise<boolean> {
  const id = idOf(context, token);
  if (!id) return false;
  const since = context.clock.now() - proofMinutes * minuteMs;
  return (
    (await context.db.$count(
      entryProofs,
      and(
        eq(entryProofs.id, id),
        eq(entryProofs.ticketId, holder.ticket.id),
        eq(entryProofs.purpose, "entry"),
        isNull(entryProofs.usedAt),
        gt(entryProofs.askedAt, since),
      ),
    )) === 1
  );
}

const deviceSecretLetters = 40;
const printOf = (context: Context, proofId: string, secret: string): string =>
  context.secrets.fingerprint(`device|${proofId}|${secret}`);

/**
 * Uses a one-time link up: of two devices that open it one gets in.
 * @returns what that device shows from now on; of it only a print is kept, and the link says nothing of it
 */
export async function redeemProof(context: Context, holder: Holder, token: string): Promise<string> {
  const id = idOf(context, token);
  if (!id) throw notFound("link");
  const since = context.clock.now() - proofMinutes * minuteMs;
  const secret = context.ids.code(deviceSecretLetters);
  const used = await context.db
    .update(entryProofs)
    .set({ usedAt: context.clock.now(), devicePrint: printOf(context, id, secret) })
    .where(
      and(
        eq(entryProofs.id, id),
        eq(entryProofs.ticketId, holder.ticket.id),
        eq(entryProofs.purpose, "entry"),
        isNull(entryProofs.usedAt),
        gt(entryProofs.askedAt, since),
      ),
    )
    .returning({ id: entryProofs.id });
  if (used.length === 0) throw notFound("link");
  return `${id}.${secret}`;
}

/** Whether what a device shows is what it was given when it opened its link. */
export async function isProven(context: Context, ticketId: string, shown: string | null): Promise<boolean> {
  const [, id, secret] = /^([0-9a-f-]{36})\.([a-z0-9]+)$/.exec(shown ?? "") ?? [];
  if (!id || !secret) return false;
  const isOfDevice = and(
    eq(entryProofs.id, id),
    eq(entryProofs.ticketId, ticketId),
    eq(entryProofs.devicePrint, printOf(context, id, secret)),
  );
  return (await context.db.$count(entryProofs, isOfDevice)) === 1;
}
