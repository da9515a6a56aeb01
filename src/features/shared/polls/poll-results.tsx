"use client";
import { useSay } from "@/features/shared/say/say";
import {
  noTally,
  noVoteId,
  resultOf,
  type Choice,
  type PollQuestion,
  type ResultLine,
  type Tallies,
} from "@/core/polls";
import { teamResultWords, type ResultWords } from "./words";

const figure = (value: number): string => value.toFixed(2).replace(/\.?0+$/u, "");
const percent = (share: number): string => `${(share * 100).toFixed(0)} %`;

/** One line as a bar: the figure always in text too. */
function ResultBar(props: {
  line: ResultLine;
  label: string;
  isRanking: boolean;
  isMine: boolean;
  words: ResultWords;
}) {
  const { line, words } = props;
  return (
    <li className="relative min-h-7 overflow-hidden border border-rule bg-sheet">
      <div className="absolute inset-y-0 start-0 bg-action/20" style={{ width: `${line.percent}%` }} />
      <div className="relative flex justify-between gap-3 px-2 py-1">
        <span className="min-w-0 break-words" dir="auto">
          {line.place !== null && <span className="mono">{line.place}. </span>}
          {props.label}
          {line.isRight && <span className="text-action"> · {words.right}</span>}
          {props.isMine && <span className="text-ink-2"> · {words.yours}</span>}
        </span>
        <span className="mono whitespace-nowrap">
          {props.isRanking ? words.points(line.count) : `${line.count} · ${line.percent} %`}
          {line.interval && (
            <span className="text-ink-2">
              {" "}
              ({percent(line.interval.low)}–{percent(line.interval.high)})
            </span>
          )}
        </span>
      </div>
    </li>
  );
}

/** What a question's votes come to, as bars (rule 11). */
export function QuestionResult(props: {
  question: PollQuestion;
  tally: Tallies[string] | undefined;
  isSample: boolean;
  mine?: Choice | undefined;
  words?: ResultWords | undefined;
}) {
  const say = useSay();
  const words = props.words ?? teamResultWords(say);
  const { question } = props;
  const result = resultOf(question, props.tally ?? noTally, props.isSample);
  // an order is read from its first place on; everything else in the order in which it was asked
  const lines = question.kind === "ranking" ? result.lines.toSorted((a, b) => b.count - a.count) : result.lines;
  const isMine = (line: ResultLine) => question.kind !== "ranking" && (props.mine?.includes(line.id) ?? false);
  const notes = [
    words.voters(result.voters),
    result.mean === null ? "" : words.mean(figure(result.mean), figure(result.median!)),
    result.right === null ? "" : words.rightOf(result.right, result.voters),
    question.kind === "several-choices" ? words.several : result.isRounded ? words.rounded : "",
  ];
  return (
    <div className="flex flex-col gap-1.5">
      {lines.length === 0 && <p className="text-ink-2">{words.noText}</p>}
      <ul className="flex max-h-80 flex-col gap-1.5 overflow-y-auto">
        {lines.map((line) => (
          <ResultBar
            key={line.id}
            line={line}
            label={line.id === noVoteId ? words.noVote : line.label}
            isRanking={question.kind === "ranking"}
            isMine={isMine(line)}
            words={words}
          />
        ))}
      </ul>
      <p className="text-label text-ink-2">{notes.filter(Boolean).join(" · ")}</p>
    </div>
  );
}

/** All questions of a poll with what came together for them. */
export function PollResults(props: {
  questions: readonly PollQuestion[];
  tallies: Tallies;
  isSample: boolean;
  words?: ResultWords | undefined;
}) {
  return (
    <div className="flex flex-col gap-3">
      {props.questions.map((question) => (
        <div key={question.id}>
          {props.questions.length > 1 && (
            <p className="mb-1 text-label font-medium" dir="auto">
              {question.text}
            </p>
          )}
          <QuestionResult
            question={question}
            tally={props.tallies[question.id]}
            isSample={props.isSample}
            words={props.words}
          />
        </div>
      ))}
    </div>
  );
}
