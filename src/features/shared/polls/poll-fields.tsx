"use client";
import { useSay } from "@/features/shared/say/say";
import { X } from "lucide-react";
import type { PollPlanInput } from "@/contracts";
import {
  mayOfferNoVote,
  noVoteId,
  pollKinds,
  scaleOf,
  scaleOptions,
  type PollKind,
  type ScaleName,
} from "@/core/polls";
import { Button, Checkbox, FieldError, IconButton, Input, Select, Textarea } from "@/ui";
import {
  freshQuestion,
  linesOf,
  offersNoVote,
  withKind,
  withLines,
  withNoVote,
  withoutEmptyLines,
  type QuestionDraft,
} from "./plan";
import { kindWords, limitsSeconds, limitWords } from "./words";

type ErrorAt = (path: string) => string | undefined;
const mostQuestions = 10;

function Answers({ question, onChange }: { question: QuestionDraft; onChange: (next: QuestionDraft) => void }) {
  const say = useSay();
  if (question.kind === "open-text" || question.kind === "presence-check") return null;
  if (question.kind === "scale")
    return (
      <Select
        aria-label={say`Steps of the scale`}
        value={scaleOf(question.options)}
        onChange={(e) =>
          onChange(
            withNoVote({ ...question, options: scaleOptions(e.target.value as ScaleName) }, offersNoVote(question)),
          )
        }
      >
        <option value="1-5">{say`from 1 to 5`}</option>
        <option value="0-10">{say`from 0 to 10`}</option>
      </Select>
    );
  return (
    <Textarea
      aria-label={say`Answers, one a line`}
      placeholder={say`Answers, one a line`}
      rows={Math.max(3, linesOf(question).length + 1)}
      value={linesOf(question).join("\n")}
      onChange={(e) => onChange(withLines(question, e.target.value.split("\n")))}
      onBlur={() => onChange(withoutEmptyLines(question))}
    />
  );
}

function RightAnswers({ question, onChange }: { question: QuestionDraft; onChange: (next: QuestionDraft) => void }) {
  const say = useSay();
  const options = question.options.filter(({ id, label }) => id !== noVoteId && label.trim() !== "");
  if (question.kind !== "quiz" || options.length === 0) return null;
  const set = (id: string, isRight: boolean) =>
    onChange({ ...question, rightIds: [...question.rightIds.filter((one) => one !== id), ...(isRight ? [id] : [])] });
  return (
    <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
      <legend className="text-label text-ink-2">{say`Right answer`}</legend>
      {options.map(({ id, label }) => (
        <label key={id} className="flex items-center gap-2">
          <Checkbox checked={question.rightIds.includes(id)} onChange={(e) => set(id, e.target.checked)} />
          {label}
        </label>
      ))}
    </fieldset>
  );
}

function QuestionFields(props: {
  question: QuestionDraft;
  isOnly: boolean;
  path: string;
  errorAt: ErrorAt;
  onChange: (next: QuestionDraft) => void;
  onRemove: () => void;
}) {
  const say = useSay();
  const { question, onChange, errorAt, path } = props;
  const faults = ["text", "options", "rightIds", ...question.options.map((_, i) => `options.${i}.label`)];
  const fault = faults.map((field) => errorAt(`${path}.${field}`)).find((one) => one !== undefined);
  return (
    <div className="flex flex-col gap-2">
      <div className="flex gap-2">
        <Select
          aria-label={say`Kind of question`}
          className="w-40 shrink-0"
          value={question.kind}
          onChange={(e) => onChange(withKind(question, e.target.value as PollKind))}
        >
          {pollKinds.map((kind) => (
            <option key={kind} value={kind}>
              {say.of(kindWords[kind])}
            </option>
          ))}
        </Select>
        <Input
          aria-label={say`The poll's question`}
          placeholder={say`Question`}
          value={question.text}
          onChange={(e) => onChange({ ...question, text: e.target.value })}
        />
        {!props.isOnly && (
          <IconButton label={say`Remove this question`} icon={<X size={16} aria-hidden />} onClick={props.onRemove} />
        )}
      </div>
      <Answers question={question} onChange={onChange} />
      <RightAnswers question={question} onChange={onChange} />
      {mayOfferNoVote(question.kind) && (
        <label className="flex items-center gap-2">
          <Checkbox
            checked={offersNoVote(question)}
            onChange={(e) => onChange(withNoVote(question, e.target.checked))}
          />
          {say`“No vote” is an answer too`}
        </label>
      )}
      {fault && <FieldError>{fault}</FieldError>}
    </div>
  );
}

function Settings({ poll, onChange }: { poll: PollPlanInput; onChange: (part: Partial<PollPlanInput>) => void }) {
  const say = useSay();
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-rule pt-2">
      <label className="flex items-center gap-2">
        <Checkbox checked={poll.isAnonymous} onChange={(e) => onChange({ isAnonymous: e.target.checked })} />
        {say`Anonymous`}
      </label>
      <label className="flex items-center gap-2">
        <Checkbox checked={poll.isLocked} onChange={(e) => onChange({ isLocked: e.target.checked })} />
        {say`The first answer stays`}
      </label>
      <label className="flex items-center gap-2">
        <Checkbox checked={poll.isSample} onChange={(e) => onChange({ isSample: e.target.checked })} />
        {say`Taken as a sample (shows 95 % intervals)`}
      </label>
      <label className="flex items-center gap-2">
        {say`Closes`}
        <Select
          className="w-36"
          value={poll.limitSeconds ?? ""}
          onChange={(e) => onChange({ limitSeconds: e.target.value === "" ? null : Number(e.target.value) })}
        >
          <option value="">{say`by hand`}</option>
          {limitsSeconds.map((seconds) => (
            <option key={seconds} value={seconds}>
              {say`after ${limitWords(seconds, say)}`}
            </option>
          ))}
        </Select>
      </label>
    </div>
  );
}

/** A poll's questions and settings, wherever one is prepared: on the run sheet or at the desk. */
export function PollFields<P extends PollPlanInput>(props: {
  poll: P;
  onChange: (next: P) => void;
  errorAt: ErrorAt;
  /** of the poll among the fields; empty where it stands alone */
  path: string;
}) {
  const say = useSay();
  const { poll, onChange } = props;
  const set = (questions: QuestionDraft[]) => onChange({ ...poll, questions });
  const nextId = () => {
    const taken = new Set(poll.questions.map(({ id }) => id));
    return Array.from({ length: mostQuestions + 1 }, (_, i) => `q${i + 1}`).find((id) => !taken.has(id))!;
  };
  return (
    <div className="flex flex-col gap-3">
      {poll.questions.map((question, i) => (
        <QuestionFields
          key={question.id}
          question={question}
          isOnly={poll.questions.length === 1}
          path={`${props.path}questions.${i}`}
          errorAt={props.errorAt}
          onChange={(next) => set(poll.questions.map((one) => (one.id === next.id ? next : one)))}
          onRemove={() => set(poll.questions.filter((one) => one.id !== question.id))}
        />
      ))}
      {poll.questions.length < mostQuestions && (
        <Button weight="plain" className="self-start" onClick={() => set([...poll.questions, freshQuestion(nextId())])}>
          {say`Add a question to this poll`}
        </Button>
      )}
      <Settings poll={poll} onChange={(part) => onChange({ ...poll, ...part })} />
    </div>
  );
}
