"use client";
import { useActionState } from "react";
import { stepsOf, type SurveyAnswers, type SurveyQuestion } from "@/core/survey";
import { Button, Checkbox, FieldError, Note, Radio, Textarea } from "@/ui";

export interface SurveyFormState {
  readonly wrong: string | null;
  readonly faults: Readonly<Record<string, string>>;
  readonly isKept: boolean;
}
export interface SurveyWords {
  readonly send: string;
  readonly change: string;
  readonly thanks: string;
  readonly optional: string;
  readonly least: string;
  readonly most: string;
}

/** A scale as a row of steps, its ends named. */
function Scale(props: { question: SurveyQuestion; given: SurveyAnswers[string] | undefined; words: SurveyWords }) {
  const { question, given, words } = props;
  const steps = stepsOf(question.kind);
  return (
    <div className="flex flex-wrap items-end gap-1.5">
      {steps.map((step, i) => (
        <label
          key={step}
          className="flex min-h-12 min-w-11 cursor-pointer flex-col items-center justify-end gap-0.5 border border-rule bg-sheet px-2 pb-1 has-checked:border-action has-checked:bg-raised"
        >
          <span className="mono">
            {step}
            {i === 0 && <span className="sr-only"> {words.least}</span>}
            {i === steps.length - 1 && <span className="sr-only"> {words.most}</span>}
          </span>
          <Radio name={question.id} value={step} defaultChecked={given === step} />
        </label>
      ))}
    </div>
  );
}

function Options({ question, given }: { question: SurveyQuestion; given: SurveyAnswers[string] | undefined }) {
  const chosen = [given ?? []].flat();
  return (
    <div className="flex flex-col gap-1">
      {question.options.map((option) => (
        <label key={option} className="flex min-h-10 items-center gap-2">
          {question.kind === "choice" ? (
            <Radio name={question.id} value={option} defaultChecked={chosen.includes(option)} />
          ) : (
            <Checkbox name={question.id} value={option} defaultChecked={chosen.includes(option)} />
          )}
          <bdi>{option}</bdi>
        </label>
      ))}
    </div>
  );
}

function Asked(props: {
  question: SurveyQuestion;
  given: SurveyAnswers[string] | undefined;
  fault: string | undefined;
  words: SurveyWords;
}) {
  const { question, given, fault, words } = props;
  return (
    <fieldset>
      <legend className="w-full border-t border-rule pt-3 pb-2 text-lead" dir="auto">
        {question.label}
        {!question.isRequired && <span className="text-label text-ink-2"> · {words.optional}</span>}
      </legend>
      {question.kind === "text" ? (
        <Textarea
          name={question.id}
          aria-label={question.label}
          rows={3}
          maxLength={2000}
          dir="auto"
          defaultValue={typeof given === "string" ? given : ""}
        />
      ) : stepsOf(question.kind).length > 0 ? (
        <Scale question={question} given={given} words={words} />
      ) : (
        <Options question={question} given={given} />
      )}
      {fault && <FieldError>{fault}</FieldError>}
    </fieldset>
  );
}

/** What is asked after a date; it works without scripts too. */
export function SurveyForm(props: {
  questions: readonly SurveyQuestion[];
  answers: SurveyAnswers | null;
  words: SurveyWords;
  answer: (before: SurveyFormState, data: FormData) => Promise<SurveyFormState>;
}) {
  const { questions, answers, words } = props;
  const [state, submit, isPending] = useActionState(props.answer, { wrong: null, faults: {}, isKept: false });
  return (
    <form action={submit} className="mt-5 flex flex-col gap-4">
      {questions.map((question) => (
        <Asked
          key={question.id}
          question={question}
          given={answers?.[question.id]}
          fault={state.faults[question.id]}
          words={words}
        />
      ))}
      <div aria-live="polite">
        {state.wrong && <Note tone="wrong">{state.wrong}</Note>}
        {state.isKept && <Note>{words.thanks}</Note>}
      </div>
      <Button type="submit" weight="act" className="self-start" disabled={isPending}>
        {answers || state.isKept ? words.change : words.send}
      </Button>
    </form>
  );
}
