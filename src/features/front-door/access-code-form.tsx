"use client";
import { Input } from "@/ui";
import { useActionState } from "react";

/** Asks for the access code of a private event; before it nothing of the event is told. */
export function AccessCodeForm(props: {
  action: (before: string | null, data: FormData) => Promise<string | null>;
  words: { code: string; codeAsk: string; codeOpen: string };
}) {
  const [wrong, submit, isPending] = useActionState(props.action, null);
  return (
    <form action={submit} className="mx-auto mt-24 flex max-w-sm flex-col gap-3 px-4">
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
      <button disabled={isPending} className="min-h-9 rounded-control bg-action px-3 font-medium text-on-action">
        {props.words.codeOpen}
      </button>
    </form>
  );
}
