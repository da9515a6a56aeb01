"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Note, Textarea, toast } from "@/ui";

/** Answers a question after the hour: the asker gets the answer by mail. */
export function AnswerByMail({ send }: { send: (text: string) => Promise<Done<unknown>> }) {
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  return (
    <details className="mt-1">
      <summary className="cursor-pointer text-label text-action">Answer by mail</summary>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Textarea
        aria-label="Answer"
        rows={2}
        maxLength={4000}
        dir="auto"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button
        className="mt-1"
        disabled={isPending || text.trim() === ""}
        onClick={() =>
          run(async () => {
            const done = await send(text.trim());
            setWrong(done.ok ? null : done.words);
            if (done.ok) toast("The answer is on its way to the asker.");
          })
        }
      >
        Send it to the asker
      </Button>
    </details>
  );
}
