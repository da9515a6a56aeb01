import { z } from "zod";

const id = z.uuid();
const place = z.enum(["backstage", "standby", "stage"]);
const how = z.enum(["aloud", "to-one", "to-all"]);
const words = (max: number) => z.string().trim().min(1, "There are no words in it.").max(max);

/** What a client posts to `/live/{occurrence}/commands`: a room command, or a fact of high volume. */
const body = z.discriminatedUnion("type", [
  z.object({ type: z.literal("stage.enter") }),
  z.object({ type: z.literal("stage.move"), ticketId: id, place }),
  z.object({ type: z.literal("microphone.set"), isOpen: z.boolean() }),
  z.object({ type: z.literal("microphones.close"), exceptId: id.nullable() }),
  z.object({ type: z.literal("doors.open") }),
  z.object({ type: z.literal("doors.hold") }),
  z.object({ type: z.literal("doors.release") }),
  z.object({ type: z.literal("curtain.raise") }),
  z.object({ type: z.literal("curtain.drop") }),
  z.object({ type: z.literal("curtain.strike"), index: z.int().min(0), isStruck: z.boolean() }),
  z.object({ type: z.literal("cue.next"), leavingSegmentId: id.nullable() }),
  z.object({ type: z.literal("cue.jump"), leavingSegmentId: id.nullable(), segmentId: id }),
  z.object({ type: z.literal("cue.back"), leavingSegmentId: id.nullable() }),
  z.object({ type: z.literal("question.ask"), text: words(1000), segmentId: id.nullable() }),
  z.object({
    type: z.literal("question.move"),
    questionId: id,
    state: z.enum(["lined-up", "on-stage", "later", "not-taken"]),
    segmentId: id.nullable(),
  }),
  z.object({ type: z.literal("question.take"), questionId: id, isMine: z.boolean() }),
  z.object({ type: z.literal("question.answer"), questionId: id, how, text: z.string().trim().max(4000).nullable() }),
  z.object({
    type: z.literal("poll.add"),
    question: words(300),
    options: z.array(words(200)).min(2, "A poll needs two answers at least.").max(20),
  }),
  z.object({ type: z.literal("poll.open"), pollId: id }),
  z.object({ type: z.literal("poll.close"), pollId: id }),
  z.object({ type: z.literal("poll.reveal"), pollId: id }),
  z.object({ type: z.literal("poll.hold-back"), pollId: id }),
  z.object({ type: z.literal("date.end") }),
  z.object({ type: z.literal("question.vote"), questionId: id, isFor: z.boolean() }),
  z.object({ type: z.literal("ballot.cast"), pollId: id, optionId: z.string().min(1).max(40) }),
  z.object({ type: z.literal("sign"), connectionId: id }),
  z.object({ type: z.literal("goodbye"), connectionId: id }),
]);

export const commandInput = z.object({ commandId: id, command: body });
export type CommandBody = z.infer<typeof body>;
export type CommandInput = z.infer<typeof commandInput>;

/** The answer to a command: refused ones carry the failure as data. */
export type CommandAnswer = { ok: true; seq: number } | { ok: false; failure: import("@/core/shared").Failure };
