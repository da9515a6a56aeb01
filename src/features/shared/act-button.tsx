"use client";
import { useTransition } from "react";
import { Button, toast } from "@/ui";

type Answer = { readonly ok: true } | { readonly ok: false; readonly words: string };

/** A button that is one act: busy while it runs, a refusal told in words, a success left to `onDone`. */
export function ActButton<A extends Answer>({
  act,
  words,
  onDone,
}: {
  act: () => Promise<A>;
  words: string;
  onDone?: (done: Extract<A, { ok: true }>) => void;
}) {
  const [isPending, run] = useTransition();
  return (
    <Button
      disabled={isPending}
      onClick={() =>
        run(async () => {
          const done = await act();
          if (done.ok) onDone?.(done as Extract<A, { ok: true }>);
          else toast.error(done.words);
        })
      }
    >
      {words}
    </Button>
  );
}
