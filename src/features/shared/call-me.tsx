"use client";
import { useId, useState, useTransition } from "react";
import { ownNumber, type Done } from "@/contracts";
import type { Messages } from "@/contracts/messages";
import { Button, Field, Input, Note } from "@/ui";

/** Whoever would rather be called than dial two long numbers. */
export function CallMe({ words, ask }: { words: Messages["callMe"]; ask: (number: string) => Promise<Done<unknown>> }) {
  const [number, setNumber] = useState("");
  const [said, setSaid] = useState<{ isWrong: boolean; text: string } | null>(null);
  const [isPending, run] = useTransition();
  const headingId = useId();
  return (
    <form
      aria-labelledby={headingId}
      className="mt-4 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!ownNumber.safeParse(number).success) return setSaid({ isWrong: true, text: words.wrong });
        run(async () => {
          const done = await ask(number);
          setSaid({ isWrong: !done.ok, text: done.ok ? words.done : done.words });
        });
      }}
    >
      <h3 id={headingId} className="font-medium">
        {words.title}
      </h3>
      <div className="flex flex-wrap items-end gap-2">
        <Field label={words.number}>
          {(ids) => (
            <Input
              {...ids}
              type="tel"
              inputMode="tel"
              autoComplete="tel"
              dir="ltr"
              maxLength={40}
              value={number}
              onChange={(event) => setNumber(event.target.value)}
            />
          )}
        </Field>
        <Button type="submit" disabled={isPending || number.trim() === ""}>
          {words.act}
        </Button>
      </div>
      {said && <Note tone={said.isWrong ? "wrong" : "plain"}>{said.text}</Note>}
    </form>
  );
}
