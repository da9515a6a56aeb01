"use client";
import { left, people, type ComposerProps, type Summary } from "./composer-parts";
import type { Done } from "@/contracts";
import { useEffect, useState, type Dispatch, type SetStateAction } from "react";
import { useRouter } from "next/navigation";
import type { MailingInput } from "@/contracts";

import { Button, Confirm, Note, toast } from "@/ui";
import { AudiencePicker } from "./audience-picker";
import { ReadListDialog } from "./read-list";

export function SendOrNot({
  summary,
  isKept,
  isPending,
  attempt,
  props,
  kept,
  setSummary,
  router,
}: {
  summary: Summary;
  isKept: boolean;
  isPending: boolean;
  attempt: <T>(act: () => Promise<Done<T>>, then: (value: T) => void) => void;
  props: ComposerProps;
  kept: { id: string | null; version: number };
  setSummary: Dispatch<SetStateAction<Summary | null>>;
  router: ReturnType<typeof useRouter>;
}) {
  return (
    <div role="status">
      <p className="text-lead">
        <span className="mono">{summary.count}</span> would get it
      </p>
      {left(summary) && <p className="text-ink-2">Left out: {left(summary)}</p>}
      {summary.unread.length > 0 && (
        <p className="text-attention">No address in: {summary.unread.slice(0, 8).join(" · ")}</p>
      )}
      <Confirm
        weight="act"
        trigger={
          <Button weight="act" className="mt-2" disabled={!isKept || summary.count === 0 || isPending}>
            Send to {people(summary.count)}
          </Button>
        }
        title={`Send to ${people(summary.count)}`}
        act={`Send ${summary.count}`}
        onConfirm={() =>
          attempt(
            () => props.acts.send(kept.id!),
            ({ planned }) => {
              toast(`${people(planned)} will have it in a moment.`);
              setSummary(null);
              router.refresh();
            },
          )
        }
      >
        <p>Each gets a mail of their own and sees nobody else’s address. Whoever has this mailing already gets none.</p>
      </Confirm>
      {!isKept && <p className="mt-1 text-attention">Save the mailing first.</p>}
    </div>
  );
}

/** A pause in choosing before the people are counted again. */
const pauseMs = 500;

/** Counts whom it would reach as it is chosen: the check is part of writing, no step of its own. */
function useCount(
  { kind, audience }: MailingInput,
  count: ComposerProps["acts"]["count"],
  setSummary: Dispatch<SetStateAction<Summary | null>>,
): string | null {
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    let isOver = false;
    const timer = setTimeout(() => {
      void count(kind, audience).then((done) => {
        if (isOver) return;
        setWrong(done.ok ? null : done.words);
        if (done.ok) setSummary(done.value);
      });
    }, pauseMs);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [kind, audience, count, setSummary]);
  return wrong;
}

export function AudienceColumn({
  input,
  props,
  change,
  isPending,
  attempt,
  setSummary,
  summary,
  isKept,
  kept,
  router,
}: {
  input: MailingInput;
  props: ComposerProps;
  change: (part: Partial<MailingInput>) => void;
  isPending: boolean;
  attempt: <T>(act: () => Promise<Done<T>>, then: (value: T) => void) => void;
  setSummary: Dispatch<SetStateAction<Summary | null>>;
  summary: Summary | null;
  isKept: boolean;
  kept: { id: string | null; version: number };
  router: ReturnType<typeof useRouter>;
}) {
  const wrong = useCount(input, props.acts.count, setSummary);
  return (
    <>
      <AudiencePicker
        value={input.audience}
        choices={props.choices}
        find={props.acts.find}
        onChange={(audience) => change({ audience })}
      />
      <ReadListDialog
        kind={input.kind}
        audience={input.audience}
        read={props.acts.read}
        onChange={(audience) => change({ audience })}
      />
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {summary && (
        <SendOrNot
          summary={summary}
          isKept={isKept}
          isPending={isPending}
          attempt={attempt}
          props={props}
          kept={kept}
          setSummary={setSummary}
          router={router}
        />
      )}
    </>
  );
}
