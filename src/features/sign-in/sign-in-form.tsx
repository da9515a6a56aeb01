"use client";
import { useActionState } from "react";
import { Button, Field, Input, Note } from "@/ui";

export function SignInForm({ action }: { action: (before: string | null, data: FormData) => Promise<string | null> }) {
  const [wrong, submit, isPending] = useActionState(action, null);
  return (
    <form action={submit} className="flex flex-col gap-3">
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Field label="Mail address">
        {(ids) => <Input {...ids} name="email" type="email" autoComplete="username" required />}
      </Field>
      <Field label="Password">
        {(ids) => <Input {...ids} name="password" type="password" autoComplete="current-password" required />}
      </Field>
      <Button type="submit" weight="act" disabled={isPending} className="self-start">
        Sign in
      </Button>
    </form>
  );
}
