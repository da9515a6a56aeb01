"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { Button, Field, Note, Textarea } from "@/ui";

export interface AskWords {
  readonly ask: string;
  readonly askWords: string;
  readonly askSend: string;
  readonly asked: string;
}

/** A question of somebody who watches: it goes with the place that the player stands at, and is answered by mail. */
export function AskOnDemand(props: {
  ask: (text: string, atSeconds: number) => Promise<Done<unknown>>;
  /** where the player stands, in seconds */
  at: () => number;
  words: AskWords;
}) {
  const { words } = props;
  const [text, setText] = useState("");
  const [said, setSaid] = useState<{ isWrong: boolean; words: string } | null>(null);
  const [isPending, run] = useTransition();
  const send = () =>
    run(async () => {
      const done = await props.ask(text.trim(), props.at());
      setSaid({ isWrong: !done.ok, words: done.ok ? words.asked : done.words });
      if (done.ok) setText("");
    });
  return (
    <section className="mt-5 max-w-2xl">
      <Field label={words.ask} hint={words.askWords}>
        {(ids) => (
          <Textarea
            {...ids}
            rows={2}
            maxLength={1000}
            dir="auto"
            value={text}
            onChange={(event) => {
              setText(event.target.value);
              setSaid(null);
            }}
          />
        )}
      </Field>
      <Button className="mt-2" disabled={isPending || text.trim() === ""} onClick={send}>
        {words.askSend}
      </Button>
      <div aria-live="polite" className="mt-2">
        {said && <Note {...(said.isWrong ? { tone: "wrong" } : {})}>{said.words}</Note>}
      </div>
    </section>
  );
}
