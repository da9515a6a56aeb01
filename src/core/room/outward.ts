import type { EntryBody, JournalEntry } from "./commands";
import type { RoomState } from "./room";

/** What a row asks of the world outside the room. Data, not deeds: carried out after the commit. */
export type OutwardAct = { act: "mail-answer"; questionId: string } | { act: "audit"; action: string };

const audited: ReadonlySet<EntryBody["type"]> = new Set<EntryBody["type"]>([
  "hour.doors-opened",
  "hour.doors-held",
  "hour.doors-released",
  "hour.curtain-raised",
  "hour.curtain-dropped",
  "hour.curtain-struck",
  "hour.switch-set",
  "hour.shown-out",
  "hour.bar-lifted",
  "hour.ended",
  "hour.cancelled",
  "hour.restored",
]);

/** An answer in writing reaches its asker by mail when the hour is over or it was promised for later. */
function isByMail(body: Extract<EntryBody, { type: "questions.answered" }>, before: RoomState): boolean {
  if (body.how === "aloud") return false;
  return before.hour.phase === "ended" || before.questions.asked.get(body.questionId)?.state === "later";
}

/** The acts outside that a row brings about. */
export function outwardOf({ body }: JournalEntry, before: RoomState): readonly OutwardAct[] {
  if (body.type === "questions.answered" && isByMail(body, before)) {
    return [{ act: "mail-answer", questionId: body.questionId }];
  }
  return audited.has(body.type) ? [{ act: "audit", action: body.type }] : [];
}
