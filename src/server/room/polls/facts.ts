import { and, eq } from "drizzle-orm";
import type { FactBody } from "@/contracts";
import type { OwnParts, RoomState } from "@/core/room";
import { groupBy } from "@/core/shared";
import type { Db } from "../../db/client";
import { anyOf } from "../../db/queries/any-of";
import { ballots, polls } from "../../db/schema";
import { Together } from "../../platform/together";
import type { FactOutcome, FactPlace } from "../room-server";
import { castBallots, type Ballot } from "./cast-ballots";

type Vote = Extract<FactBody, { type: "polls.vote" }>;

// hundreds answer within seconds: what comes while some are written is written with the next
const boxes = new WeakMap<Db, Together<Ballot, FactOutcome>>();

function boxOf(db: Db): Together<Ballot, FactOutcome> {
  const known = boxes.get(db);
  if (known) return known;
  const box = new Together<Ballot, FactOutcome>((cast) => castBallots(db, cast), { atOnce: 100, waiting: 5000 });
  boxes.set(db, box);
  return box;
}

/** One person's answers to a poll, changeable while it is open unless it is locked. */
export const castBallot = (db: Db, place: FactPlace, { pollId, answers }: Vote): Promise<FactOutcome> =>
  boxOf(db).run({ place, pollId, answers });

const ballotsOf = (db: Db, occurrenceId: string, ticketIds: readonly string[]) =>
  db
    .select({
      ticketId: ballots.ticketId,
      pollId: ballots.pollId,
      questionId: ballots.questionId,
      choice: ballots.choice,
    })
    .from(ballots)
    .innerJoin(polls, eq(polls.id, ballots.pollId))
    .where(and(anyOf(ballots.ticketId, ticketIds), eq(polls.occurrenceId, occurrenceId)));

/** How each of several people voted. */
export async function ownBallots(
  db: Db,
  occurrenceId: string,
  ticketIds: readonly string[],
  { polls: { polls: known } }: RoomState,
): Promise<ReadonlyMap<string, OwnParts>> {
  const wasAnyOpen = [...known].some(([, { openedAt }]) => openedAt !== null);
  const rows = wasAnyOpen ? await ballotsOf(db, occurrenceId, ticketIds) : [];
  const byPerson = groupBy(rows, (row) => row.ticketId);
  const own = (id: string) =>
    Object.fromEntries(
      [...groupBy(byPerson.get(id) ?? [], (row) => row.pollId)].map(([pollId, cast]) => [
        pollId,
        Object.fromEntries(cast.map((row) => [row.questionId, row.choice])),
      ]),
    );
  return new Map(ticketIds.map((id) => [id, { polls: { ballots: own(id) } }]));
}
