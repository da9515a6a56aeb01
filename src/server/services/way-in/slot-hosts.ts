import { and, eq, isNotNull, isNull } from "drizzle-orm";
import type { Db } from "../../db/client";
import { events, occurrences, people, tickets } from "../../db/schema";
import type { Context } from "../ground/context";
import { planLetter } from "../ground/letters";

type Event = typeof events.$inferSelect;

/** Whoever gives out hours hears of each booking, by mail. */
export async function tellHosts(
  context: Context,
  tx: Db,
  event: Event,
  date: Pick<typeof occurrences.$inferSelect, "startAt" | "zone">,
  what: "made" | "moved" | "given-back",
  personId: string,
): Promise<void> {
  if (event.shape !== "slots") return;
  const [guest] = await tx.select({ name: people.name }).from(people).where(eq(people.id, personId));
  const hosts = await tx
    .select({ name: people.name, email: people.email })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        eq(tickets.eventId, event.id),
        eq(tickets.role, "producer"),
        isNull(tickets.revokedAt),
        isNotNull(people.email),
      ),
    )
    .limit(20);
  const { startAt, zone } = date;
  const body = { kind: "booking", what, title: event.title, guest: guest?.name ?? "", startAt, zone } as const;
  for (const host of hosts)
    await planLetter(context, tx, event.organisationId, { name: host.name ?? "", email: host.email! }, body);
}
