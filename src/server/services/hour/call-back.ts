import { and, eq, gt, lt } from "drizzle-orm";
import { ownNumber } from "@/contracts";
import { Refusal } from "@/core/shared";
import { minuteMs } from "@/core/time";
import { callBacks } from "../../db/schema";
import type { Environment } from "../../platform/environment";
import { notFound, wrongInput, type Context } from "../ground/context";
import { countTries } from "../ground/tries";
import { needsProof } from "../way-in/entry-proofs";
import { holderById, requireWayIn, type Holder } from "../way-in/tickets";
import { wayIn } from "./entry";

/** A phone rings for so long; the number is kept no longer. */
const ringsForMs = 2 * minuteMs;

/** Whether this house's phone line calls people. */
export const callsPeople = (one: Environment): boolean =>
  one.STAGE_CALL_PHONE_LINE === "stand-in" ||
  (one.STAGE_CALL_PHONE_LINE === "signed" && one.STAGE_CALL_PHONE_DIAL_URL !== undefined);

/** Whether this holder may be called into their date just now. */
export const mayBeCalled = (context: Context, holder: Holder): boolean =>
  callsPeople(context.environment) && holder.event.soundBy !== "computer" && wayIn(holder, context.clock.now()).isOpen;

/**
 * Somebody wants to be called instead of dialling in. Their phone rings; whoever picks it up is in the room by this
 * ticket, without a PIN: the number came from whoever holds the link.
 */
export async function askCallBack(context: Context, holder: Holder, rawNumber: unknown): Promise<void> {
  requireWayIn(holder);
  // a telephone proves no address
  if (!mayBeCalled(context, holder) || needsProof(holder)) throw notFound("call");
  const number = ownNumber.safeParse(rawNumber);
  if (!number.success) throw wrongInput("number", "not-a-phone-number");
  await countTries(context, [
    ["call-back", holder.ticket.id],
    ["call-to-number", number.data],
  ]);
  const { db, ids, clock, secrets } = context;
  await forgetCallBacks(context);
  const id = ids.id();
  const row = { id, organisationId: holder.ticket.organisationId, ticketId: holder.ticket.id, number: number.data };
  await db.transaction(async (tx) => {
    // one phone at a time
    await tx.delete(callBacks).where(eq(callBacks.ticketId, holder.ticket.id));
    await tx.insert(callBacks).values({ ...row, askedAt: clock.now() });
  });
  try {
    await context.dial.ring(number.data, secrets.tokenFor(id, 0));
  } catch (error) {
    context.log.error("the phone line did not take a call", error, { id });
    await db.delete(callBacks).where(eq(callBacks.id, id));
    throw new Refusal({ code: "unavailable" });
  }
}

/** Whom a phone that is picked up belongs to: once, and only while it rings. */
export async function whoPickedUp(context: Context, answer: string): Promise<Holder> {
  const claim = context.secrets.readToken(answer);
  if (!claim?.matches(0)) throw notFound("call");
  const [row] = await context.db
    .delete(callBacks)
    .where(and(eq(callBacks.id, claim.ticketId), gt(callBacks.askedAt, context.clock.now() - ringsForMs)))
    .returning({ ticketId: callBacks.ticketId });
  if (!row) throw notFound("call");
  return holderById(context, row.ticketId);
}

/** The answer of the call that rings at a number, for the stand-in of the telephone; null where none does. */
export async function ringingAt(context: Context, organisationId: string, number: string): Promise<string | null> {
  const own = ownNumber.safeParse(number);
  if (!own.success) return null;
  const [row] = await context.db
    .select({ id: callBacks.id })
    .from(callBacks)
    .where(
      and(
        eq(callBacks.organisationId, organisationId),
        eq(callBacks.number, own.data),
        gt(callBacks.askedAt, context.clock.now() - ringsForMs),
      ),
    )
    .limit(1);
  return row ? context.secrets.tokenFor(row.id, 0) : null;
}

/** Numbers that nobody picked up at are forgotten. */
export const forgetCallBacks = ({ db, clock }: Context): Promise<unknown> =>
  db.delete(callBacks).where(lt(callBacks.askedAt, clock.now() - ringsForMs));
