import { sql } from "drizzle-orm";
import { readAnswers, type Answers, type Choice, type PollQuestion } from "@/core/polls";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { outcomeOf, type Outcome } from "../../platform/together";
import type { FactOutcome, FactPlace, TallyChange } from "../room-server";
import { pollWords } from "./poll-words";

/** One person's answers to one poll. */
export interface Ballot {
  readonly place: FactPlace;
  readonly pollId: string;
  readonly answers: Answers;
}

interface Row {
  readonly n: number;
  readonly questionId: string;
  readonly isOpen: boolean;
  readonly isLocked: boolean;
  readonly earlier: Choice | null;
  readonly isCast: boolean;
}

/**
 * Ballots into their table, in one statement for many: a poll's row is held in share mode, so that a ballot either
 * stands before the close or is refused; it is never lost between.
 */
async function write(db: Db, cast: readonly (Ballot & { readonly n: number })[]): Promise<readonly Row[]> {
  const given = cast.flatMap(({ n, place, pollId, answers }) =>
    Object.entries(answers).map(([question, choice]) => ({
      n,
      poll: pollId,
      ticket: place.actorId,
      org: place.organisationId,
      date: place.occurrenceId,
      at: new Date(place.now).toISOString(),
      question,
      choice,
    })),
  );
  const { rows } = await db.execute(sql`
    with given as (
      select * from jsonb_to_recordset(${JSON.stringify(given)}::jsonb)
        as g(n int, poll uuid, ticket uuid, org uuid, date uuid, at timestamptz, question text, choice jsonb)),
    poll as (select id, occurrence_id, state, closes_at, is_locked from polls where id in (select poll from given) for share),
    read as (
      select g.*, p.state = 'open' and (p.closes_at is null or p.closes_at > g.at) as is_open, p.is_locked, b.choice as earlier
      from given g join poll p on p.id = g.poll and p.occurrence_id = g.date
      left join ballots b on b.poll_id = g.poll and b.ticket_id = g.ticket and b.question_id = g.question),
    cast_now as (
      insert into ballots (poll_id, ticket_id, organisation_id, question_id, choice, at)
      select poll, ticket, org, question, choice, at from read where is_open and not (is_locked and earlier is not null)
      on conflict (poll_id, ticket_id, question_id) do update set choice = excluded.choice, at = excluded.at
      returning poll_id, ticket_id, question_id)
    select r.n, r.question as "questionId", r.is_open as "isOpen", r.is_locked as "isLocked", r.earlier, c.poll_id is not null as "isCast"
    from read r left join cast_now c on c.poll_id = r.poll and c.ticket_id = r.ticket and c.question_id = r.question`);
  return rows as unknown as Row[];
}

const isSame = (a: Choice | null, b: Choice): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What one ballot came to. A locked one that is sent again is the same one. */
function outcomeFor(ballot: Ballot, questions: readonly PollQuestion[], rows: readonly Row[]): FactOutcome {
  const { answers, pollId, place } = ballot;
  if (rows.length === 0) throw new Refusal({ code: "not-found", what: "poll" });
  if (rows.some((row) => !row.isOpen)) throw new Refusal({ code: "poll-not-open" });
  if (rows.some((row) => !row.isCast && !isSame(row.earlier, answers[row.questionId]!)))
    throw new Refusal({ code: "vote-locked" });
  if (place.actor.role === "test-guest") return {};
  const changes = rows
    .filter((row) => row.isCast && !isSame(row.earlier, answers[row.questionId]!))
    .map((row): TallyChange => {
      const { kind } = questions.find((one) => one.id === row.questionId)!;
      return { questionId: row.questionId, kind, from: row.earlier, to: answers[row.questionId]! };
    });
  return changes.length > 0 ? { figure: { of: "tally", pollId, changes } } : {};
}

/** Each person once a statement: whoever sent twice has the second ballot written after the first. */
function rounds<T extends Ballot>(cast: readonly T[]): T[][] {
  const out: T[][] = [];
  const times = new Map<string, number>();
  for (const ballot of cast) {
    const key = `${ballot.pollId} ${ballot.place.actorId}`;
    const round = times.get(key) ?? 0;
    times.set(key, round + 1);
    (out[round] ??= []).push(ballot);
  }
  return out;
}

/** Many people's ballots at once: each is read by its poll's words, refused or written, in the order in which they came. */
export async function castBallots(db: Db, cast: readonly Ballot[]): Promise<readonly Outcome<FactOutcome>[]> {
  const words = await pollWords(db, new Set(cast.map(({ pollId }) => pollId)));
  const out: Outcome<FactOutcome>[] = [];
  const read = await Promise.all(
    cast.map((ballot, n) =>
      outcomeOf(() => {
        const questions = words.get(ballot.pollId);
        if (!questions) throw new Refusal({ code: "not-found", what: "poll" });
        const answers = readAnswers({ questions }, ballot.answers);
        if (!answers.ok) throw new Refusal(answers.failure);
        return { ...ballot, n, answers: answers.value, questions };
      }),
    ),
  );
  read.forEach((one, n) => {
    if (!one.ok) out[n] = one;
  });
  for (const round of rounds(read.flatMap((one) => (one.ok ? [one.value] : [])))) {
    const rows = await write(db, round);
    for (const ballot of round) {
      const own = rows.filter((row) => row.n === ballot.n);
      out[ballot.n] = await outcomeOf(() => outcomeFor(ballot, ballot.questions, own));
    }
  }
  return out;
}
