"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { Button, Field, Input, Note } from "@/ui";

/** Asks for a link by mail. What it says is the same for every address. */
export function Forgotten({ ask }: { ask: (email: string) => Promise<Done<void>> }) {
  const [email, setEmail] = useState("");
  const [said, setSaid] = useState<{ isWrong: boolean; words: string } | null>(null);
  const [isPending, run] = useTransition();
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        run(async () => {
          const done = await ask(email);
          const words = "If this address signs in here, a mail with a link is on its way.";
          setSaid({ isWrong: !done.ok, words: done.ok ? words : done.words });
        });
      }}
    >
      {said && <Note tone={said.isWrong ? "wrong" : "plain"}>{said.words}</Note>}
      <Field label="Mail address">
        {(ids) => (
          <Input
            {...ids}
            type="email"
            autoComplete="username"
            required
            value={email}
            onChange={(event) => setEmail(event.target.value)}
          />
        )}
      </Field>
      <Button type="submit" weight="act" className="self-start" disabled={isPending}>
        Mail me a link
      </Button>
    </form>
  );
}
