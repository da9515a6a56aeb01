import { polls, segments } from "../../src/server/db/schema";
import type { DemoParts } from "./after-dates";
import type { DemoEvent } from "./events";
import { segmentSets } from "./words";

/** The run sheet and its poll; a draft's has a gap and a poll with one answer, for readiness to find. */
export async function insertSheet(
  { context, chance, organisationId }: DemoParts,
  event: DemoEvent,
  occurrenceId: string,
  stageIds: readonly string[],
  producerId: string,
) {
  const { db } = context;
  const set = segmentSets[event.set]!;
  const pollId = chance.id();
  const options = [
    { id: "o1", label: "More than last year" },
    { id: "o2", label: "About the same" },
    { id: "o3", label: "Fewer" },
  ];
  await db.insert(polls).values({
    id: pollId,
    organisationId,
    occurrenceId,
    position: 0,
    question: "How many birds were on your site this winter?",
    options: event.isDraft ? options.slice(0, 1) : options,
  });
  const rows = set.map(([title, lengthMinutes], position) => ({
    id: chance.id(),
    organisationId,
    occurrenceId,
    position,
    title,
    lengthMinutes: event.isDraft && position === 1 ? lengthMinutes + 25 : lengthMinutes,
    leaderTicketId: stageIds[position % Math.max(1, stageIds.length)] ?? producerId,
    pollId: position === 1 ? pollId : null,
  }));
  await db.insert(segments).values(rows);
  return { pollId, options, rows };
}
