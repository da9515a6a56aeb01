import { and, eq, gt, isNull } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { minuteMs } from "@/core/time";
import { entryProofs, people, tickets } from "../../db/schema";
import { audit } from "../ground/audit";
import { notFound, type Context } from "../ground/context";
import { planLetter } from "../ground/letters";
import { countTry } from "../ground/tries";
import type { Holder } from "./tickets";

/** The link by which somebody proves their address is good for this long, and once. */
export const ownFileMinutes = 60;

/**
 * Sends a link to everything that is kept of this person to their own address, and to nobody else: a ticket's link
 * may have been forwarded, and is no proof.
 */
export async function askOwnFile(context: Context, { ticket, person, event }: Holder): Promise<void> {
  if (person.email === null || ticket.role === "test-guest")
    throw new Refusal({ code: "wrong-state", action: "ticket.details", state: ticket.status });
  await countTry(context, "mail-to-address", person.email);
  const proofId = context.ids.id();
  const { organisationId } = event;
  const to = { name: person.name ?? "", email: person.email };
  await context.db.transaction(async (tx) => {
    await tx.insert(entryProofs).values({
      id: proofId,
      organisationId,
      ticketId: ticket.id,
      purpose: "own-file",
      askedAt: context.clock.now(),
    });
    await planLetter(context, tx, organisationId, to, { kind: "own-file", proofId, locale: person.locale });
  });
}

/** Whom a link from the mail stands for. */
export interface OwnFileOwner {
  readonly proofId: string;
  readonly id: string;
  readonly name: string;
  readonly locale: string;
  readonly organisationId: string;
}

/** Whose file a link opens. @throws not-found where it is none, was used, or is older than an hour */
export async function ownFileOwner(context: Context, token: string): Promise<OwnFileOwner> {
  const claim = context.secrets.readToken(token);
  if (!claim?.matches(0)) throw notFound("link");
  const [row] = await context.db
    .select({
      proofId: entryProofs.id,
      id: people.id,
      name: people.name,
      locale: people.locale,
      organisationId: people.organisationId,
    })
    .from(entryProofs)
    .innerJoin(tickets, eq(tickets.id, entryProofs.ticketId))
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        eq(entryProofs.id, claim.ticketId),
        eq(entryProofs.purpose, "own-file"),
        isNull(entryProofs.usedAt),
        gt(entryProofs.askedAt, context.clock.now() - ownFileMinutes * minuteMs),
      ),
    );
  if (!row) throw notFound("link");
  return { ...row, name: row.name ?? "" };
}

/** Uses the link up: of two that press at once one gets the file. */
export async function takeOwnFile(context: Context, token: string): Promise<OwnFileOwner> {
  const owner = await ownFileOwner(context, token);
  await context.db.transaction(async (tx) => {
    const used = await tx
      .update(entryProofs)
      .set({ usedAt: context.clock.now() })
      .where(and(eq(entryProofs.id, owner.proofId), isNull(entryProofs.usedAt)))
      .returning({ id: entryProofs.id });
    if (used.length === 0) throw notFound("link");
    await audit(context, tx, { organisationId: owner.organisationId, actorId: owner.id, action: "ticket.own-file" });
  });
  return owner;
}
