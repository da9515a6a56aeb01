"use client";
import { Note, classes, Press } from "@/ui";
import { localWords, weekdayName, shortDate, clockTime } from "@/core/time";
import { StripDate, Preview, extentWords } from "./series-types";

/** One date as a block of the strip: pressed is marked. Shift marks up to here. */

export function DateBlock({
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
    <Press
      disabled={date.isFixed}
      aria-pressed={isMarked}
      aria-label={`${localWords(date.startLocal)}${date.phase === "cancelled" ? ", cancelled" : ""}`}
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
    </Press>
  );
}
export function Consequences({ preview }: { preview: Preview }) {
  const odd = preview.dates.filter((date) => date.kind !== "plain");
  return (
    <div aria-live="polite" className="flex flex-col gap-1">
      <p className="font-medium">{extentWords[preview.extent]}</p>
      <p className="text-ink-2">
        {preview.calledOff > 0 ? (
          <>
            <span className="mono">{preview.calledOff}</span> cancelled
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
