import { z } from "zod";
import { mailDocInput } from "./mailing-input";
import { planInput, pollInput } from "./plan-input";

/** What a template keeps: settings, sheet, polls, questions and words; never anybody's data, nor a date. */
export const templateBody = z.object({
  plan: planInput,
  segments: z
    .array(
      z.object({
        title: z.string(),
        lengthMinutes: z.int(),
        offsetMinutes: z.int().nullable(),
        pollIndex: z.int().nullable(),
      }),
    )
    .max(100),
  polls: z.array(pollInput.omit({ id: true })).max(50),
  parts: z.array(z.object({ title: z.string(), offsetMinutes: z.int(), lengthMinutes: z.int() })).max(30),
  mailings: z
    .array(
      z.object({
        kind: z.string(),
        subject: z.string(),
        body: z.string(),
        doc: mailDocInput.nullable().optional(),
        afterMinutes: z.int().nullable().optional(),
      }),
    )
    .max(30),
});
export type TemplateBody = z.infer<typeof templateBody>;
