"use client";
import { useEffect, useState } from "react";
import type { Done, SeatAnswer, SeatQuestion } from "@/contracts";
import { localWords } from "@/core/time";
import { Button, classes, Note, Press } from "@/ui";

export type AskSeats = (question: SeatQuestion) => Promise<Done<SeatAnswer>>;

const settleMs = 350;

/** Asks again a moment after the last change; an answer to an older question is dropped. */
function useSeats(question: SeatQuestion, ask: AskSeats): SeatAnswer | null {
  const [view, setView] = useState<SeatAnswer | null>(null);
  const key = JSON.stringify(question);
  useEffect(() => {
    let isCurrent = true;
    const timer = setTimeout(() => {
      void ask(JSON.parse(key) as SeatQuestion).then((answer) => {
        if (isCurrent) setView(answer.ok ? answer.value : null);
      });
    }, settleMs);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [key, ask]);
  return view;
}

const verdictWords = (view: SeatAnswer, houseSize: number): string =>
  ({
    free: `A seat licence for ${houseSize} is free at that hour.`,
    taken: `No seat licence for ${houseSize} is free at that hour.`,
    "not-decided": "Too many dates meet there to say for certain. It is decided when you save.",
    "too-large": `The largest licence holds ${view.largest} people: ${houseSize} seats need a larger one.`,
    "no-licences": "No seat licences are set up: nothing limits the hour.",
  })[view.verdict];

/** The day as a strip of quarter hours: free and taken starts, the chosen one marked, while it is picked. */
export function SeatStrip({
  question,
  ask,
  onPick,
}: {
  question: SeatQuestion;
  ask: AskSeats;
  onPick: (startLocal: string) => void;
}) {
  const view = useSeats(question, ask);
  if (!view) return <p className="text-ink-2">Looking at the seats</p>;
  const isWrong = view.verdict === "taken" || view.verdict === "too-large";
  return (
    <section aria-label="Seats that day" className="flex flex-col gap-1.5">
      {isWrong ? (
        <Note tone="wrong">{verdictWords(view, question.houseSize)}</Note>
      ) : (
        <p role="status" className="text-ink-2">
          {verdictWords(view, question.houseSize)}
        </p>
      )}
      {view.cells.length > 0 && (
        <>
          <div
            className="flex h-7 border border-rule"
            role="group"
            aria-label={`${view.cells.filter((cell) => cell.isFree).length} of ${view.cells.length} quarter hours are free as a start`}
          >
            {view.cells.map((cell) => (
              <Press
                key={cell.startLocal}
                tabIndex={-1}
                disabled={!cell.isFree}
                title={`${cell.startLocal.slice(11)} ${cell.isFree ? "free" : "taken"}`}
                onClick={() => onPick(cell.startLocal)}
                className={classes(
                  "min-w-0 flex-1",
                  cell.startLocal === question.startLocal
                    ? "bg-action"
                    : cell.isFree
                      ? "bg-sheet hover:bg-raised"
                      : "bg-[repeating-linear-gradient(45deg,var(--wrong)_0_1px,transparent_1px_4px)]",
                  cell.startLocal.endsWith(":00") && "border-l border-rule",
                )}
              />
            ))}
          </div>
          <div className="mono flex justify-between text-label text-ink-2" aria-hidden>
            {["00:00", "06:00", "12:00", "18:00", "24:00"].map((clock) => (
              <span key={clock}>{clock}</span>
            ))}
          </div>
        </>
      )}
      {(view.earlier || view.later) && (
        <p className="flex flex-wrap items-center gap-2">
          Nearest that fit:
          {view.earlier && <Button onClick={() => onPick(view.earlier!)}>{localWords(view.earlier)}</Button>}
          {view.later && <Button onClick={() => onPick(view.later!)}>{localWords(view.later)}</Button>}
        </p>
      )}
      {view.held.length > 0 && (
        <p className="text-label text-ink-2">
          That day:{" "}
          {view.held
            .slice(0, 6)
            .map((one) => `${one.fromLocal.slice(11)}–${one.untilLocal.slice(11)} ${one.title} (${one.houseSize})`)
            .join(" · ")}
        </p>
      )}
    </section>
  );
}
