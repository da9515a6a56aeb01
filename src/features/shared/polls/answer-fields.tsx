"use client";
import { mostTextLength, noVoteId, type Choice, type PollQuestion } from "@/core/polls";
import { Checkbox, ChoiceBar, Press, Textarea } from "@/ui";

export interface AnswerWords {
  readonly several: string;
  readonly ranking: string;
  readonly text: string;
  readonly noVote: string;
  readonly here: string;
}
interface AnswerProps {
  readonly question: PollQuestion;
  readonly choice: Choice;
  readonly isDisabled: boolean;
  readonly words: AnswerWords;
  readonly onChange: (choice: Choice) => void;
}

const labelOf = (option: PollQuestion["options"][number], words: AnswerWords): string =>
  option.id === noVoteId ? words.noVote : option.id === "here" ? words.here : option.label;

function OneAnswer({ question, choice, isDisabled, words, onChange }: AnswerProps) {
  return (
    <ChoiceBar
      label={question.text}
      isStacked={question.kind !== "scale"}
      isDisabled={isDisabled}
      choices={question.options.map((option) => ({ value: option.id, label: labelOf(option, words) }))}
      value={choice[0] ?? null}
      onChange={(id) => onChange([id])}
    />
  );
}

/** Any number of answers; declining stands alone. */
function SeveralAnswers({ question, choice, isDisabled, words, onChange }: AnswerProps) {
  const toggle = (id: string, isOn: boolean) => {
    if (!isOn) return onChange(choice.filter((one) => one !== id));
    onChange(id === noVoteId ? [id] : [...choice.filter((one) => one !== noVoteId), id]);
  };
  return (
    <fieldset disabled={isDisabled} className="flex flex-col gap-1.5">
      <legend className="mb-1 text-label text-ink-2">{words.several}</legend>
      {question.options.map((option) => (
        <label
          key={option.id}
          className="flex min-h-10 items-center gap-3 rounded-control border border-rule bg-sheet px-3 py-1.5 has-checked:border-action has-checked:bg-raised"
        >
          <Checkbox checked={choice.includes(option.id)} onChange={(e) => toggle(option.id, e.target.checked)} />
          <bdi className="min-w-0 break-words">{labelOf(option, words)}</bdi>
        </label>
      ))}
    </fieldset>
  );
}

/** An order, by pressing first what comes first; pressed again it goes out of the order. */
function Ranking({ question, choice, isDisabled, words, onChange }: AnswerProps) {
  return (
    <div role="group" aria-label={question.text} className="flex flex-col gap-1.5">
      <p className="text-label text-ink-2">{words.ranking}</p>
      {question.options.map((option) => {
        const place = choice.indexOf(option.id);
        return (
          <Press
            key={option.id}
            disabled={isDisabled}
            aria-pressed={place >= 0}
            onClick={() => onChange(place >= 0 ? choice.filter((one) => one !== option.id) : [...choice, option.id])}
            className={`flex min-h-10 items-center gap-3 rounded-control border px-3 py-1.5 text-start ${place >= 0 ? "border-action bg-raised" : "border-rule bg-sheet"}`}
          >
            <span className="mono w-6">{place >= 0 ? `${place + 1}.` : "–"}</span>
            <bdi className="min-w-0 break-words">{option.label}</bdi>
          </Press>
        );
      })}
    </div>
  );
}

function FreeText({ question, choice, isDisabled, words, onChange }: AnswerProps) {
  return (
    <Textarea
      aria-label={question.text}
      placeholder={words.text}
      rows={2}
      dir="auto"
      maxLength={mostTextLength}
      disabled={isDisabled}
      value={choice[0] ?? ""}
      onChange={(e) => onChange(e.target.value === "" ? [] : [e.target.value])}
    />
  );
}

/** How one question of a poll is answered, by its kind. */
export function AnswerField(props: AnswerProps) {
  switch (props.question.kind) {
    case "several-choices":
      return <SeveralAnswers {...props} />;
    case "ranking":
      return <Ranking {...props} />;
    case "open-text":
      return <FreeText {...props} />;
    default:
      return <OneAnswer {...props} />;
  }
}
