"use client";
import { Button, Input } from "@/ui";
import { useActionState } from "react";

/** Asks for the access code of a private event; before it nothing of the event is told. */
export function AccessCodeForm(props: {
  action: (before: string | null, data: FormData) => Promise<string | null>;
  words: { code: string; codeAsk: string; codeOpen: string };
}) {
  const [wrong, submit, isPending] = useActionState(props.action, null);
  return (
    <main className="mx-auto mt-24 max-w-sm px-4">
      <form action={submit} className="flex flex-col gap-3">
        <p className="text-lead">{props.words.codeAsk}</p>
        <label className="flex flex-col gap-1">
          <span className="text-label text-ink-2">{props.words.code}</span>
          <Input name="code" autoComplete="off" className="mono min-h-9" />
        </label>
        {wrong && (
          <p role="alert" className="text-wrong">
            {wrong}
          </p>
        )}
        <Button type="submit" weight="act" disabled={isPending} className="min-h-9">
          {props.words.codeOpen}
        </Button>
      </form>
    </main>
  );
}
