"use client";
import type { SlotGrid } from "@/contracts";
import { localWords, wallTimeAt } from "@/core/time";
import { classes, Press } from "@/ui";

/** The best slots, each with its reason. */
export function SlotList({
  grid,
  chosen,
  setChosen,
  zone,
}: {
  grid: SlotGrid;
  chosen: number | null;
  setChosen: (at: number) => void;
  zone: string;
}) {
  return (
    <ol className="grid gap-x-6 sm:grid-cols-2">
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
