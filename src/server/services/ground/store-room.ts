import { eq, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { decks, eventFiles, events, handOuts, recordings } from "../../db/schema";
import type { Context } from "./context";

async function keptBytes(context: Context, organisationId: string): Promise<number> {
  const [[recorded], [offered], [shown], [handed]] = await Promise.all([
    context.db
      .select({
        bytes: sql<string>`coalesce(sum(${recordings.sizeBytes} + coalesce(${recordings.editedBytes}, 0) + coalesce(${recordings.soundBytes}, 0)), 0)`,
      })
      .from(recordings)
      .where(eq(recordings.organisationId, organisationId)),
    // by way of the events, whose index leads to an organisation's own
    context.db
      .select({ bytes: sql<string>`coalesce(sum(${eventFiles.sizeBytes}), 0)` })
      .from(eventFiles)
      .innerJoin(events, eq(events.id, eventFiles.eventId))
      .where(eq(events.organisationId, organisationId)),
    context.db
      .select({ bytes: sql<string>`coalesce(sum(${decks.sizeBytes}), 0)` })
      .from(decks)
      .where(eq(decks.organisationId, organisationId)),
    context.db
      .select({ bytes: sql<string>`coalesce(sum(${handOuts.sizeBytes}), 0)` })
      .from(handOuts)
      .where(eq(handOuts.organisationId, organisationId)),
  ]);
  return Number(recorded!.bytes) + Number(offered!.bytes) + Number(shown!.bytes) + Number(handed!.bytes);
}

/** How much of its share of the disk an organisation uses. */
export async function storeUse(
  context: Context,
  organisationId: string,
): Promise<{ readonly keptBytes: number; readonly limitBytes: number }> {
  return {
    keptBytes: await keptBytes(context, organisationId),
    limitBytes: context.environment.STAGE_CALL_STORE_LIMIT_GB * 1e9,
  };
}

/**
 * How large a new file may be, in bytes: its own limit, or what is left of the organisation's share of the
 * disk, whichever is less. Counted before each upload; two at once can go over by one file.
 * @throws store-full when nothing is left, or less than the file says it needs
 */
export async function bytesToSpare(
  context: Context,
  organisationId: string,
  ownLimitBytes: number,
  expectedBytes: number | null,
): Promise<number> {
  const limitBytes = context.environment.STAGE_CALL_STORE_LIMIT_GB * 1e9;
  const leftBytes = limitBytes - (await keptBytes(context, organisationId));
  if (leftBytes <= 0 || (expectedBytes !== null && expectedBytes <= ownLimitBytes && expectedBytes > leftBytes))
    throw new Refusal({ code: "store-full", limitBytes });
  return Math.min(ownLimitBytes, leftBytes);
}
