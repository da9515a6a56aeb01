"use client";
import { toast } from "@/ui";
import { StripDate, Preview, StripActs } from "./series-types";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import type { ExtentInput } from "@/contracts";

import { MarkedDates } from "./series-change";
import { DateBlock } from "./date-block";

const MarkHint = () => (
  <p className="mb-2 text-ink-2">
    Mark the dates that change; with Shift all between. Past and live dates never change.
  </p>
);

const isMoved = (first: StripDate, startLocal: string, duration: string): boolean =>
  startLocal !== first.startLocal || (duration !== "" && Number(duration) !== first.durationMinutes);

const changedWords = (changed: number, told: number): string =>
  `${changed} ${changed === 1 ? "date" : "dates"} changed.${told > 0 ? ` ${told} people hear of it.` : " Nobody was told."}`;

const stretchFrom = (dates: readonly StripDate[], from: number): ReadonlySet<string> =>
  new Set(dates.slice(from).flatMap((date) => (date.isFixed ? [] : [date.id])));

/** The marks after one more press; with `last`, all between it and the pressed date go the same way. */
function withMarked(
  dates: readonly StripDate[],
  marked: ReadonlySet<string>,
  index: number,
  last: number | null,
): ReadonlySet<string> {
  const next = new Set(marked);
  const [from, to] = last === null ? [index, index] : [Math.min(last, index), Math.max(last, index)];
  const isOn = !marked.has(dates[index]!.id);
  for (const date of dates.slice(from, to + 1)) {
    if (date.isFixed) continue;
    if (isOn) next.add(date.id);
    else next.delete(date.id);
  }
  return next;
}

/** What would follow from the change, asked for a moment after the last key. */
function usePreview(
  ask: StripActs["preview"],
  marked: ReadonlySet<string>,
  change: ExtentInput["change"],
  isMoving: boolean,
) {
  const [preview, setPreview] = useState<Preview | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const key = JSON.stringify([[...marked], change, isMoving]);
  useEffect(() => {
    let isCurrent = true;
    const [ids, wanted, moves] = JSON.parse(key) as [string[], ExtentInput["change"], boolean];
    const timer = setTimeout(() => {
      if (ids.length === 0 || !moves) return setPreview(null);
      void ask({ markedIds: ids, change: wanted }).then((done) => {
        if (!isCurrent) return;
        setPreview(done.ok ? done.value : null);
        setWrong(done.ok ? null : done.words);
      });
    }, 300);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [key, ask]);
  return { preview, wrong, setPreview, setWrong };
}

/** The series' own strip: dates are marked on it, what follows from a change stands beside, then it is done. */
export function SeriesStrip({
  dates,
  acts,
  todayLocal,
  mayEdit,
}: {
  dates: readonly StripDate[];
  acts: StripActs;
  todayLocal: string;
  mayEdit: boolean;
}) {
  const router = useRouter();
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const [last, setLast] = useState<number | null>(null);
  const [first, setFirst] = useState<string | null>(null);
  const [duration, setDuration] = useState("");
  const [tellPeople, setTellPeople] = useState(false);
  const [isPending, run] = useTransition();
  const chosen = dates.filter((date) => marked.has(date.id));
  const firstChosen = chosen[0];
  const firstStartLocal = first ?? firstChosen?.startLocal ?? "";
  const isMoving = firstChosen !== undefined && isMoved(firstChosen, firstStartLocal, duration);
  const change = { kind: "move" as const, firstStartLocal, durationMinutes: duration === "" ? null : Number(duration) };
  const { preview, wrong, setPreview, setWrong } = usePreview(acts.preview, marked, change, isMoving);
  const markOnly = (next: ReadonlySet<string>) => {
    setMarked(next);
    setFirst(null);
  };
  const clear = () => {
    markOnly(new Set());
    setDuration("");
    setPreview(null);
  };
  const mark = (index: number, withShift: boolean) => {
    const next = withMarked(dates, marked, index, withShift ? last : null);
    markOnly(next);
    setLast(index);
  };
  const stretch = (from: number) => markOnly(stretchFrom(dates, from));
  const undo = (changeId: string) =>
    void acts.undo(changeId).then((undone) => {
      if (undone.ok) toast("Undone.");
      else toast.error(undone.words);
      router.refresh();
    });
  const apply = (input: ExtentInput) =>
    run(async () => {
      const done = await acts.apply(input, tellPeople);
      if (!done.ok) return setWrong(done.words);
      setWrong(null);
      clear();
      router.refresh();
      const { changeId, changed, told } = done.value;
      toast(changedWords(changed, told), {
        duration: 20_000,
        action: { label: "Undo", onClick: () => undo(changeId) },
      });
    });
  const nextIndex = dates.findIndex((date) => !date.isFixed);
  return (
    <section id="dates" aria-label="Dates of the series" className="mt-8 max-w-5xl border-t-2 border-ink pt-3">
      <h2 className="text-head font-semibold">Dates</h2>
      <MarkHint />
      <div className="flex flex-wrap gap-1">
        {dates.map((date, i) => (
          <DateBlock
            key={date.id}
            date={date}
            isMarked={marked.has(date.id)}
            onMark={(withShift) => mark(i, withShift)}
          />
        ))}
      </div>
      {mayEdit && (
        <MarkedDates
          last={last}
          stretch={stretch}
          nextIndex={nextIndex}
          marked={marked}
          clear={clear}
          wrong={wrong}
          firstChosen={firstChosen}
          chosen={chosen}
          firstStartLocal={firstStartLocal}
          setFirst={setFirst}
          todayLocal={todayLocal}
          duration={duration}
          setDuration={setDuration}
          preview={preview}
          tellPeople={tellPeople}
          setTellPeople={setTellPeople}
          isPending={isPending}
          isMoving={isMoving}
          apply={apply}
          change={change}
        />
      )}
    </section>
  );
}
