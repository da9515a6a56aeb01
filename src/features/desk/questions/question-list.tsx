"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { inOrder, type QuestionOrder, type QuestionState } from "@/core/questions";
import { holdsWords } from "@/core/shared";
import { Input, Select } from "@/ui";
import type { DeskScene } from "../scene";
import { nearFinder } from "./near";
import { QuestionCard } from "./question-card";

const orderWords: Readonly<Record<QuestionOrder, string>> = {
  segment: phrase("this segment first"),
  votes: phrase("most votes first"),
  newest: phrase("newest first"),
  oldest: phrase("oldest first"),
};
type Which = QuestionState | "all" | "open";
const whichWords: Readonly<Record<Which, string>> = {
  open: phrase("still open"),
  all: phrase("all"),
  new: phrase("new"),
  "lined-up": phrase("lined up"),
  "on-stage": phrase("on stage"),
  done: phrase("answered"),
  later: phrase("to be answered by mail"),
  "not-taken": phrase("set aside"),
};
const openStates: ReadonlySet<QuestionState> = new Set(["new", "lined-up", "on-stage", "later"]);
const mostShown = 100;

const isIn = (which: Which, state: QuestionState): boolean =>
  which === "all" || (which === "open" ? openStates.has(state) : which === state);

/** The deeper list of questions: found by words, filtered, in any of four orders. */
export function QuestionList({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const [words, setWords] = useState("");
  const [which, setWhich] = useState<Which>("open");
  const [order, setOrder] = useState<QuestionOrder>("segment");
  const [nearOf] = useState(nearFinder);
  const { view } = scene;
  const found = Object.entries(view.questions)
    .filter(([, question]) => question.mergedIntoId === null && isIn(which, question.state))
    .filter(([, question]) => words.trim() === "" || holdsWords(`${question.text} ${question.askerName}`, words))
    .map(([id, question]) => ({ ...question, id, votes: view.votes[id]?.count ?? 0 }));
  const listed = inOrder(found, order, view.cue["it"]?.currentSegmentId ?? null);
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 p-0.5">
      <Input
        aria-label={say`Find a question`}
        placeholder={say`Words of the question or a name`}
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <div className="flex gap-2">
        <Select aria-label={say`Which questions`} value={which} onChange={(e) => setWhich(e.target.value as Which)}>
          {Object.entries(whichWords).map(([value, label]) => (
            <option key={value} value={value}>
              {say.of(label)}
            </option>
          ))}
        </Select>
        <Select aria-label={say`Order`} value={order} onChange={(e) => setOrder(e.target.value as QuestionOrder)}>
          {Object.entries(orderWords).map(([value, label]) => (
            <option key={value} value={value}>
              {say.of(label)}
            </option>
          ))}
        </Select>
      </div>
      <p className="text-label text-ink-2" role="status">
        {listed.length > mostShown
          ? say`Questions: ${listed.length}, the first ${mostShown} shown`
          : say`Questions: ${listed.length}`}
      </p>
      <ul className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} aria-label={say`Questions`}>
        {listed.length === 0 && <li className="py-2 text-ink-2">{say`No question is like this.`}</li>}
        {listed.slice(0, mostShown).map(({ id }) => (
          <QuestionCard key={id} id={id} scene={scene} nearId={nearOf(view.questions, id)} />
        ))}
      </ul>
    </div>
  );
}
