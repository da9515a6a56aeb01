import { z } from "zod";
import { mailDocInput } from "./mailing-input";
import { planInput } from "./plan-input";
import { pollPlanInput } from "./poll-input";

interface FirstPoll {
  readonly question: string;
  readonly options: readonly { readonly id: string; readonly label: string }[];
}
/** Templates kept before polls had several questions hold one of one choice. */
const inPresentShape = (poll: unknown): unknown => {
  if (typeof poll !== "object" || poll === null || !("question" in poll)) return poll;
  const { question, options } = poll as FirstPoll;
  return { questions: [{ id: "q1", kind: "one-choice", text: question, options }] };
};

/** … and before the switches stood together had a field for each. */
const withSwitches = (plan: unknown): unknown => {
  if (typeof plan !== "object" || plan === null || "switches" in plan || !("questionsOn" in plan)) return plan;
  const old = plan as Record<string, unknown>;
  const switches = {
    questions: { on: old["questionsOn"], othersSee: old["othersQuestionsShown"] === false ? "answered" : "all" },
    polls: { on: old["pollsOn"] },
    chat: { to: old["chatTo"], isHeld: old["chatHeld"] },
    hands: { on: old["handsOn"] },
    signals: { on: old["signalsOn"] },
  };
  // what the template did not say either stays as a new event begins
  return { ...plan, switches: JSON.parse(JSON.stringify(switches)) as unknown };
};

/** What a template keeps: settings, sheet, polls, questions and words; never anybody's data, nor a date. */
export const templateBody = z.object({
  plan: z.preprocess(withSwitches, planInput),
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
  polls: z.array(z.preprocess(inPresentShape, pollPlanInput)).max(50),
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
