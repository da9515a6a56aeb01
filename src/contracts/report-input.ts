import { issue } from "@/core/shared";
import { surveyKinds } from "@/core/survey";
import { dayMs } from "@/core/time";
import { z } from "zod";

const key = z.string().min(1).max(400);
const reason = z.string().trim().min(1, issue("needed")).max(300, issue("too-long"));

/** Two lines that are one person. */
export const mergeLinesInput = z.object({ personKey: key, intoKey: key });
export const testInput = z.object({ personKey: key });
/** One entry from and to another instant, and why. */
export const entryCorrectionInput = z
  .object({ entryKey: key, inAt: z.int(), outAt: z.int(), reason })
  .refine(({ inAt, outAt }) => inAt < outAt, { message: issue("over-before-it-begins"), path: ["outAt"] });

/** A stretch of the hour that was marked: never longer than a date can be. */
export const stretchInput = z
  .object({ from: z.int(), to: z.int() })
  .refine(({ from, to }) => from < to && to - from < 2 * dayMs, {
    message: issue("over-before-it-begins"),
    path: ["to"],
  });

const mostChosen = 20_000;
/** People of a date by the keys of their lines, as a list was filtered. */
export const chosenPeopleInput = z.array(key).min(1, issue("no-person-at-all")).max(mostChosen, issue("too-many"));
export const noteOnPeopleInput = z.object({
  keys: chosenPeopleInput,
  text: z.string().trim().min(1, issue("needed")).max(500, issue("too-long")),
});

/** A link to the summary: for so many days, with names or without. */
export const summaryLinkInput = z.object({ withNames: z.boolean(), days: z.int().min(1).max(365) });

const points = z
  .number()
  .min(0, issue("too-few-points"))
  .max(999, issue("too-many-points"))
  .refine((value) => Math.abs(value * 100 - Math.round(value * 100)) < 1e-6, issue("too-many-decimals"));
/** A certificate's points put right, or the whole of it withdrawn. */
export const creditChangeInput = z.object({
  creditId: z.uuid(),
  points,
  isWithdrawn: z.boolean(),
  why: reason,
});
export type CreditChangeInput = z.infer<typeof creditChangeInput>;

export const mostSurveyQuestions = 30;
const surveyQuestion = z
  .object({
    id: z.string().min(1).max(40),
    kind: z.enum(surveyKinds),
    label: z.string().trim().min(1, issue("question-without-words")).max(300, issue("too-long")),
    isRequired: z.boolean(),
    options: z.array(z.string().trim().min(1).max(120)).max(20),
  })
  .refine(({ kind, options }) => (kind !== "choice" && kind !== "several") || new Set(options).size >= 2, {
    message: issue("poll-needs-two-answers"),
    path: ["options"],
  });
/** What is asked after a date. */
export const surveyInput = z.object({
  questions: z
    .array(surveyQuestion)
    .min(1, issue("needed"))
    .max(mostSurveyQuestions, issue("too-many-questions"))
    .refine((list) => new Set(list.map(({ id }) => id)).size === list.length, issue("not-offered")),
  isAnonymous: z.boolean(),
  isSample: z.boolean(),
  isOn: z.boolean(),
});
export type SurveyInput = z.infer<typeof surveyInput>;

/** What somebody answered; checked against the questions by the core. */
export const surveyAnswersInput = z.record(
  z.string().max(40),
  z.union([z.string().max(4000), z.number(), z.array(z.string().max(200)).max(20)]),
);
