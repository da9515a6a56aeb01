"use client";
import { useActionState } from "react";
import { Button, Field, inputClass, Note } from "@/ui";

export function SignInForm({ action }: { action: (before: string | null, data: FormData) => Promise<string | null> }) {
  const [wrong, submit, isPending] = useActionState(action, null);
  return (
    <form action={submit} className="flex flex-col gap-3">
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Field label="Mail address">
        {(ids) => <input {...ids} name="email" type="email" autoComplete="username" required className={inputClass} />}
      </Field>
      <Field label="Password">
        {(ids) => (
          <input
            {...ids}
            name="password"
            type="password"
            autoComplete="current-password"
            required
            className={inputClass}
          />
        )}
      </Field>
      <Button type="submit" weight="act" disabled={isPending} className="self-start">
        Sign in
      </Button>
    </form>
  );
}
