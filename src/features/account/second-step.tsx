"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { Badge, Button, Dialog, Field, Input, Note, toast } from "@/ui";
import { PasswordField } from "./password-field";

interface Begun {
  readonly secret: string;
  /** the same as a picture to be read by a phone */
  readonly picture: string;
  readonly codes: readonly string[];
}
export interface SecondStepActs {
  readonly begin: (password: string) => Promise<Done<Begun>>;
  readonly confirm: (code: string) => Promise<Done<void>>;
  readonly end: (password: string) => Promise<Done<void>>;
}

const inFours = (secret: string): string => secret.replace(/(.{4})(?=.)/g, "$1 ");

/** The secret, the recovery codes, and the first code that proves that the secret has arrived. */
function Confirm({ begun, confirm, onDone }: { begun: Begun; confirm: SecondStepActs["confirm"]; onDone: () => void }) {
  const [code, setCode] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const submit = () =>
    run(async () => {
      const done = await confirm(code);
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      toast("From now on signing in asks for a code.");
      onDone();
    });
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <div className="grid gap-4 sm:grid-cols-[11rem_1fr]">
        <img src={begun.picture} alt="" className="size-44 border border-rule" />
        <div className="flex flex-col gap-2">
          <p>Read this with an authenticator on your phone, or type the secret into it:</p>
          <p className="mono break-all">{inFours(begun.secret)}</p>
        </div>
      </div>
      <div>
        <p className="font-medium">Recovery codes</p>
        <p className="text-ink-2">
          Each works once where the phone is away. Keep them apart from it; they are not shown again.
        </p>
        <ul className="mono mt-1 columns-2">
          {begun.codes.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      </div>
      <Field label="The code that it shows now" error={wrong ?? undefined}>
        {(ids) => (
          <Input
            {...ids}
            inputMode="numeric"
            autoComplete="one-time-code"
            className="mono w-40!"
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        )}
      </Field>
      <Button type="submit" weight="act" className="self-start" disabled={isPending || code.trim() === ""}>
        Turn it on
      </Button>
    </form>
  );
}

/** A code from a phone beside the password, at every sign-in. */
export function SecondStep({ isOn, acts }: { isOn: boolean; acts: SecondStepActs }) {
  const [password, setPassword] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [begun, setBegun] = useState<Begun | null>(null);
  const [isPending, run] = useTransition();
  const router = useRouter();
  const finish = () => {
    setBegun(null);
    router.refresh();
  };
  const submit = () =>
    run(async () => {
      const done = isOn ? await acts.end(password) : await acts.begin(password);
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      setPassword("");
      if (done.value) setBegun(done.value);
      else {
        toast("The password alone signs you in now.");
        router.refresh();
      }
    });
  return (
    <form
      aria-label="Second step"
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <h2 className="text-head font-semibold">
        Second step {isOn ? <Badge tone="action">on</Badge> : <Badge>off</Badge>}
      </h2>
      <p className="text-ink-2">
        {isOn
          ? "Signing in asks for a code from your phone, or for a recovery code."
          : "A code from an authenticator on your phone beside the password, so that a password alone opens nothing."}
      </p>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <PasswordField label="Your password" autoComplete="current-password" value={password} change={setPassword} />
      <Button type="submit" className="self-start" disabled={isPending || password === ""}>
        {isOn ? "Turn it off" : "Set it up"}
      </Button>
      <Dialog
        isOpen={begun !== null}
        onOpenChange={(isOpen) => !isOpen && setBegun(null)}
        title="Set up the second step"
      >
        {begun && <Confirm begun={begun} confirm={acts.confirm} onDone={finish} />}
      </Dialog>
    </form>
  );
}
