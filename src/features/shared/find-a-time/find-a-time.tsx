"use client";
import type { Done, SlotGrid, SlotQuestion } from "@/contracts";
import type { Dispatch, ReactNode, SetStateAction } from "react";
import { useState, useTransition } from "react";
import { shiftLocal, wallTimeAt, weekdayCodes, type WeekdayCode } from "@/core/time";
import { DayField } from "@/features/shared/moment-field";
import { Button, Checkbox, Field, Input, Note } from "@/ui";
import { DayGrid } from "./day-grid";
import { SlotList } from "./slot-list";
import { WorkDays } from "./work-days";

interface FindATimeProps {
  readonly people: readonly { readonly id: string; readonly name: string; readonly isRequired: boolean }[];
  readonly zone: string;
  readonly fromLocal: string;
  readonly durationMinutes: number;
  readonly className?: string;
  find(question: SlotQuestion): Promise<Done<SlotGrid>>;
  /** what may be done with what was found */
  readonly take: ((startLocal: string, durationMinutes: number) => ReactNode) | null;
}

function WhoIsNeeded({
  people,
  required,
  setRequired,
}: {
  people: FindATimeProps["people"];
  required: ReadonlySet<string>;
  setRequired: Dispatch<SetStateAction<ReadonlySet<string>>>;
}) {
  return (
    <fieldset className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
      <legend className="text-label font-medium text-ink-2">Must be there</legend>
      {people.map((person) => (
        <label key={person.id} className="flex items-center gap-1">
          <Checkbox
            checked={required.has(person.id)}
            onChange={(event) =>
              setRequired(
                new Set(
                  event.target.checked ? [...required, person.id] : [...required].filter((id) => id !== person.id),
                ),
              )
            }
          />
          {person.name}
        </label>
      ))}
    </fieldset>
  );
}

/** When everybody who must be there is free (rule 4): the best slots with the reason, the day as a grid. */
export function FindATime(props: FindATimeProps) {
  const { zone } = props;
  const [required, setRequired] = useState<ReadonlySet<string>>(
    new Set(props.people.filter((one) => one.isRequired).map((one) => one.id)),
  );
  const [from, setFrom] = useState(props.fromLocal.slice(0, 10));
  const [days, setDays] = useState("14");
  const [minutes, setMinutes] = useState(String(props.durationMinutes));
  const [workDays, setWorkDays] = useState<ReadonlySet<WeekdayCode>>(new Set(weekdayCodes.slice(0, 5)));
  const [grid, setGrid] = useState<SlotGrid | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const look = () =>
    run(async () => {
      const fromLocal = `${from}T00:00`;
      const done = await props.find({
        fromLocal,
        untilLocal: shiftLocal(fromLocal, Math.max(1, Number(days)) * 24 * 60),
        durationMinutes: Number(minutes),
        requiredIds: [...required],
        workDays: [...workDays],
      });
      setWrong(done.ok ? null : done.words);
      setGrid(done.ok ? done.value : null);
      setChosen(done.ok ? (done.value.slots[0]?.startAt ?? null) : null);
    });
  return (
    <section id="find-a-time" aria-label="Find a time" className={props.className}>
      <h2 className="text-head font-semibold">Find a time</h2>
      <p className="text-ink-2">
        From the calendars that were added and what Stage Call knows of the people’s other dates.
      </p>
      <WhoIsNeeded people={props.people} required={required} setRequired={setRequired} />
      <WorkDays chosen={workDays} onChange={setWorkDays} />
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <DayField label="From" value={from} onChange={setFrom} todayLocal={props.fromLocal} />
        <Field label="Days">
          {(ids) => (
            <Input
              {...ids}
              type="number"
              min={1}
              max={92}
              className="mono w-20!"
              value={days}
              onChange={(e) => setDays(e.target.value)}
            />
          )}
        </Field>
        <Field label="Length, min">
          {(ids) => (
            <Input
              {...ids}
              type="number"
              min={15}
              className="mono w-24!"
              value={minutes}
              onChange={(e) => setMinutes(e.target.value)}
            />
          )}
        </Field>
        <Button
          weight="act"
          disabled={isPending || from === "" || props.people.length === 0 || workDays.size === 0}
          onClick={look}
        >
          Look for slots
        </Button>
      </div>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {grid && (
        <div className="mt-3 flex flex-col gap-3" aria-live="polite">
          {grid.slots.length === 0 && (
            <p className="text-attention">
              Nowhere in these days is everybody free who must be there. Look further ahead, or need fewer.
            </p>
          )}
          {chosen !== null && <DayGrid grid={grid} zone={zone} startAt={chosen} />}
          {chosen !== null && props.take?.(wallTimeAt(chosen, zone).local, Number(minutes))}
          <SlotList grid={grid} chosen={chosen} setChosen={setChosen} zone={zone} />
        </div>
      )}
    </section>
  );
}
