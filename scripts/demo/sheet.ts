import type { PollPlan } from "../../src/core/polls";
import { polls, segments } from "../../src/server/db/schema";
import type { DemoParts } from "./after-dates";
import type { DemoEvent } from "./events";
import { demoPolls } from "./polls";
import { segmentSets } from "./words";

const unfinished = (poll: PollPlan): PollPlan => ({
  ...poll,
  questions: poll.questions.map((question) => ({ ...question, options: question.options.slice(0, 1) })),
});

/** The run sheet and its polls; a draft's has a gap and a poll with one answer, for readiness to find. */
export async function insertSheet(
  { context, chance, organisationId }: DemoParts,
  event: DemoEvent,
  occurrenceId: string,
  stageIds: readonly string[],
  producerId: string,
) {
  const { db } = context;
  const set = segmentSets[event.set]!;
  const wanted: readonly PollPlan[] = event.isDraft ? [unfinished(demoPolls[0]!)] : demoPolls;
  const placed = wanted.map((poll) => ({ id: chance.id(), ...poll }));
  await db.insert(polls).values(placed.map((poll, position) => ({ organisationId, occurrenceId, position, ...poll })));
  const rows = set.map(([title, lengthMinutes], position) => ({
    id: chance.id(),
    organisationId,
    occurrenceId,
    position,
    title,
    lengthMinutes: event.isDraft && position === 1 ? lengthMinutes + 25 : lengthMinutes,
    leaderTicketId: stageIds[position % Math.max(1, stageIds.length)] ?? producerId,
    pollId: placed[position - 1]?.id ?? null,
  }));
  await db.insert(segments).values(rows);
  return { polls: placed, rows };
}
