"use client";
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type KeyboardCoordinateGetter,
} from "@dnd-kit/core";
import Link from "next/link";
import { useRef } from "react";
import { localWords, shiftLocal } from "@/core/time";
import { dragWords } from "@/features/shared/drag-words";
import { classes } from "@/ui";
import type { SeasonDate } from "@/contracts";
import { EventMenu, type EventMenuActs } from "./event-menu";
import { useMove, type MoveActs } from "./use-move";

export interface MonthDate {
  readonly eventId: string;
  readonly occurrenceId: string;
  readonly title: string;
  readonly startLocal: string;
  readonly kind: "show" | "rehearsal" | "slot";
  readonly phase: SeasonDate["phase"];
  readonly isPublished: boolean;
  readonly isFixed: boolean;
  readonly isCancelled: boolean;
}

function Chip({ date, menu }: { date: MonthDate; menu: EventMenuActs | null }) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({
    id: date.occurrenceId,
    disabled: date.isFixed,
  });
  return (
    <li
      ref={setNodeRef}
      {...(date.isFixed ? {} : { ...attributes, ...listeners })}
      style={
        transform
          ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5, position: "relative" }
          : undefined
      }
      className={classes(
        "group mt-0.5 border-l-2 px-1 leading-tight",
        date.isFixed ? "bg-raised text-ink-2" : "cursor-grab bg-sheet",
        date.kind === "rehearsal" ? "border-attention" : date.isPublished ? "border-action" : "border-rule",
        date.isCancelled && "line-through",
      )}
    >
      <Link
        href={`/events/${date.eventId}/plan?date=${date.occurrenceId}`}
        prefetch={false}
        draggable={false}
        className="block truncate text-ink no-underline"
        title={date.title}
      >
        <span className="mono">{date.startLocal.slice(11)}</span> {date.kind === "rehearsal" ? "Rehearsal: " : ""}
        {date.title}
      </Link>
      {menu && (
        // a press here must not begin a drag
        <span onPointerDown={(event) => event.stopPropagation()} onKeyDown={(event) => event.stopPropagation()}>
          <EventMenu
            date={date}
            acts={menu}
            className="sr-only group-hover:not-sr-only hover:underline focus-visible:not-sr-only data-[state=open]:not-sr-only"
          />
        </span>
      )}
    </li>
  );
}

function Day({
  day,
  isInMonth,
  isToday,
  dates,
  menu,
}: {
  day: string;
  isInMonth: boolean;
  isToday: boolean;
  dates: readonly MonthDate[];
  menu: EventMenuActs | null;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: day });
  return (
    <div
      ref={setNodeRef}
      className={classes(
        "min-h-24 border-t border-rule p-1 text-label",
        isOver && "bg-raised",
        !isInMonth && "opacity-50",
      )}
    >
      <Link
        href={`/events/new?on=${day}`}
        prefetch={false}
        title="Plan an event on this day"
        className={classes("mono no-underline", isToday ? "font-semibold text-action" : "text-ink-2")}
      >
        {Number(day.slice(8))}
      </Link>
      <ul>
        {dates.map((date) => (
          <Chip key={date.occurrenceId} date={date} menu={menu} />
        ))}
      </ul>
    </div>
  );
}

/** One press of an arrow key is one day, or one week. */
const byCells: KeyboardCoordinateGetter = (event, { currentCoordinates: { x, y }, context }) => {
  const cell = [...context.droppableRects.values()][0];
  if (!cell) return undefined;
  const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.code];
  return step && { x: x + step[0]! * (cell.width + 4), y: y + step[1]! * cell.height };
};

/** The month as weeks from Monday; a date is dragged to another day and keeps its hour. */
export function SeasonMonth({
  month,
  today,
  dates,
  acts,
  menu,
}: {
  month: string;
  today: string;
  dates: readonly MonthDate[];
  acts: MoveActs;
  menu: EventMenuActs | null;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: byCells,
      // enter opens the date, as on every link
      keyboardCodes: { start: ["Space"], cancel: ["Escape"], end: ["Space", "Enter"] },
    }),
  );
  const { move, isPending } = useMove(acts);
  // letting go over the chip is no click on its link
  const hasDragged = useRef(false);
  const first = `${month}-01T00:00`;
  const lead = (new Date(`${first}:00Z`).getUTCDay() + 6) % 7;
  const count = new Date(Date.UTC(Number(month.slice(0, 4)), Number(month.slice(5, 7)), 0)).getUTCDate();
  const days = Array.from({ length: Math.ceil((lead + count) / 7) * 7 }, (_, i) =>
    shiftLocal(first, (i - lead) * 24 * 60).slice(0, 10),
  );
  return (
    <DndContext
      id="season-month"
      sensors={sensors}
      accessibility={dragWords(
        (id) => dates.find((one) => one.occurrenceId === id)?.title ?? "",
        (day) => localWords(`${String(day)}T12:00`).split(", ")[0]!,
      )}
      onDragStart={() => {
        hasDragged.current = true;
      }}
      onDragEnd={({ active, over }) => {
        setTimeout(() => {
          hasDragged.current = false;
        }, 0);
        const date = dates.find((one) => one.occurrenceId === active.id);
        if (date && over && date.startLocal.slice(0, 10) !== over.id)
          move(date, `${String(over.id)}${date.startLocal.slice(10)}`);
      }}
    >
      <div
        className={classes("mt-2 grid grid-cols-7 gap-x-1", isPending && "opacity-60")}
        onClickCapture={(event) => {
          if (!hasDragged.current) return;
          event.preventDefault();
          event.stopPropagation();
        }}
      >
        {["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"].map((name) => (
          <span key={name} className="text-label text-ink-2">
            {name}
          </span>
        ))}
        {days.map((day) => (
          <Day
            key={day}
            day={day}
            isInMonth={day.startsWith(month)}
            isToday={day === today}
            dates={dates.filter((date) => date.startLocal.startsWith(day))}
            menu={menu}
          />
        ))}
      </div>
    </DndContext>
  );
}
