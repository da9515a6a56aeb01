"use client";
import { useState } from "react";
import { Button, Input, Textarea } from "@/ui";
import { PollBars } from "@/features/shared/poll-bars";
import type { DeskScene } from "./scene";

/** Prepares a poll during the hour: a question and its answers, one a line. */
function NewPoll({ send }: Pick<DeskScene, "send">) {
  const [question, setQuestion] = useState("");
  const [answers, setAnswers] = useState("");
  const options = answers
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean);
  return (
    <form
      className="mt-2 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        send({ type: "polls.add", question: question.trim(), options });
        setQuestion("");
        setAnswers("");
      }}
    >
      <Input
        aria-label="The poll's question"
        placeholder="Question"
        value={question}
        onChange={(e) => setQuestion(e.target.value)}
      />
      <Textarea
        aria-label="Answers, one a line"
        placeholder="Answers, one a line"
        rows={3}
        value={answers}
        onChange={(e) => setAnswers(e.target.value)}
      />
      <Button type="submit" className="self-start" disabled={question.trim() === "" || options.length < 2}>
        Prepare the poll
      </Button>
    </form>
  );
}

/** The date's polls: prepare, open, live bars, close, reveal. */
export function PollDesk({ scene }: { scene: DeskScene }) {
  const { view, send, may } = scene;
  const polls = Object.entries(view.polls);
  if (!view.event["it"]?.pollsOn) return null;
  return (
    <section aria-label="Polls" className="border-t border-rule pt-2">
      <h2 className="text-label font-medium text-ink-2">Polls</h2>
      {polls.length === 0 && <p className="text-ink-2">No poll is prepared.</p>}
      <ul className="grid grid-cols-2 gap-3">
        {polls.map(([id, poll]) => (
          <li key={id} className="bg-sheet p-3">
            <p className="font-medium">{poll.question}</p>
            <p className="mb-2 text-label text-ink-2">
              {poll.state} · {poll.isRevealed ? "revealed" : "held back"}
            </p>
            {poll.state !== "prepared" && <PollBars options={poll.options} votes={view.tallies[id]?.votes ?? {}} />}
            {may("polls.open") && (
              <div className="mt-2 flex flex-wrap gap-2">
                {poll.state === "prepared" && (
                  <Button weight="act" onClick={() => send({ type: "polls.open", pollId: id })}>
                    Open the poll
                  </Button>
                )}
                {poll.state === "open" && (
                  <Button onClick={() => send({ type: "polls.close", pollId: id })}>Close the poll</Button>
                )}
                {poll.state !== "prepared" && !poll.isRevealed && (
                  <Button onClick={() => send({ type: "polls.reveal", pollId: id })}>Reveal</Button>
                )}
                {poll.isRevealed && (
                  <Button onClick={() => send({ type: "polls.hold-back", pollId: id })}>Hold back</Button>
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
      {may("polls.open") && (
        <details className="mt-2">
          <summary className="cursor-pointer text-label">A new poll</summary>
          <NewPoll send={send} />
        </details>
      )}
    </section>
  );
}
