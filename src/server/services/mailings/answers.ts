import { sql } from "drizzle-orm";
import { groupBy } from "@/core/shared";
import type { Db } from "../../db/client";
import { idArray } from "../../db/queries/any-of";

/** A question of somebody's and what it was answered in writing. */
export interface WrittenAnswer {
  readonly text: string;
  readonly answer: string;
  /** this answer as it was written then: kept with the mail, so that no other says it again */
  readonly key: string;
  /** asked without a name: nobody but who asked reads the mail */
  readonly isUnnamed: boolean;
}

/**
 * What each of these mails answers, by its id: all questions of the person at that date whose answer goes by mail and
 * stands in no mail that left before. A question that was asked together with another has the other's answer.
 */
export async function answersOf(
  db: Db,
  messageIds: readonly string[],
): Promise<ReadonlyMap<string, readonly WrittenAnswer[]>> {
  if (messageIds.length === 0) return new Map();
  const { rows } = await db.execute(sql`
    with written as (
      select m.id, m.person_id, m.occurrence_id, q.text, q.asked_at, coalesce(main.answer, q.answer) as answer,
        q.is_anonymous as is_unnamed, q.id || '@' || extract(epoch from coalesce(main.answered_at, q.answered_at)) as key
      from messages m
      join occurrences o on o.id = m.occurrence_id
      join tickets t on t.person_id = m.person_id and t.event_id = o.event_id
      join questions q on q.asker_ticket_id = t.id and q.occurrence_id = o.id
      left join questions main on main.id = q.merged_into
      where m.id = any(${idArray(messageIds)})
        and coalesce(main.answered, q.answered) in ('to-one', 'to-all')
        and coalesce(main.is_by_mail, q.is_by_mail))
    select id, text, answer, key, is_unnamed as "isUnnamed" from written w
    where not exists (
      select 1 from messages gone
      where gone.person_id = w.person_id and gone.occurrence_id = w.occurrence_id and gone.kind = 'answer' and gone.id <> w.id
        and gone.rendered -> 'answerKeys' ? w.key)
    order by asked_at, key limit ${messageIds.length * 100}`);
  const found = rows as unknown as readonly (WrittenAnswer & { id: string })[];
  return groupBy(found, (row) => row.id);
}

export interface AnswersAsOne {
  readonly text: string;
  readonly answer: string;
  readonly keys: readonly string[];
  readonly isUnnamed: boolean;
}

/** Several as one text: numbered, question and answer by the same number. */
export function asOneText(answers: readonly WrittenAnswer[]): AnswersAsOne {
  const keys = answers.map(({ key }) => key);
  const isUnnamed = answers.some((one) => one.isUnnamed);
  const [texts, said] = [answers.map(({ text }) => text), answers.map(({ answer }) => answer)];
  const numbered = (list: readonly string[]) =>
    list.length === 1 ? list[0]! : list.map((one, i) => `${i + 1}. ${one}`).join("\n");
  return { text: numbered(texts), answer: numbered(said), keys, isUnnamed };
}
