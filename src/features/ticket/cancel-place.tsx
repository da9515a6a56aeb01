"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Note } from "@/ui";

/** Gives a place back, after asking once. */
export function CancelPlace(props: {
  action: () => Promise<Done<unknown>>;
  words: { cancel: string; cancelSure: string; cancelYes: string; keep: string };
}) {
  const [isAsking, setAsking] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  if (!isAsking) {
    return (
      <Button weight="plain" className="mt-6" onClick={() => setAsking(true)}>
        {props.words.cancel}
      </Button>
    );
  }
  const cancel = () =>
    run(async () => {
      const done = await props.action();
      if (done.ok) setAsking(false);
      else setWrong(done.words);
    });
  return (
    <div className="mt-6 border-s-4 border-wrong ps-3">
      <p>{props.words.cancelSure}</p>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <div className="mt-2 flex gap-2">
        <Button weight="danger" disabled={isPending} onClick={cancel}>
          {props.words.cancelYes}
        </Button>
        <Button onClick={() => setAsking(false)}>{props.words.keep}</Button>
      </div>
    </div>
  );
}
