"use client";
import type { RunSheetInput } from "@/contracts";
import { freshPoll, pollShapes } from "@/features/shared/polls/plan";
import { PollFields } from "@/features/shared/polls/poll-fields";
import { Button, Menu } from "@/ui";

type Poll = RunSheetInput["polls"][number];

/** The date's polls, prepared ahead. */
export function PollEditor({
  polls,
  onChange,
  errorAt,
}: {
  polls: readonly Poll[];
  onChange: (polls: Poll[]) => void;
  errorAt: (path: string) => string | undefined;
}) {
  const add = (poll: Omit<Poll, "id">) => onChange([...polls, { ...poll, id: crypto.randomUUID() }]);
  return (
    <section id="polls" aria-label="Polls" className="border-t border-rule pt-3">
      <h2 className="text-head font-semibold">Polls</h2>
      <ul className="mt-2 grid gap-4 lg:grid-cols-2">
        {polls.map((poll, i) => (
          <li key={poll.id} className="flex flex-col gap-2 bg-sheet p-3">
            <PollFields
              poll={poll}
              path={`polls.${i}.`}
              errorAt={errorAt}
              onChange={(next) => onChange(polls.map((one) => (one.id === poll.id ? next : one)))}
            />
            <Button className="self-start" onClick={() => onChange(polls.filter((one) => one.id !== poll.id))}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex gap-2">
        <Button onClick={() => add(freshPoll())}>Add a poll</Button>
        <Menu
          trigger={<Button weight="plain">Begin with …</Button>}
          items={pollShapes.map(({ label, make }) => ({ label, onSelect: () => add(make()) }))}
        />
      </div>
    </section>
  );
}
