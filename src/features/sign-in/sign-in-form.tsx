"use client";
import { useActionState } from "react";
import { Button, Field, Input, Note } from "@/ui";

export interface SignInState {
  readonly step: "password" | "code";
  readonly email: string;
  readonly wrong: string | null;
}
type Step = (before: SignInState, data: FormData) => Promise<SignInState>;

/** Address and password; then, where it is set up, a code. */
export function SignInForm({ signIn, secondStep }: { signIn: Step; secondStep: Step }) {
  const start: SignInState = { step: "password", email: "", wrong: null };
  const [state, submit, isPending] = useActionState<SignInState, FormData>(
    (before, data) => (before.step === "code" ? secondStep(before, data) : signIn(before, data)),
    start,
  );
  return (
    <form action={submit} className="flex flex-col gap-3">
      {state.wrong && <Note tone="wrong">{state.wrong}</Note>}
      {state.step === "password" ? (
        <>
          <Field label="Mail address">
            {(ids) => (
              <Input {...ids} name="email" type="email" autoComplete="username" defaultValue={state.email} required />
            )}
          </Field>
          <Field label="Password">
            {(ids) => <Input {...ids} name="password" type="password" autoComplete="current-password" required />}
          </Field>
        </>
      ) : (
        <Field label="Code" hint="From the authenticator on your phone, or one of your recovery codes.">
          {(ids) => <Input {...ids} name="code" autoComplete="one-time-code" className="mono" autoFocus required />}
        </Field>
      )}
      <Button type="submit" weight="act" disabled={isPending} className="self-start">
        Sign in
      </Button>
    </form>
  );
}
