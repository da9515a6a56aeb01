"use client";
import { Checkbox, Input, Button } from "@/ui";
import { useActionState, useRef } from "react";
import { useFirstWrong } from "@/features/shared/use-first-wrong";
import type { RegisterState } from "./types";

/** In by the open link: a name, the consent, and on to the foyer. */
export function OpenEntry(props: {
  action: (before: RegisterState, data: FormData) => Promise<RegisterState>;
  words: Readonly<Record<"name" | "consent" | "submit" | "working", string>>;
}) {
  const [state, submit, isPending] = useActionState(props.action, { status: "fresh", errors: {}, typed: {} });
  const form = useRef<HTMLFormElement>(null);
  useFirstWrong(form, state);
  const { words } = props;
  const wrong = state.errors["name"] ?? state.errors["hasConsented"] ?? state.message;
  return (
    <form ref={form} action={submit} className="flex flex-col gap-3" noValidate>
      <label className="flex flex-col gap-1">
        <span className="text-label font-medium text-ink-2">{words.name}</span>
        <Input
          name="name"
          autoComplete="name"
          className="min-h-9"
          defaultValue={state.typed["name"] ?? ""}
          aria-invalid={"name" in state.errors}
        />
      </label>
      <label className="flex items-start gap-2 text-label text-ink-2">
        <Checkbox name="consent" className="mt-0.5" defaultChecked={state.typed["consent"] === "on"} />
        <span>{words.consent}</span>
      </label>
      {wrong && (
        <p role="alert" tabIndex={-1} className="border-s-2 border-wrong px-3 py-1 text-wrong">
          {wrong}
        </p>
      )}
      <Button type="submit" disabled={isPending} weight="act" className="min-h-10 px-4">
        {isPending ? words.working : words.submit}
      </Button>
    </form>
  );
}
