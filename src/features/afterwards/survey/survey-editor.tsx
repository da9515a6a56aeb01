"use client";
import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import { useState, useTransition } from "react";
import type { Done, SurveyInput } from "@/contracts";
import { surveyKinds, type SurveyKind } from "@/core/survey";
import { Button, Checkbox, Field, IconButton, Input, Note, Select, Textarea, toast } from "@/ui";

const kindWords: Readonly<Record<SurveyKind, string>> = {
  "scale-5": "Scale 1 to 5",
  "scale-10": "Scale 0 to 10",
  choice: "One of several",
  several: "Any of several",
  text: "Words",
};
type Question = SurveyInput["questions"][number];
const hasOptions = (kind: SurveyKind): boolean => kind === "choice" || kind === "several";
const swapped = <T,>(list: readonly T[], a: number, b: number): T[] =>
  list.map((one, i) => (i === a ? list[b]! : i === b ? list[a]! : one));

function OneQuestion(props: {
  question: Question;
  number: number;
  isLast: boolean;
  change: (question: Question) => void;
  move: (by: -1 | 1) => void;
  remove: () => void;
}) {
  const { question, number, change } = props;
  return (
    <li className="border-t border-rule py-2">
      <div className="grid grid-cols-[1fr_10rem_auto] items-end gap-3 max-lg:grid-cols-1">
        <Field label={`Question ${number}`}>
          {(ids) => (
            <Input
              {...ids}
              maxLength={300}
              value={question.label}
              onChange={(event) => change({ ...question, label: event.target.value })}
            />
          )}
        </Field>
        <Field label="Answered by">
          {(ids) => (
            <Select
              {...ids}
              value={question.kind}
              onChange={(event) => {
                const kind = event.target.value as SurveyKind;
                change({ ...question, kind, options: hasOptions(kind) ? question.options : [] });
              }}
            >
              {surveyKinds.map((kind) => (
                <option key={kind} value={kind}>
                  {kindWords[kind]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <span className="flex items-center gap-1">
          <label className="me-2 flex items-center gap-1.5">
            <Checkbox
              checked={question.isRequired}
              onChange={(event) => change({ ...question, isRequired: event.target.checked })}
            />
            must be answered
          </label>
          <IconButton
            label={`Move question ${number} up`}
            icon={<ArrowUp size={16} aria-hidden />}
            disabled={number === 1}
            onClick={() => props.move(-1)}
          />
          <IconButton
            label={`Move question ${number} down`}
            icon={<ArrowDown size={16} aria-hidden />}
            disabled={props.isLast}
            onClick={() => props.move(1)}
          />
          <IconButton
            label={`Remove question ${number}`}
            icon={<Trash2 size={16} aria-hidden />}
            onClick={props.remove}
          />
        </span>
      </div>
      {hasOptions(question.kind) && (
        <Field label="Options, a line each" className="mt-2">
          {(ids) => (
            <Textarea
              {...ids}
              rows={Math.max(2, question.options.length + 1)}
              value={question.options.join("\n")}
              onChange={(event) => change({ ...question, options: event.target.value.split("\n") })}
            />
          )}
        </Field>
      )}
    </li>
  );
}

/** What is asked after each date of the event. */
export function SurveyEditor(props: {
  survey: SurveyInput;
  version: number;
  /** somebody has answered: whether answers bear names is fixed */
  isAnswered: boolean;
  save: (version: number, input: SurveyInput) => Promise<Done<{ readonly version: number }>>;
}) {
  const [survey, setSurvey] = useState(props.survey);
  const [version, setVersion] = useState(props.version);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const set = (part: Partial<SurveyInput>) => setSurvey({ ...survey, ...part });
  const setQuestions = (questions: readonly Question[]) => set({ questions: [...questions] });
  const { questions } = survey;
  const submit = () =>
    run(async () => {
      const tidy = questions.map((one) => ({ ...one, options: one.options.map((o) => o.trim()).filter(Boolean) }));
      const done = await props.save(version, { ...survey, questions: tidy });
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      setVersion(done.value.version);
      toast("Saved. People find it by their survey’s link.");
    });
  return (
    <form
      aria-label="Survey"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <ul>
        {questions.map((question, i) => (
          <OneQuestion
            key={question.id}
            question={question}
            number={i + 1}
            isLast={i === questions.length - 1}
            change={(next) => setQuestions(questions.map((one, k) => (k === i ? next : one)))}
            move={(by) => setQuestions(swapped(questions, i, i + by))}
            remove={() => setQuestions(questions.filter((_, k) => k !== i))}
          />
        ))}
      </ul>
      <Button
        className="mt-1"
        onClick={() =>
          setQuestions([
            ...questions,
            { id: crypto.randomUUID().slice(0, 8), kind: "scale-5", label: "", isRequired: false, options: [] },
          ])
        }
      >
        Add a question
      </Button>
      <div className="mt-4 flex flex-wrap items-center gap-x-6 gap-y-2 border-t border-rule pt-3">
        <label className="flex items-center gap-2">
          <Checkbox
            checked={survey.isAnonymous}
            disabled={props.isAnswered}
            onChange={(event) => set({ isAnonymous: event.target.checked })}
          />
          Answers are kept without names
        </label>
        <label className="flex items-center gap-2">
          <Checkbox checked={survey.isSample} onChange={(event) => set({ isSample: event.target.checked })} />
          Who answers stands for more people: show intervals
        </label>
        <label className="flex items-center gap-2">
          <Checkbox checked={survey.isOn} onChange={(event) => set({ isOn: event.target.checked })} />
          Can be answered
        </label>
        <Button type="submit" weight="act" disabled={isPending || questions.length === 0}>
          Save
        </Button>
      </div>
      {props.isAnswered && (
        <p className="mt-1 text-label text-ink-2">
          Somebody has answered: whether answers bear names cannot change any more.
        </p>
      )}
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </form>
  );
}
