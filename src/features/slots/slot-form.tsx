"use client";
import type { Done } from "@/contracts";
import type { Dispatch, ReactNode, SetStateAction } from "react";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { SlotPlanInput } from "@/contracts";
import { dayOfLocal, weekdayOf } from "@/core/time";
import { ClockInput } from "@/features/shared/clock-input";
import { MomentField } from "@/features/shared/moment-field";
import { Button, Field, Input, Note, Select, toast } from "@/ui";

type Repeat = "once" | "DAILY" | "WEEKLY";

type SlotFormProps = {
  zone: string;
  todayLocal: string;
  firstLocal: string;
  events: readonly { id: string; title: string }[];
  make: (input: SlotPlanInput) => Promise<Done<{ slug: string }>>;
};

function EventChoice({
  ids,
  input,
  change,
  props,
}: {
  ids: { id: string; "aria-describedby": string | undefined; "aria-invalid": boolean };
  input: SlotPlanInput;
  change: (part: Partial<SlotPlanInput>) => void;
  props: SlotFormProps;
}) {
  return (
    <Select
      {...ids}
      value={input.forEventId ?? ""}
      onChange={(event) =>
        change({
          forEventId: event.target.value || null,
          title: event.target.value
            ? `Tech check: ${props.events.find((one) => one.id === event.target.value)?.title ?? ""}`.slice(0, 200)
            : "Open hour",
        })
      }
    >
      <option value="">anybody: open hours</option>
      {props.events.map((one) => (
        <option key={one.id} value={one.id}>
          tech checks for {one.title}
        </option>
      ))}
    </Select>
  );
}

function UntilAndRepeat({
  input,
  change,
  number,
  repeat,
  setRepeat,
  times,
  setTimes,
}: {
  input: SlotPlanInput;
  change: (part: Partial<SlotPlanInput>) => void;
  number: (name: "lengthMinutes" | "pauseMinutes" | "capacity", label: string) => ReactNode;
  repeat: Repeat;
  setRepeat: Dispatch<SetStateAction<Repeat>>;
  times: number;
  setTimes: Dispatch<SetStateAction<number>>;
}) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <Field label="Until">
        {(ids) => (
          <ClockInput {...ids} value={input.untilClock} onChange={(clock) => change({ untilClock: clock ?? "" })} />
        )}
      </Field>
      {number("lengthMinutes", "Minutes each")}
      {number("pauseMinutes", "Pause between, min")}
      {number("capacity", "People each")}
      <Field label="Repeats">
        {(ids) => (
          <Select {...ids} value={repeat} onChange={(event) => setRepeat(event.target.value as Repeat)}>
            <option value="once">not</option>
            <option value="DAILY">every day</option>
            <option value="WEEKLY">every week</option>
          </Select>
        )}
      </Field>
      {repeat !== "once" && (
        <Field label="Times">
          {(ids) => (
            <Input
              {...ids}
              type="number"
              min={1}
              max={100}
              className="mono"
              value={times}
              onChange={(event) => setTimes(Number(event.target.value))}
            />
          )}
        </Field>
      )}
    </div>
  );
}

/** New bookable hours: tech checks for an event's stage, or open hours for anybody. */
export function SlotForm(props: SlotFormProps) {
  const router = useRouter();
  const [input, setInput] = useState<SlotPlanInput>({
    title: "Open hour",
    startLocal: props.firstLocal,
    untilClock: "17:00",
    zone: props.zone,
    lengthMinutes: 20,
    pauseMinutes: 5,
    capacity: 1,
    rule: null,
    forEventId: null,
  });
  const [repeat, setRepeat] = useState<Repeat>("once");
  const [times, setTimes] = useState(4);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const change = (part: Partial<SlotPlanInput>) => setInput({ ...input, ...part });
  const number = (name: "lengthMinutes" | "pauseMinutes" | "capacity", label: string) => (
    <Field label={label}>
      {(ids) => (
        <Input
          {...ids}
          type="number"
          min={name === "pauseMinutes" ? 0 : 1}
          className="mono"
          value={input[name]}
          onChange={(event) => change({ [name]: Number(event.target.value) })}
        />
      )}
    </Field>
  );
  const submit = () =>
    run(async () => {
      const byDay = repeat === "WEEKLY" ? [{ weekday: weekdayOf(dayOfLocal(input.startLocal)), ordinal: null }] : [];
      const rule =
        repeat === "once"
          ? null
          : {
              freq: repeat,
              interval: 1,
              count: times,
              until: null,
              byMonth: [],
              byMonthDay: [],
              byDay,
              wkst: "MO" as const,
            };
      const done = await props.make({ ...input, rule });
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      toast("The hours can be booked.");
      router.refresh();
    });
  return (
    <form
      className="flex flex-col gap-3 bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <h2 className="text-head font-semibold">New hours</h2>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Field label="For">{(ids) => <EventChoice ids={ids} input={input} change={change} props={props} />}</Field>
      <Field label="Title">
        {(ids) => <Input {...ids} value={input.title} onChange={(event) => change({ title: event.target.value })} />}
      </Field>
      <MomentField
        id="slotStart"
        label="First day and hour"
        value={input.startLocal}
        onChange={(startLocal) => change({ startLocal })}
        todayLocal={props.todayLocal}
      />
      <UntilAndRepeat
        input={input}
        change={change}
        number={number}
        repeat={repeat}
        setRepeat={setRepeat}
        times={times}
        setTimes={setTimes}
      />
      <Button type="submit" weight="act" disabled={isPending} className="self-start">
        Open them for booking
      </Button>
    </form>
  );
}
