"use client";
import type { RunSheetInput } from "@/contracts";
import { Button, FieldError, Input, Textarea } from "@/ui";

type Poll = RunSheetInput["polls"][number];

/** Answers from lines; an answer keeps its id while its line stays where it is. */
const optionsFrom = (text: string, before: Poll["options"]): Poll["options"] =>
  text.split("\n").map((label, i) => ({ id: before[i]?.id ?? `o${i + 1}`, label }));

/** The date's polls: one choice, the answers one a line. */
export function PollEditor({
  polls,
  onChange,
  errorAt,
}: {
  polls: readonly Poll[];
  onChange: (polls: Poll[]) => void;
  errorAt: (path: string) => string | undefined;
}) {
  const change = (id: string, part: Partial<Poll>) =>
    onChange(polls.map((poll) => (poll.id === id ? { ...poll, ...part } : poll)));
  return (
    <section id="polls" aria-label="Polls" className="border-t border-rule pt-3">
      <h2 className="text-head font-semibold">Polls</h2>
      <ul className="mt-2 grid grid-cols-2 gap-4">
        {polls.map((poll, i) => (
          <li key={poll.id} className="flex flex-col gap-2 bg-sheet p-3">
            <Input
              aria-label="The poll's question"
              placeholder="Question"
              value={poll.question}
              onChange={(e) => change(poll.id, { question: e.target.value })}
            />
            {errorAt(`polls.${i}.question`) && <FieldError>{errorAt(`polls.${i}.question`)}</FieldError>}
            <Textarea
              aria-label="Answers, one a line"
              placeholder="Answers, one a line"
              rows={4}
              value={poll.options.map((option) => option.label).join("\n")}
              onChange={(e) => change(poll.id, { options: optionsFrom(e.target.value, poll.options) })}
              onBlur={() => change(poll.id, { options: poll.options.filter((option) => option.label.trim() !== "") })}
            />
            <Button className="self-start" onClick={() => onChange(polls.filter((one) => one.id !== poll.id))}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Button
        className="mt-2"
        onClick={() => onChange([...polls, { id: crypto.randomUUID(), question: "", options: [] }])}
      >
        Add a poll
      </Button>
    </section>
  );
}
