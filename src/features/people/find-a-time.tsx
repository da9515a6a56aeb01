"use client";
import type { Done, SlotGrid } from "@/contracts";
import type { Dispatch, SetStateAction } from "react";
import { useState, useTransition } from "react";
import { workFromMinute, workUntilMinute } from "@/core/people";
import {
  cityOf,
  clockTime,
  localWords,
  minuteMs,
  shiftLocal,
  wallTimeAt,
  weekdayName,
  shortDate,
  type IntervalSet,
} from "@/core/time";
import { DayField } from "@/features/shared/moment-field";
import { TakeSlot, type TakeSlotActs } from "./take-slot";
import { Button, Checkbox, Field, Input, Note, Table, classes, Press } from "@/ui";

const hours = Array.from({ length: 24 }, (_, hour) => hour);
const isBusy = (busy: IntervalSet, at: number): boolean =>
  busy.some((span) => span.start < at + 60 * minuteMs && span.end > at);
const isWorkingHour = (at: number, zone: string): boolean => {
  const minute = Number(wallTimeAt(at, zone).local.slice(11, 13)) * 60;
  return minute >= workFromMinute && minute < workUntilMinute;
};

/** People by hours of the day of the chosen slot: busy dark, working hours plain, the others shaded. */
function DayGrid({ grid, zone, startAt }: { grid: SlotGrid; zone: string; startAt: number }) {
  const { local } = wallTimeAt(startAt, zone);
  const midnight = startAt - (Number(local.slice(11, 13)) * 60 + Number(local.slice(14, 16))) * minuteMs;
  const chosen = grid.slots.find((slot) => slot.startAt === startAt)!;
  return (
    <Table className="w-full table-fixed text-label" aria-label={`Hours of ${local.slice(0, 10)}`}>
      <thead>
        <tr className="mono text-ink-2">
          <th className="w-44 text-left font-medium">
            {weekdayName(startAt, zone)} {shortDate(startAt, zone)}, {cityOf(zone)}
          </th>
          {hours.map((hour) => (
            <th key={hour} className="text-left font-normal">
              {String(hour).padStart(2, "0")}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {grid.people.map((person) => (
          <tr key={person.ticketId}>
            <th className="truncate pr-2 text-left font-normal">
              {person.name} <span className="text-ink-2">{cityOf(person.zone)}</span>
            </th>
            {hours.map((hour) => {
              const at = midnight + hour * 60 * minuteMs;
              const busy = isBusy(person.busy, at);
              const isIn = at < chosen.endAt && at + 60 * minuteMs > startAt;
              const words = `${person.name}, ${clockTime(at, person.zone)} there: ${busy ? "busy" : isWorkingHour(at, person.zone) ? "free, working hours" : "free, outside working hours"}`;
              return (
                <td
                  key={hour}
                  title={words}
                  aria-label={words}
                  className={classes(
                    "h-6 border border-ground",
                    busy ? "bg-ink-2" : isWorkingHour(at, person.zone) ? "bg-sheet" : "bg-raised",
                    isIn && "border-y-2 border-y-action",
                  )}
                />
              );
            })}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

type FindATimeProps = {
  people: readonly { ticketId: string; name: string; isRequired: boolean }[];
  zone: string;
  fromLocal: string;
  durationMinutes: number;
  find: (input: unknown) => Promise<Done<SlotGrid>>;
  /** moving the date to what was found; null where it stands fast */
  take: { readonly occurrenceId: string; readonly holders: number; readonly acts: TakeSlotActs } | null;
};

function WhoIsNeeded({
  props,
  required,
  setRequired,
}: {
  props: FindATimeProps;
  required: ReadonlySet<string>;
  setRequired: Dispatch<SetStateAction<ReadonlySet<string>>>;
}) {
  return (
    <fieldset className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
      <legend className="text-label font-medium text-ink-2">Must be there</legend>
      {props.people.map((person) => (
        <label key={person.ticketId} className="flex items-center gap-1">
          <Checkbox
            checked={required.has(person.ticketId)}
            onChange={(event) =>
              setRequired(
                new Set(
                  event.target.checked
                    ? [...required, person.ticketId]
                    : [...required].filter((id) => id !== person.ticketId),
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

function SlotList({
  grid,
  chosen,
  setChosen,
  zone,
}: {
  grid: SlotGrid;
  chosen: number | null;
  setChosen: Dispatch<SetStateAction<number | null>>;
  zone: string;
}) {
  return (
    <ol className="grid grid-cols-2 gap-x-6">
      {grid.slots.slice(0, 12).map((slot) => (
        <li key={slot.startAt} className="border-t border-rule py-1.5">
          <Press
            aria-pressed={slot.startAt === chosen}
            onClick={() => setChosen(slot.startAt)}
            className={classes("text-left", slot.startAt === chosen && "font-semibold")}
          >
            <span className="mono">{localWords(wallTimeAt(slot.startAt, zone).local)}</span>
            <span className="block text-label font-normal text-ink-2">
              {slot.withinHours} within working hours
              {slot.busyNames.length > 0 ? ` · busy: ${slot.busyNames.join(", ")}` : " · everybody free"}
              {slot.outsideNames.length > 0 ? ` · outside their hours: ${slot.outsideNames.join(", ")}` : ""}
            </span>
          </Press>
        </li>
      ))}
    </ol>
  );
}

/** When everybody who must be there is free (rule 4): the best slots with the reason, the day as a grid. */
export function FindATime(props: FindATimeProps) {
  const { zone } = props;
  const [required, setRequired] = useState<ReadonlySet<string>>(
    new Set(props.people.filter((one) => one.isRequired).map((one) => one.ticketId)),
  );
  const [from, setFrom] = useState(props.fromLocal.slice(0, 10));
  const [days, setDays] = useState("14");
  const [minutes, setMinutes] = useState(String(props.durationMinutes));
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
      });
      setWrong(done.ok ? null : done.words);
      setGrid(done.ok ? done.value : null);
      setChosen(done.ok ? (done.value.slots[0]?.startAt ?? null) : null);
    });
  return (
    <section id="find-a-time" aria-label="Find a time" className="mt-8 max-w-5xl border-t-2 border-ink pt-3">
      <h2 className="text-head font-semibold">Find a time</h2>
      <p className="text-ink-2">
        From the calendars that were added and what Stage Call knows of the people’s other dates.
      </p>
      <WhoIsNeeded props={props} required={required} setRequired={setRequired} />
      <div className="mt-2 flex items-end gap-3">
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
        <Button weight="act" disabled={isPending || from === ""} onClick={look}>
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
          {chosen !== null && props.take && <TakeSlot startLocal={wallTimeAt(chosen, zone).local} {...props.take} />}
          <SlotList grid={grid} chosen={chosen} setChosen={setChosen} zone={zone} />
        </div>
      )}
    </section>
  );
}
