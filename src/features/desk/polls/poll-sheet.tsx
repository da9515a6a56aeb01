"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { issuesOf, readyPollInput, wordsOfIssue, type PollPlanInput } from "@/contracts";
import { PollFields } from "@/features/shared/polls/poll-fields";
import { Button, Drawer, FieldError } from "@/ui";
import type { DeskScene } from "../scene";

export interface PollBegun {
  /** null: a new one */
  readonly pollId: string | null;
  readonly poll: PollPlanInput;
}

/** A poll prepared or changed during the hour. What was typed stays until the desk's act has arrived. */
export function PollSheet(props: {
  begun: PollBegun;
  send: DeskScene["send"];
  onChange: (begun: PollBegun) => void;
  onClose: () => void;
  onDone: () => void;
}) {
  const say = useSay();
  const { begun, send } = props;
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [isSending, setSending] = useState(false);
  const submit = async () => {
    const read = readyPollInput.safeParse(begun.poll);
    if (!read.success) {
      setErrors(Object.fromEntries(issuesOf(read.error).map((issue) => [issue.path, wordsOfIssue(issue)])));
      return;
    }
    setErrors({});
    setSending(true);
    const { pollId } = begun;
    const receipt = await send(
      pollId === null ? { type: "polls.add", poll: read.data } : { type: "polls.edit", pollId, poll: read.data },
    );
    setSending(false);
    if (receipt.ok) props.onDone();
  };
  const others = Object.keys(errors).filter((path) => !path.startsWith("questions."));
  return (
    <Drawer
      title={begun.pollId === null ? say`New poll` : say`Edit the poll`}
      isOpen
      onOpenChange={(isOpen) => {
        if (!isOpen) props.onClose();
      }}
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (!isSending) void submit();
        }}
      >
        <PollFields
          poll={begun.poll}
          path=""
          errorAt={(path) => errors[path]}
          onChange={(poll) => props.onChange({ ...begun, poll })}
        />
        {others.map((path) => (
          <FieldError key={path}>{errors[path]}</FieldError>
        ))}
        <Button type="submit" weight="act" className="self-start" disabled={isSending}>
          {begun.pollId === null ? say`Prepare the poll` : say`Save the poll`}
        </Button>
      </form>
    </Drawer>
  );
}
