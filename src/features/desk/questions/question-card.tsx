"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { Button, Menu } from "@/ui";
import type { DeskScene } from "../scene";
import { Answer } from "./answer";
import { furtherActs } from "./question-acts";

type DeskQuestion = DeskScene["view"]["questions"][string];

const stateWords: Readonly<Record<string, string>> = {
  "lined-up": phrase("lined up"),
  "on-stage": phrase("on stage"),
  done: phrase("answered"),
  later: phrase("to be answered by mail"),
  "not-taken": phrase("set aside"),
};

function QuestionActs({ id, question, scene }: { id: string; question: DeskQuestion; scene: DeskScene }) {
  const say = useSay();
  const { send, may } = scene;
  const [isAnswering, setAnswering] = useState(false);
  if (!may("questions.move")) return null;
  const { state } = question;
  const isOnStage = state === "on-stage";
  const main = isOnStage ? say`Answered aloud` : state === "new" ? say`Line up` : say`Show now`;
  const act = () => {
    if (isOnStage) void send({ type: "questions.answer", questionId: id, how: "aloud", text: null });
    else
      void send({
        type: "questions.move",
        questionId: id,
        state: state === "new" ? "lined-up" : "on-stage",
        segmentId: null,
      });
  };
  const items = furtherActs(scene, id, question, () => setAnswering(true)).filter((item) => item.label !== main);
  return (
    <>
      <div className="flex items-center gap-1">
        <Button weight={state === "new" ? "quiet" : "act"} onClick={act}>
          {main}
        </Button>
        <Menu
          trigger={
            <Button weight="plain" aria-label={say`More for: ${question.text}`}>
              {say`More`}
            </Button>
          }
          items={items}
        />
      </div>
      {isAnswering && <Answer id={id} scene={scene} onSent={() => setAnswering(false)} />}
    </>
  );
}

/** What is to be said of a question in one line. */
function aboutWords(question: DeskQuestion, { view, say }: DeskScene, votes: number): string {
  const taker = question.takenBy ? (view.stage[question.takenBy]?.name ?? say`somebody`) : null;
  const whom = question.forId ? view.stage[question.forId]?.name : null;
  const parts = [
    votes === 1 ? say`1 vote` : say`${votes} votes`,
    question.isAnonymous ? say`without a name` : question.askerName,
    taker && say`taken by ${taker}`,
    question.state !== "new" &&
      (whom ? say`${say.of(stateWords[question.state]!)} for ${whom}` : say.of(stateWords[question.state]!)),
    question.isHeld && say`others do not see it yet`,
  ];
  return parts.filter(Boolean).join(" · ");
}

/** Those that were taken as one with it, each with its way out again. */
function TakenTogether({ id, scene }: { id: string; scene: DeskScene }) {
  const say = useSay();
  const together = Object.entries(scene.view.questions).filter(([, one]) => one.mergedIntoId === id);
  if (together.length === 0) return null;
  return (
    <ul className="mb-1 border-s-2 border-rule ps-2 text-label">
      {together.map(([other, { text }]) => (
        <li key={other} className="flex items-center gap-2">
          <span className="min-w-0 flex-1 truncate" dir="auto">
            {text}
          </span>
          {scene.may("questions.part") && (
            <Button
              size="small"
              weight="plain"
              aria-label={say`Take apart again: ${text}`}
              onClick={() => scene.send({ type: "questions.part", questionId: other })}
            >
              {say`Take apart`}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

function Comments({ id, question, scene }: { id: string; question: DeskQuestion; scene: DeskScene }) {
  const say = useSay();
  if (question.comments.length === 0) return null;
  return (
    <details className="mb-1 text-label">
      <summary className="cursor-pointer text-ink-2">{say`Comments: ${question.comments.length}`}</summary>
      <ul>
        {question.comments.map((comment) => (
          <li key={comment.id} className="flex items-center gap-2">
            <span className="min-w-0 flex-1 break-words" dir="auto">
              <span className="text-ink-2">{comment.name}:</span> {comment.text}
            </span>
            {scene.may("questions.remove-comment") && (
              <Button
                size="small"
                weight="plain"
                aria-label={say`Take the comment away: ${comment.text}`}
                onClick={() => scene.send({ type: "questions.remove-comment", questionId: id, commentId: comment.id })}
              >
                {say`Take away`}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** One question at the desk: its words, what is to be said of it, one act, the rest behind it. */
export function QuestionCard({ id, scene, nearId = null }: { id: string; scene: DeskScene; nearId?: string | null }) {
  const say = useSay();
  const question = scene.view.questions[id];
  if (!question) return null;
  const votes = scene.view.votes[id]?.count ?? 0;
  const near = nearId === null ? undefined : scene.view.questions[nearId];
  return (
    <li className="border-b border-rule py-2">
      <p className="break-words" dir="auto">
        {question.text}
      </p>
      <p className="mb-1 text-label text-ink-2">{aboutWords(question, scene, votes)}</p>
      <TakenTogether id={id} scene={scene} />
      <Comments id={id} question={question} scene={scene} />
      {near && scene.may("questions.merge") && (
        <p className="mb-1 flex items-center gap-2 border-s-2 border-attention ps-2 text-label">
          <span className="min-w-0 flex-1">{say`Much like “${near.text}”`}</span>
          <Button
            size="small"
            aria-label={say`Take as one with: ${near.text}`}
            onClick={() => scene.send({ type: "questions.merge", questionId: id, intoId: nearId! })}
          >
            {say`Take as one`}
          </Button>
        </p>
      )}
      <QuestionActs id={id} question={question} scene={scene} />
    </li>
  );
}
