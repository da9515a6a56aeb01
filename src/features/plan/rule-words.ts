"use client";

import { type PlanInput } from "@/contracts";
import { weekdayOf, dayOfLocal } from "@/core/time";

export type Rule = NonNullable<PlanInput["rule"]>;

export const weekdayNames = { MO: "Mon", TU: "Tue", WE: "Wed", TH: "Thu", FR: "Fri", SA: "Sat", SU: "Sun" } as const;

export const ordinals = [1, 2, 3, 4, -1] as const;

export const ordinalNames: Record<(typeof ordinals)[number], string> = {
  1: "first",
  2: "second",
  3: "third",
  4: "fourth",
  [-1]: "last",
};

/** Which of its weekday in the month a day is. */
export const ordinalOf = (startLocal: string): number => Math.ceil(Number(startLocal.slice(8, 10)) / 7);

export function fresh(freq: Rule["freq"], rule: Rule, startLocal: string): Rule {
  const weekday = weekdayOf(dayOfLocal(startLocal));
  const byDay =
    freq === "WEEKLY"
      ? [{ weekday, ordinal: null }]
      : freq === "MONTHLY"
        ? [{ weekday, ordinal: Math.min(4, ordinalOf(startLocal)) }]
        : [];
  return { ...rule, freq, byDay, byMonthDay: [], byMonth: [] };
}
