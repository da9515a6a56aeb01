import { readinessOf, type Finding } from "@/core/readiness";
import type { Context } from "../../ground/context";
import type { OccurrenceRow } from "../../planning/dates/load";
import type { EventRow } from "../../planning/events";
import type { EventDate } from "./event-date";
import { planFacts } from "./facts";

const isAhead = ({ occurrence }: EventDate): boolean =>
  occurrence.kind === "show" && (occurrence.phase === "scheduled" || occurrence.phase === "backstage");

/** What still stands between each of these dates' plans and a good hour: a few reads for all of them. */
export async function findingsOf(
  context: Context,
  dates: readonly EventDate[],
): Promise<ReadonlyMap<string, readonly Finding[]>> {
  const ahead = dates.filter(isAhead);
  if (ahead.length === 0) return new Map();
  const facts = await planFacts(context, ahead);
  return new Map([...facts].map(([id, plan]) => [id, readinessOf(plan)]));
}

/** The same for one date. */
export const readinessFor = async (
  context: Context,
  event: EventRow,
  occurrence: OccurrenceRow,
): Promise<readonly Finding[]> => (await findingsOf(context, [{ event, occurrence }])).get(occurrence.id) ?? [];
