import { z } from "zod";
import { issue } from "@/core/shared";
import { recordingAudiences } from "@/core/watching";

/** An instant, in milliseconds. */
const instant = z.number().int().min(0).max(4_102_444_800_000);

/** From when until when a recording can be watched, and by whom. */
export const publicationInput = z
  .object({
    /** null: from now on */
    from: instant.nullable(),
    /** null: for as long as it is kept */
    until: instant.nullable(),
    audience: z.enum(recordingAudiences),
    /** word to everybody registered, once it can be watched */
    tells: z.boolean(),
  })
  .refine((one) => one.until === null || one.from === null || one.until > one.from, {
    path: ["until"],
    message: issue("over-before-it-begins"),
  });
export type PublicationInput = z.infer<typeof publicationInput>;

/** Nobody records longer than a day. */
const seconds = z.coerce.number().min(0).max(86_400);

/** What is done to a recording, over its original: the whole list, each time. */
export const recordingEditInput = z.object({
  title: z.string().trim().min(1, issue("title-needed")).max(200, issue("title-too-long")),
  cuts: z
    .array(
      z.object({ fromSeconds: seconds, toSeconds: seconds }).refine((one) => one.toSeconds > one.fromSeconds, {
        path: ["toSeconds"],
        message: issue("cut-ends-before-it-begins"),
      }),
    )
    .max(50),
  /** null: as the hour gave them */
  chapters: z
    .array(z.object({ title: z.string().trim().min(1).max(120), startSeconds: seconds }))
    .max(100)
    .nullable(),
});
export type RecordingEditInput = z.infer<typeof recordingEditInput>;

/** When a recording is to be watched together. */
export const screeningInput = z.object({ startAt: instant });
