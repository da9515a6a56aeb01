"use client";
import type { ComponentProps } from "react";
import { FindATime } from "@/features/shared/find-a-time/find-a-time";
import { TakeSlot, type TakeSlotActs } from "./take-slot";

/** When an event's people are free, and moving its date there; `take` is null where the date stands fast. */
export function FindEventTime({
  take,
  ...search
}: Omit<ComponentProps<typeof FindATime>, "take"> & {
  take: { readonly occurrenceId: string; readonly holders: number; readonly acts: TakeSlotActs } | null;
}) {
  return (
    <FindATime
      {...search}
      className="mt-8 max-w-5xl border-t-2 border-ink pt-3"
      take={take && ((startLocal) => <TakeSlot startLocal={startLocal} {...take} />)}
    />
  );
}
