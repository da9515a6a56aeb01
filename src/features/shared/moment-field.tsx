"use client";
import { CalendarDays } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { DayPicker } from "react-day-picker";
import { isLocalDateTime, localWords, readMoment, type MomentFault } from "@/core/time";
import { momentFaultWords } from "./moment-words";
import { unreadMark } from "./unread";
import { Button, Field, Input, TextButton } from "@/ui";

const dayOf = (local: string): Date => new Date(`${local.slice(0, 10)}T12:00:00`);
const two = (n: number): string => String(n).padStart(2, "0");
const dayText = (day: Date): string => `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;

/** A day picker in the house's look. */
export function DayGrid({ local, onPick }: { local: string; onPick: (day: string) => void }) {
  return (
    <DayPicker
      mode="single"
      weekStartsOn={1}
      defaultMonth={dayOf(local)}
      selected={dayOf(local)}
      onSelect={(day) => day && onPick(dayText(day))}
      classNames={{
        root: "relative text-base",
        month_caption: "mb-1 font-semibold",
        nav: "absolute top-0 right-0 flex gap-1",
        button_previous: "px-1.5 hover:bg-raised",
        button_next: "px-1.5 hover:bg-raised",
        chevron: "size-4 fill-ink-2",
        weekday: "text-label font-medium text-ink-2",
        day: "p-0 text-center",
        day_button: "mono size-8 rounded-control hover:bg-raised",
        selected: "[&>button]:bg-action [&>button]:text-on-action",
        today: "[&>button]:font-bold [&>button]:underline",
        outside: "opacity-40",
      }}
    />
  );
}

/** Days are compared as days: today has not passed. */
const hasPassed = (local: string, { todayLocal, isDay }: { todayLocal: string; isDay?: boolean }): boolean =>
  isDay ? local.slice(0, 10) < todayLocal.slice(0, 10) : local < todayLocal.slice(0, 16);

/** Asks before a moment in the past is taken; another year is mostly what was meant. */
function PastMoment({
  local,
  todayLocal,
  onChoose,
}: {
  local: string;
  todayLocal: string;
  onChoose: (local: string) => void;
}) {
  const inYear = (year: number): string => `${year}${local.slice(4)}`;
  const thisYear = Number(todayLocal.slice(0, 4));
  const nextYear = inYear(thisYear) < todayLocal.slice(0, 16) ? inYear(thisYear + 1) : inYear(thisYear);
  return (
    <>
      {localWords(local)} has passed.{" "}
      <TextButton className="underline" onClick={() => onChoose(local)}>
        Use it all the same
      </TextButton>
      {isLocalDateTime(nextYear) && (
        <>
          {" "}
          or{" "}
          <TextButton className="underline" onClick={() => onChoose(nextYear)}>
            take {localWords(nextYear)}
          </TextButton>
        </>
      )}
    </>
  );
}

/** A date and hour, typed as people write them or picked. Gives the local time back, `YYYY-MM-DDTHH:mm`. */
export function MomentField(props: {
  label: string;
  value: string;
  onChange: (local: string) => void;
  todayLocal: string;
  error?: string | undefined;
  id?: string;
  hint?: string;
  /** the day alone counts: no hour is shown */
  isDay?: boolean;
  /** left empty it is no moment: "" */
  isOptional?: boolean;
}) {
  const shown = (local: string): string => (props.isDay ? localWords(local).split(", ")[0]! : localWords(local));
  const [typed, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<{ readonly fault: MomentFault; readonly words?: string } | null>(null);
  // a moment that has passed is taken only once it was asked about
  const [past, setPast] = useState<string | null>(null);
  const [isOpen, setOpen] = useState(false);
  const choose = (local: string): void => {
    props.onChange(local);
    setTyped(null);
    setFault(null);
    setPast(null);
  };
  const read = (text: string): boolean => {
    if (props.isOptional && text.trim() === "") {
      choose("");
      return true;
    }
    const outcome = readMoment(text, props.todayLocal, props.value.slice(11) || null);
    setFault("fault" in outcome ? outcome : null);
    const isPast = "local" in outcome && outcome.local !== props.value && hasPassed(outcome.local, props);
    setPast(isPast ? outcome.local : null);
    if (!("local" in outcome) || isPast) return false;
    props.onChange(outcome.local);
    return true;
  };
  return (
    <Field
      label={props.label}
      hint={props.hint}
      error={
        fault ? (
          momentFaultWords(fault)
        ) : past ? (
          <PastMoment local={past} todayLocal={props.todayLocal} onChoose={choose} />
        ) : (
          props.error
        )
      }
      {...(props.id ? { id: props.id } : {})}
    >
      {(ids) => (
        <div className="flex gap-1">
          <Input
            {...ids}
            {...((fault ?? past) && unreadMark)}
            autoComplete="off"
            value={typed ?? (props.value ? shown(props.value) : "")}
            onChange={(event) => {
              setTyped(event.target.value);
              read(event.target.value);
            }}
            onBlur={() => {
              // what cannot be read stays as it was typed, beside the reason
              if (typed === null || read(typed)) setTyped(null);
            }}
          />
          <Popover.Root open={isOpen} onOpenChange={setOpen}>
            <Popover.Trigger asChild>
              <Button aria-label={`${props.label}: pick a day`} className="px-2">
                <CalendarDays size={16} aria-hidden />
              </Button>
            </Popover.Trigger>
            <Popover.Portal>
              <Popover.Content align="end" className="z-10 rounded-sheet border border-rule bg-sheet p-3 shadow-xl">
                <DayGrid
                  local={props.value || `${props.todayLocal.slice(0, 10)}T18:00`}
                  onPick={(day) => {
                    const local = `${day}T${props.value.slice(11) || "18:00"}`;
                    setOpen(false);
                    setFault(null);
                    if (!hasPassed(local, props)) return choose(local);
                    setTyped(shown(local));
                    setPast(local);
                  }}
                />
              </Popover.Content>
            </Popover.Portal>
          </Popover.Root>
        </div>
      )}
    </Field>
  );
}

const noon = "T12:00";

/** A day, typed as people write it or picked. Gives it back as `YYYY-MM-DD`. */
export function DayField({
  value,
  onChange,
  ...rest
}: Pick<Parameters<typeof MomentField>[0], "label" | "id" | "hint" | "error" | "todayLocal"> & {
  value: string;
  onChange: (day: string) => void;
}) {
  return (
    <MomentField
      {...rest}
      isDay
      value={value && `${value}${noon}`}
      onChange={(local) => onChange(local.slice(0, 10))}
    />
  );
}
