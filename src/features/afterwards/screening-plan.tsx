"use client";
import Link from "next/link";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { cityOf, instantOf, wallTimeAt } from "@/core/time";
import { MomentField } from "@/features/shared/moment-field";
import { DayAndHour } from "@/features/shared/times";
import { Button, Note, toast } from "@/ui";

/** When the recording is shown to people together; and another time for it. */
export function ScreeningPlan(props: {
  zone: string;
  now: number;
  eventId: string;
  ahead: readonly { readonly occurrenceId: string; readonly startAt: number }[];
  plan: (input: { startAt: number }) => Promise<Done<unknown>>;
}) {
  const { zone, ahead, eventId } = props;
  const [local, setLocal] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const submit = () =>
    run(async () => {
      const done = await props.plan({ startAt: instantOf({ local, zone }) });
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      setLocal("");
      toast("Planned. It stands among the event’s dates.");
    });
  return (
    <section className="mt-6 border-t border-rule pt-4" aria-labelledby="screening-title">
      <h2 id="screening-title" className="text-head font-semibold">
        Watch it together
      </h2>
      <p className="mt-1 max-w-prose text-ink-2">
        At a set time the recording is shown to everybody at once, with chat and questions. It is a date of the event:
        people register for it and get its mails. Doors, beginning and end come by themselves; nobody has to be on
        stage.
      </p>
      {ahead.length > 0 && (
        <ul className="mt-2">
          {ahead.map((one) => (
            <li key={one.occurrenceId} className="flex flex-wrap gap-3 border-t border-rule py-2">
              <DayAndHour at={one.startAt} zone={zone} />
              <Link href={`/events/${eventId}/desk/${one.occurrenceId}`} prefetch={false}>
                Desk
              </Link>
            </li>
          ))}
        </ul>
      )}
      <form
        className="mt-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (local !== "") submit();
        }}
      >
        <MomentField
          label={`Shown from, hour in ${cityOf(zone)}`}
          value={local}
          onChange={setLocal}
          todayLocal={wallTimeAt(props.now, zone).local}
        />
        <Button type="submit" weight="act" disabled={isPending || local === ""}>
          Plan the screening
        </Button>
      </form>
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </section>
  );
}
