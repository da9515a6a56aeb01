import type { EntryBody, JournalEntry } from "./commands";
import type { Span } from "../programme";
import { spansUntil } from "./recording/state";
import type { RoomState } from "./room";

/** What a row asks of the world outside the room. Data, not deeds: carried out after the commit. */
export type OutwardAct =
  /** answers in writing that are due by mail */
  | { act: "mail-answers"; questionIds: readonly string[] }
  /** an invented house goes with its rehearsal */
  | { act: "remove-crowd" }
  /** what was recorded is one recording from here on */
  | { act: "keep-recording"; spans: readonly Span[] }
  | { act: "audit"; action: string };

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
  "recording.begun",
  "recording.stopped",
]);

/** Answers that were promised for later and are written: they go once the date is over. */
const promisedAndWritten = ({ questions }: RoomState): readonly string[] =>
  [...questions.asked].flatMap(([id, { isByMail, answered }]) =>
    isByMail && answered !== null && answered !== "aloud" ? [id] : [],
  );

/** The acts outside that a row brings about. */
export function outwardOf({ body, at }: JournalEntry, before: RoomState): readonly OutwardAct[] {
  // after the date an answer in writing has no other way
  if (body.type === "questions.answered" && body.how !== "aloud" && before.hour.phase === "ended")
    return [{ act: "mail-answers", questionIds: [body.questionId] }];
  const promised = body.type === "hour.ended" ? promisedAndWritten(before) : [];
  const mails: OutwardAct[] = promised.length > 0 ? [{ act: "mail-answers", questionIds: promised }] : [];
  const isOver = body.type === "hour.ended" || body.type === "hour.cancelled";
  const crowd: OutwardAct[] = isOver ? [{ act: "remove-crowd" }] : [];
  const audits: OutwardAct[] = audited.has(body.type) ? [{ act: "audit", action: body.type }] : [];
  const kept: OutwardAct[] =
    before.recording.way !== null && (body.type === "recording.stopped" || body.type === "hour.ended")
      ? [{ act: "keep-recording", spans: spansUntil(before.recording, at) }]
      : [];
  return [...mails, ...crowd, ...kept, ...audits];
}
