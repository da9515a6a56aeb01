"use client";
import { useState } from "react";
import { useLocale, useTranslations } from "use-intl";
import { isSameBallot, quizScore, readAnswers, type Answers } from "@/core/polls";
import type { HouseView, PersonalPart, PollItem } from "@/core/room";
import { Button } from "@/ui";
import { spanText } from "../times";
import { useKept } from "../use-kept";
import { useNow } from "../use-now";
import type { RoomLink } from "../room-link/use-room";
import { AnswerField } from "./answer-fields";
import { PollResults, QuestionResult } from "./poll-results";
import type { ResultWords } from "./words";

type Send = RoomLink<HouseView>["send"];

/** The words of a result in the reader's own language. */
export function useResultWords(): ResultWords {
  const t = useTranslations("house");
  const p = useTranslations("polls");
  return {
    voters: (count) => t("voters", { count }),
    rounded: t("rounded"),
    several: p("severalNote"),
    mean: (mean, median) => p("mean", { mean, median }),
    points: (count) => p("points", { count }),
    right: p("right"),
    rightOf: (right, of) => p("rightOf", { right, of }),
    yours: p("yours"),
    noVote: p("noVote"),
    noText: p("noText"),
  };
}

function TimeLeft({ closesAt, ahead }: { closesAt: number; ahead: number }) {
  const p = useTranslations("polls");
  const now = useNow(closesAt, ahead);
  const locale = useLocale();
  return <span className="mono">{p("closesIn", { time: spanText(Math.max(0, closesAt - now), locale) })}</span>;
}

function QuestionHeading({ text }: { text: string }) {
  return (
    <h3 className="mb-1 text-base font-semibold" dir="auto">
      {text}
    </h3>
  );
}

interface OneProps {
  readonly id: string;
  readonly poll: PollItem;
  readonly sent: Answers;
  readonly send: Send;
}

/** One single question with one answer is taken with the press; everything else is sent when it is whole. */
const isTakenAtOnce = ({ questions, isLocked }: PollItem): boolean =>
  questions.length === 1 &&
  !isLocked &&
  !(["several-choices", "ranking", "open-text"] as const).some((kind) => kind === questions[0]!.kind);

function OpenPoll({ id, poll, sent, send }: OneProps) {
  const t = useTranslations("house");
  const p = useTranslations("polls");
  const [begun, setBegun, forget] = useKept<Answers | null>(`poll-${id}`, null);
  const [isSending, setSending] = useState(false);
  const hasVoted = Object.keys(sent).length > 0;
  const isFixed = poll.isLocked && hasVoted;
  // a locked answer is the one that was counted, whatever was begun after it
  const answers = (isFixed ? null : begun) ?? sent;
  const words = {
    several: p("several"),
    ranking: p("ranking"),
    text: p("text"),
    noVote: p("noVote"),
    here: p("here"),
  };
  const give = async (next: Answers) => {
    setSending(true);
    const receipt = await send({
      type: "polls.vote",
      pollId: id,
      answers: Object.fromEntries(Object.entries(next).map(([question, choice]) => [question, [...choice]])),
    });
    setSending(false);
    if (receipt.ok) forget();
  };
  const change = (questionId: string, choice: readonly string[]) => {
    const next = { ...answers, [questionId]: choice };
    setBegun(next);
    if (isTakenAtOnce(poll)) void give(next);
  };
  const answered = Object.fromEntries(Object.entries(answers).filter(([, choice]) => choice.length > 0));
  const read = readAnswers(poll, answered);
  // what was changed since and not sent is not what is counted
  const isCounted = hasVoted && read.ok && isSameBallot(read.value, sent);
  return (
    <form
      className="mt-2 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isSending) void give(answered);
      }}
    >
      {poll.questions.map((question) => (
        <div key={question.id}>
          {poll.questions.length > 1 && <QuestionHeading text={question.text} />}
          <AnswerField
            question={question}
            choice={answers[question.id] ?? []}
            isDisabled={isFixed}
            words={words}
            onChange={(choice) => change(question.id, choice)}
          />
        </div>
      ))}
      {!isTakenAtOnce(poll) && !isFixed && (
        <Button type="submit" weight="act" className="self-start" disabled={isSending || !read.ok}>
          {p("send")}
        </Button>
      )}
      <p role="status" className="text-label text-ink-2">
        {[
          isSending ? t("sending") : isCounted ? t("pollVoted") : "",
          poll.isLocked ? p("locked") : t("pollChange"),
          poll.isAnonymous ? p("anonymous") : "",
        ]
          .filter(Boolean)
          .join(" ")}
      </p>
    </form>
  );
}

function ShownResult({
  poll,
  tallies,
  sent,
}: {
  poll: PollItem;
  tallies: HouseView["tallies"][string];
  sent: Answers;
}) {
  const p = useTranslations("polls");
  const words = useResultWords();
  const score = quizScore(poll.questions, sent);
  return (
    <div className="mt-2 flex flex-col gap-3">
      {poll.questions.map((question) => (
        <div key={question.id}>
          {poll.questions.length > 1 && <QuestionHeading text={question.text} />}
          <QuestionResult
            question={question}
            tally={tallies.byQuestion[question.id]}
            isSample={poll.isSample}
            mine={sent[question.id]}
            words={words}
          />
        </div>
      ))}
      {score && Object.keys(sent).length > 0 && <p className="font-semibold">{p("score", score)}</p>}
    </div>
  );
}

/** The polls that are asked now, and the results that are shown. */
export function PollPlace(props: { view: HouseView; me: PersonalPart | null; ahead: number; send: Send }) {
  const t = useTranslations("house");
  return Object.entries(props.view.polls).map(([id, poll]) => {
    const sent = props.me?.own.polls?.ballots[id] ?? {};
    const tallies = props.view.tallies[id];
    const isOpen = poll.state === "open";
    return (
      <section key={id} className="border-t-4 border-action bg-sheet p-4" aria-live="polite">
        <p className="flex justify-between text-label text-ink-2">
          {isOpen ? t("poll") : t("results")}
          {isOpen && poll.closesAt !== null && <TimeLeft closesAt={poll.closesAt} ahead={props.ahead} />}
        </p>
        {poll.questions.length === 1 && (
          <h2 className="text-lead font-semibold" dir="auto">
            {poll.questions[0]!.text}
          </h2>
        )}
        {isOpen && <OpenPoll id={id} poll={poll} sent={sent} send={props.send} />}
        {poll.isRevealed && tallies && <ShownResult poll={poll} tallies={tallies} sent={sent} />}
      </section>
    );
  });
}

/** The result that the team put on the picture. */
export function ResultOnPicture({ view }: { view: HouseView }) {
  const words = useResultWords();
  const shown = Object.entries(view.polls).find(([, poll]) => poll.isOnPicture);
  const tallies = shown && view.tallies[shown[0]];
  if (!shown || !tallies) return null;
  const [, poll] = shown;
  return (
    <div className="m-auto w-full max-w-2xl">
      {poll.questions.length === 1 && (
        <p className="mb-2 text-head font-semibold" dir="auto">
          {poll.questions[0]!.text}
        </p>
      )}
      <PollResults
        questions={poll.questions.slice(0, 2)}
        tallies={tallies.byQuestion}
        isSample={poll.isSample}
        words={words}
      />
    </div>
  );
}
