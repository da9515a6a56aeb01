"use client";
import type { Dispatch, SetStateAction } from "react";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import { toast } from "sonner";
import type { ExtentInput } from "@/contracts";
import { localWords, shortDate, weekdayName, clockTime, type WallTimeKind } from "@/core/time";
import { MomentField } from "@/features/shared/moment-field";
import { Button, classes, Confirm, Field, inputClass, Note } from "@/ui";

export interface StripDate {
  readonly id: string;
  readonly startAt: number;
  readonly startLocal: string;
  readonly originalStartLocal: string;
  readonly durationMinutes: number;
  readonly zone: string;
  readonly phase: string;
  readonly registered: number;
  readonly isFixed: boolean;
}

interface Preview {
  readonly extent: "single" | "later" | "all";
  readonly dates: readonly {
    readonly id: string;
    readonly from: string;
    readonly to: string;
    readonly kind: WallTimeKind;
  }[];
  readonly calledOff: number;
  readonly registrations: number;
  readonly couldTell: number;
  readonly licencesMoved: number;
  readonly refusedWords: string | null;
}
type Done<T> = { ok: true; value: T } | { ok: false; words: string };
export interface StripActs {
  preview(input: ExtentInput): Promise<Done<Preview>>;
  apply(input: ExtentInput, tellPeople: boolean): Promise<Done<{ changeId: string; changed: number; told: number }>>;
  undo(changeId: string): Promise<Done<number>>;
}

const extentWords: Record<Preview["extent"], string> = {
  single: "Each marked date changes by itself; the rule stays.",
  later: "The series parts here: what lies before stays, the rest goes on as a series of its own.",
  all: "The whole series changes.",
};

/** One date as a block of the strip: pressed is marked. Shift marks up to here. */
function DateBlock({
  date,
  isMarked,
  onMark,
}: {
  date: StripDate;
  isMarked: boolean;
  onMark: (withShift: boolean) => void;
}) {
  const isMoved = date.startLocal !== date.originalStartLocal;
  return (
    <button
      type="button"
      disabled={date.isFixed}
      aria-pressed={isMarked}
      aria-label={`${localWords(date.startLocal)}${date.phase === "cancelled" ? ", called off" : ""}`}
      onClick={(event) => onMark(event.shiftKey)}
      className={classes(
        "min-w-20 border-l-2 px-2 py-1 text-left leading-tight",
        isMarked
          ? "border-action bg-action text-on-action"
          : date.phase === "cancelled"
            ? "border-rule bg-raised text-ink-2 line-through"
            : date.isFixed
              ? "border-rule bg-raised text-ink-2"
              : "border-rule bg-sheet hover:border-ink-2",
      )}
    >
      <span className="block">
        {weekdayName(date.startAt, date.zone)} {shortDate(date.startAt, date.zone)}
      </span>
      <span className="mono block text-label">
        {clockTime(date.startAt, date.zone)}
        {isMoved && " moved"}
      </span>
      <span className="mono block text-label opacity-80">{date.registered > 0 ? `${date.registered} reg.` : ""}</span>
    </button>
  );
}

function Consequences({ preview }: { preview: Preview }) {
  const odd = preview.dates.filter((date) => date.kind !== "plain");
  return (
    <div aria-live="polite" className="flex flex-col gap-1">
      <p className="font-medium">{extentWords[preview.extent]}</p>
      <p className="text-ink-2">
        {preview.calledOff > 0 ? (
          <>
            <span className="mono">{preview.calledOff}</span> called off
          </>
        ) : (
          <>
            <span className="mono">{preview.dates.length}</span>{" "}
            {preview.dates.length === 1 ? "date moves" : "dates move"}
          </>
        )}
        {" · "}
        <span className="mono">{preview.registrations}</span>{" "}
        {preview.calledOff > 0 ? "registrations lose their date" : "registrations follow"}
        {" · "}
        <span className="mono">{preview.couldTell}</span> people could be told
        {preview.licencesMoved > 0 && (
          <>
            {" "}
            · <span className="mono">{preview.licencesMoved}</span> other dates take another seat licence
          </>
        )}
      </p>
      {preview.dates.length > 0 && (
        <p className="text-label text-ink-2">
          {preview.dates
            .slice(0, 4)
            .map((date) => `${localWords(date.from)} → ${localWords(date.to)}`)
            .join(" · ")}
          {preview.dates.length > 4 ? ` and ${preview.dates.length - 4} more` : ""}
        </p>
      )}
      {odd.map((date) => (
        <p key={date.id} className="text-label text-attention">
          {localWords(date.to)}: {date.kind === "gap" ? "the clocks skip this hour" : "this hour comes twice"}
        </p>
      ))}
      {preview.refusedWords && <Note tone="wrong">{preview.refusedWords}</Note>}
    </div>
  );
}

function MoveFields({
  chosen,
  firstStartLocal,
  setFirst,
  todayLocal,
  firstChosen,
  duration,
  setDuration,
}: {
  chosen: StripDate[];
  firstStartLocal: string;
  setFirst: Dispatch<SetStateAction<string | null>>;
  todayLocal: string;
  firstChosen: StripDate;
  duration: string;
  setDuration: Dispatch<SetStateAction<string>>;
}) {
  return (
    <div className="grid grid-cols-[18rem_8rem] gap-3">
      <MomentField
        label={`The first of ${chosen.length} marked moves to`}
        value={firstStartLocal}
        onChange={setFirst}
        todayLocal={todayLocal}
      />
      <Field label="Length, min">
        {(ids) => (
          <input
            {...ids}
            type="number"
            min={5}
            className={inputClass}
            placeholder={String(firstChosen.durationMinutes)}
            value={duration}
            onChange={(event) => setDuration(event.target.value)}
          />
        )}
      </Field>
    </div>
  );
}

function ChangeActs({
  isPending,
  isMoving,
  preview,
  apply,
  marked,
  chosen,
  tellPeople,
  change,
}: {
  isPending: boolean;
  isMoving: boolean;
  preview: Preview | null;
  apply: (input: ExtentInput) => void;
  marked: ReadonlySet<string>;
  chosen: StripDate[];
  tellPeople: boolean;
  change: ExtentInput["change"];
}) {
  return (
    <div className="flex gap-2">
      <Button
        weight="act"
        disabled={isPending || !isMoving || !preview || preview.refusedWords !== null}
        onClick={() => apply({ markedIds: [...marked], change })}
      >
        Move {chosen.length === 1 ? "the date" : `${chosen.length} dates`}
      </Button>
      <Confirm
        trigger={
          <Button weight="danger">Call off {chosen.length === 1 ? "the date" : `${chosen.length} dates`}</Button>
        }
        title="Call off"
        act={`Call off ${chosen.length}`}
        onConfirm={() => apply({ markedIds: [...marked], change: { kind: "call-off" } })}
      >
        <p>
          {chosen.reduce((sum, date) => sum + date.registered, 0)} registrations lose their date.{" "}
          {tellPeople ? "They are told by mail at once." : "Nobody is told unless you ask for it."} It can be undone
          until something newer is changed.
        </p>
      </Confirm>
    </div>
  );
}

function MarkedDates({
  last,
  stretch,
  nextIndex,
  marked,
  clear,
  wrong,
  firstChosen,
  chosen,
  firstStartLocal,
  setFirst,
  todayLocal,
  duration,
  setDuration,
  preview,
  tellPeople,
  setTellPeople,
  isPending,
  isMoving,
  apply,
  change,
}: {
  last: number | null;
  stretch: (from: number) => void;
  nextIndex: number;
  marked: ReadonlySet<string>;
  clear: () => void;
  wrong: string | null;
  firstChosen: StripDate | undefined;
  chosen: StripDate[];
  firstStartLocal: string;
  setFirst: Dispatch<SetStateAction<string | null>>;
  todayLocal: string;
  duration: string;
  setDuration: Dispatch<SetStateAction<string>>;
  preview: Preview | null;
  tellPeople: boolean;
  setTellPeople: Dispatch<SetStateAction<boolean>>;
  isPending: boolean;
  isMoving: boolean;
  apply: (input: ExtentInput) => void;
  change: { kind: "move"; firstStartLocal: string; durationMinutes: number | null };
}) {
  return (
    <div className="mt-3 flex flex-col gap-3">
      <div className="flex flex-wrap gap-2">
        <Button disabled={last === null} onClick={() => stretch(last ?? 0)}>
          Mark from there on
        </Button>
        <Button disabled={nextIndex < 0} onClick={() => stretch(nextIndex)}>
          Mark all that lie ahead
        </Button>
        <Button weight="plain" disabled={marked.size === 0} onClick={clear}>
          Mark none
        </Button>
      </div>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {firstChosen && (
        <div className="flex flex-col gap-3 border-l-2 border-action pl-4">
          <MoveFields
            chosen={chosen}
            firstStartLocal={firstStartLocal}
            setFirst={setFirst}
            todayLocal={todayLocal}
            firstChosen={firstChosen}
            duration={duration}
            setDuration={setDuration}
          />
          {preview && <Consequences preview={preview} />}
          <label className="flex items-center gap-2">
            <input type="checkbox" checked={tellPeople} onChange={(event) => setTellPeople(event.target.checked)} />{" "}
            Tell the people concerned by mail
          </label>
          <ChangeActs
            isPending={isPending}
            isMoving={isMoving}
            preview={preview}
            apply={apply}
            marked={marked}
            chosen={chosen}
            tellPeople={tellPeople}
            change={change}
          />
        </div>
      )}
    </div>
  );
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
  const [preview, setPreview] = useState<Preview | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [tellPeople, setTellPeople] = useState(false);
  const [isPending, run] = useTransition();
  const chosen = dates.filter((date) => marked.has(date.id));
  const firstChosen = chosen[0];
  const firstStartLocal = first ?? firstChosen?.startLocal ?? "";
  const isMoving =
    firstChosen !== undefined &&
    (firstStartLocal !== firstChosen.startLocal ||
      (duration !== "" && Number(duration) !== firstChosen.durationMinutes));
  const change = { kind: "move" as const, firstStartLocal, durationMinutes: duration === "" ? null : Number(duration) };
  const key = JSON.stringify([[...marked], change, isMoving]);
  const { preview: ask } = acts;
  useEffect(() => {
    let isCurrent = true;
    const [ids, wanted, moves] = JSON.parse(key) as [string[], typeof change, boolean];
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
  const clear = () => {
    setMarked(new Set());
    setFirst(null);
    setDuration("");
    setPreview(null);
  };
  const mark = (index: number, withShift: boolean) => {
    const next = new Set(marked);
    const from = withShift && last !== null ? Math.min(last, index) : index;
    const to = withShift && last !== null ? Math.max(last, index) : index;
    const isOn = !marked.has(dates[index]!.id);
    for (const date of dates.slice(from, to + 1)) {
      if (date.isFixed) continue;
      if (isOn) next.add(date.id);
      else next.delete(date.id);
    }
    setMarked(next);
    setLast(index);
    setFirst(null);
  };
  const stretch = (from: number) => {
    setMarked(
      new Set(
        dates
          .slice(from)
          .filter((date) => !date.isFixed)
          .map((date) => date.id),
      ),
    );
    setFirst(null);
  };
  const apply = (input: ExtentInput) =>
    run(async () => {
      const done = await acts.apply(input, tellPeople);
      if (!done.ok) return setWrong(done.words);
      setWrong(null);
      clear();
      router.refresh();
      const { changeId, changed, told } = done.value;
      toast(
        `${changed} ${changed === 1 ? "date" : "dates"} changed.${told > 0 ? ` ${told} people hear of it.` : " Nobody was told."}`,
        {
          duration: 20_000,
          action: {
            label: "Undo",
            onClick: () =>
              void acts.undo(changeId).then((undone) => {
                if (undone.ok) toast("Undone.");
                else toast.error(undone.words);
                router.refresh();
              }),
          },
        },
      );
    });
  const nextIndex = dates.findIndex((date) => !date.isFixed);
  return (
    <section id="dates" aria-label="Dates of the series" className="mt-8 max-w-5xl border-t-2 border-ink pt-3">
      <h2 className="text-head font-semibold">Dates</h2>
      <p className="mb-2 text-ink-2">
        Mark the dates that change; with Shift all between. Past and live dates never change.
      </p>
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
