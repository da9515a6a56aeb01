"use client";
import type { Done } from "@/contracts";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { localWords } from "@/core/time";
import { holdsUnread } from "@/features/shared/unread";
import { MomentField } from "@/features/shared/moment-field";
import { Button, Field, Input, Note, toast } from "@/ui";

/** Rehearsals on dates of their own, for stage people alone; their mails are an act of their own. */
export function Rehearsals(props: {
  rehearsals: readonly { id: string; startLocal: string; durationMinutes: number; phase: string }[];
  proposedLocal: string;
  todayLocal: string;
  deskBase: string;
  acts: {
    add(input: { startLocal: string; durationMinutes: number }): Promise<Done<void>>;
    invite(id: string): Promise<Done<number>>;
    cancel(id: string): Promise<Done<void>>;
  };
}) {
  const router = useRouter();
  const [startLocal, setStartLocal] = useState(props.proposedLocal);
  const [minutes, setMinutes] = useState("30");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const attempt = <T,>(act: () => Promise<Done<T>>, words: (value: T) => string) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? null : done.words);
      if (done.ok) {
        toast(words(done.value));
        router.refresh();
      }
    });
  return (
    <section id="rehearsals" className="mt-8 max-w-5xl border-t border-rule pt-3">
      <h2 className="text-head font-semibold">Rehearsals</h2>
      <ul>
        {props.rehearsals.map((one) => (
          <li key={one.id} className="flex items-center gap-4 border-b border-rule py-1.5">
            <span className="mono">{localWords(one.startLocal)}</span>
            <span className="text-ink-2">
              {one.durationMinutes} min · {one.phase}
            </span>
            <span className="ml-auto flex gap-2">
              <a href={`${props.deskBase}/${one.id}`}>Desk</a>
              {one.phase === "scheduled" && (
                <Button
                  disabled={isPending}
                  onClick={() =>
                    attempt(
                      () => props.acts.invite(one.id),
                      (sent) => `Sent to ${sent} of the stage.`,
                    )
                  }
                >
                  Send the invitation
                </Button>
              )}
              {one.phase === "scheduled" && (
                <Button
                  weight="plain"
                  disabled={isPending}
                  onClick={() =>
                    attempt(
                      () => props.acts.cancel(one.id),
                      () => "The rehearsal is cancelled.",
                    )
                  }
                >
                  Call it off
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <div className="mt-2 grid items-end gap-3 sm:grid-cols-[18rem_8rem_auto]">
        <MomentField label="A rehearsal at" value={startLocal} onChange={setStartLocal} todayLocal={props.todayLocal} />
        <Field label="Length, min">
          {(ids) => (
            <Input
              {...ids}
              type="number"
              min={5}
              value={minutes}
              onChange={(event) => setMinutes(event.target.value)}
            />
          )}
        </Field>
        <Button
          className="justify-self-start"
          disabled={isPending}
          onClick={(event) =>
            !holdsUnread(event.currentTarget.closest("section")) &&
            attempt(
              () => props.acts.add({ startLocal, durationMinutes: Number(minutes) }),
              () => "The rehearsal stands. Nothing was sent.",
            )
          }
        >
          Add a rehearsal
        </Button>
      </div>
    </section>
  );
}
