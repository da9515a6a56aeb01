"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { clockTime, shortDate } from "@/core/time";
import { Badge, Button, Note, Table, Td, Th, toast } from "@/ui";
import { deviceWords } from "./device-words";
import { PasswordField } from "./password-field";
import { SecondStep, type SecondStepActs } from "./second-step";

interface Session {
  readonly id: string;
  readonly device: string;
  readonly lastAt: number;
  readonly isHere: boolean;
}

/** Changes one's own password; what was typed stays where it is refused. */
function ChangePassword({ change }: { change: (input: { current: string; next: string }) => Promise<Done<void>> }) {
  const [current, setCurrent] = useState("");
  const [next, setNext] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const submit = () =>
    run(async () => {
      const done = await change({ current, next });
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      setCurrent("");
      setNext("");
      toast("Saved. Your other devices are signed out.");
    });
  return (
    <form
      aria-label="Change password"
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <h2 className="text-head font-semibold">Password</h2>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <PasswordField label="Present password" autoComplete="current-password" value={current} change={setCurrent} />
      <PasswordField
        label="New password"
        hint="At least 12 characters."
        autoComplete="new-password"
        value={next}
        change={setNext}
      />
      <Button type="submit" weight="act" className="self-start" disabled={isPending || !current || !next}>
        Change password
      </Button>
    </form>
  );
}

/** Password and sessions of whoever is signed in. */
export function Account(props: {
  sessions: readonly Session[];
  zone: string;
  changePassword: (input: { current: string; next: string }) => Promise<Done<void>>;
  endOthers: () => Promise<Done<void>>;
  hasSecondStep: boolean;
  secondStep: SecondStepActs;
}) {
  const [isPending, run] = useTransition();
  const others = props.sessions.filter((one) => !one.isHere).length;
  const end = () =>
    run(async () => {
      const done = await props.endOthers();
      if (done.ok) toast("Signed out everywhere else.");
      else toast.error(done.words);
    });
  return (
    <div className="mt-4 grid gap-8 md:grid-cols-2">
      <div className="flex flex-col gap-8">
        <ChangePassword change={props.changePassword} />
        <SecondStep isOn={props.hasSecondStep} acts={props.secondStep} />
      </div>
      <section aria-label="Where you are signed in">
        <h2 className="text-head font-semibold">Where you are signed in</h2>
        <Table className="mt-2">
          <thead>
            <tr>
              <Th>Device</Th>
              <Th>Last used</Th>
            </tr>
          </thead>
          <tbody>
            {props.sessions.map((one) => (
              <tr key={one.id}>
                <Td>
                  {deviceWords(one.device)} {one.isHere && <Badge tone="action">this one</Badge>}
                </Td>
                <Td className="mono">
                  {shortDate(one.lastAt, props.zone)} {clockTime(one.lastAt, props.zone)}
                </Td>
              </tr>
            ))}
          </tbody>
        </Table>
        <Button className="mt-3" disabled={isPending || others === 0} onClick={end}>
          Sign out everywhere else
        </Button>
      </section>
    </div>
  );
}
