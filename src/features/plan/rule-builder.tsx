"use client";
import { useMemo } from "react";
import { wordsOf, type PlanInput } from "@/contracts";
import {
  datesOfSeries,
  firstMatch,
  kindOfWallTime,
  ruleSentence,
  skippedMonths,
  weekdayCodes,
  weekdayOf,
  dayOfLocal,
  type RecurrenceRule,
} from "@/core/time";
import { Field, inputClass, Note } from "@/ui";
import { MomentField } from "@/features/shared/moment-field";
import { MonthGrid } from "./month-grid";

type Rule = NonNullable<PlanInput["rule"]>;

const weekdayNames = { MO: "Mon", TU: "Tue", WE: "Wed", TH: "Thu", FR: "Fri", SA: "Sat", SU: "Sun" } as const;
const ordinals = [1, 2, 3, 4, -1] as const;
const ordinalNames: Record<(typeof ordinals)[number], string> = {
  1: "first",
  2: "second",
  3: "third",
  4: "fourth",
  [-1]: "last",
};

/** The rule that a start suggests: its own weekday, ten times. */
export const proposedRule = (startLocal: string): Rule => ({
  freq: "WEEKLY",
  interval: 1,
  count: 10,
  until: null,
  byMonth: [],
  byMonthDay: [],
  byDay: [{ weekday: weekdayOf(dayOfLocal(startLocal)), ordinal: null }],
  wkst: "MO",
});

/** Which of its weekday in the month a day is. */
const ordinalOf = (startLocal: string): number => Math.ceil(Number(startLocal.slice(8, 10)) / 7);

function fresh(freq: Rule["freq"], rule: Rule, startLocal: string): Rule {
  const weekday = weekdayOf(dayOfLocal(startLocal));
  const byDay =
    freq === "WEEKLY"
      ? [{ weekday, ordinal: null }]
      : freq === "MONTHLY"
        ? [{ weekday, ordinal: Math.min(4, ordinalOf(startLocal)) }]
        : [];
  return { ...rule, freq, byDay, byMonthDay: [], byMonth: [] };
}

function Weekdays({ rule, onChange }: { rule: Rule; onChange: (rule: Rule) => void }) {
  const has = (code: string) => rule.byDay.some((one) => one.weekday === code);
  const toggle = (code: (typeof weekdayCodes)[number]) => {
    const next = has(code)
      ? rule.byDay.filter((one) => one.weekday !== code)
      : [...rule.byDay, { weekday: code, ordinal: null }];
    if (next.length > 0) onChange({ ...rule, byDay: next });
  };
  return (
    <div role="group" aria-label="On these days" className="flex gap-1">
      {weekdayCodes.map((code) => (
        <button
          key={code}
          type="button"
          aria-pressed={has(code)}
          onClick={() => toggle(code)}
          className="min-h-8 rounded-control border border-rule bg-sheet px-2 aria-pressed:border-action aria-pressed:bg-action aria-pressed:text-on-action"
        >
          {weekdayNames[code]}
        </button>
      ))}
    </div>
  );
}

/** Monthly: on its weekday of the month, or on its day of the month. */
function MonthlyWay({
  rule,
  startLocal,
  onChange,
}: {
  rule: Rule;
  startLocal: string;
  onChange: (rule: Rule) => void;
}) {
  const first = rule.byDay[0];
  const day = Number(startLocal.slice(8, 10));
  return (
    <div className="flex flex-wrap items-center gap-2">
      <select
        aria-label="On which day of the month"
        className={`${inputClass} w-48!`}
        value={first ? "weekday" : "day"}
        onChange={(event) =>
          onChange(
            event.target.value === "day"
              ? { ...rule, byDay: [], byMonthDay: [day] }
              : fresh("MONTHLY", rule, startLocal),
          )
        }
      >
        <option value="weekday">on a weekday</option>
        <option value="day">on day {day}</option>
      </select>
      {first && (
        <>
          <select
            aria-label="Which one"
            className={`${inputClass} w-28!`}
            value={first.ordinal ?? 1}
            onChange={(event) => onChange({ ...rule, byDay: [{ ...first, ordinal: Number(event.target.value) }] })}
          >
            {ordinals.map((one) => (
              <option key={one} value={one}>
                {ordinalNames[one]}
              </option>
            ))}
          </select>
          <select
            aria-label="Weekday"
            className={`${inputClass} w-24!`}
            value={first.weekday}
            onChange={(event) =>
              onChange({ ...rule, byDay: [{ ...first, weekday: event.target.value as typeof first.weekday }] })
            }
          >
            {weekdayCodes.map((code) => (
              <option key={code} value={code}>
                {weekdayNames[code]}
              </option>
            ))}
          </select>
        </>
      )}
    </div>
  );
}

function EndOfSeries({
  rule,
  startLocal,
  todayLocal,
  onChange,
}: {
  rule: Rule;
  startLocal: string;
  todayLocal: string;
  onChange: (rule: Rule) => void;
}) {
  const way = rule.count !== null ? "count" : rule.until !== null ? "until" : "open";
  return (
    <div className="flex items-end gap-2">
      <Field label="Ends">
        {(ids) => (
          <select
            {...ids}
            className={`${inputClass} w-40!`}
            value={way}
            onChange={(event) =>
              onChange({
                ...rule,
                count: event.target.value === "count" ? 10 : null,
                until:
                  event.target.value === "until"
                    ? `${Number(startLocal.slice(0, 4)) + 1}${startLocal.slice(4, 10)}T23:59`
                    : null,
              })
            }
          >
            <option value="count">after so many</option>
            <option value="until">on a day</option>
            <option value="open">with no end set</option>
          </select>
        )}
      </Field>
      {rule.count !== null && (
        <input
          aria-label="Number of dates"
          type="number"
          min={1}
          className={`${inputClass} mono w-24!`}
          value={rule.count}
          onChange={(event) => onChange({ ...rule, count: Number(event.target.value) })}
        />
      )}
      {rule.until !== null && (
        <MomentField
          label="Last day"
          value={rule.until}
          todayLocal={todayLocal}
          onChange={(until) => onChange({ ...rule, until: `${until.slice(0, 10)}T23:59` })}
        />
      )}
    </div>
  );
}

/** What the rule makes: dates, or why it makes none. */
function useDates(rule: RecurrenceRule, startLocal: string, zone: string) {
  return useMemo(() => {
    const start = firstMatch(rule, startLocal) ?? startLocal;
    const horizon = `${Number(start.slice(0, 4)) + 2}${start.slice(4)}`;
    const made = datesOfSeries({ rule, startLocal: start, zone, exdates: [], rdates: [] }, horizon);
    return { start, made };
  }, [rule, startLocal, zone]);
}

/** The series' rule: built in words, said as a sentence, shown on months with what is skipped and shifted. */
export function RuleBuilder(props: {
  rule: Rule;
  startLocal: string;
  zone: string;
  todayLocal: string;
  error?: string | undefined;
  onChange: (rule: Rule) => void;
}) {
  const { rule, startLocal, zone } = props;
  const { start, made } = useDates(rule, startLocal, zone);
  const dates = made.ok ? made.value : [];
  const kinds = dates.map((local) => ({ local, kind: kindOfWallTime({ local, zone }) }));
  const skipped = skippedMonths(rule, dates);
  return (
    <div className="flex flex-col gap-3 border-l-2 border-action pl-4" aria-label="The series" role="group">
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Every">
          {(ids) => (
            <div className="flex gap-1">
              <input
                {...ids}
                type="number"
                min={1}
                max={99}
                className={`${inputClass} mono w-16!`}
                value={rule.interval}
                onChange={(event) => props.onChange({ ...rule, interval: Number(event.target.value) })}
              />
              <select
                aria-label="Unit"
                className={`${inputClass} w-28!`}
                value={rule.freq}
                onChange={(event) => props.onChange(fresh(event.target.value as Rule["freq"], rule, startLocal))}
              >
                <option value="DAILY">days</option>
                <option value="WEEKLY">weeks</option>
                <option value="MONTHLY">months</option>
                <option value="YEARLY">years</option>
              </select>
            </div>
          )}
        </Field>
        {rule.freq === "WEEKLY" && <Weekdays rule={rule} onChange={props.onChange} />}
        {rule.freq === "MONTHLY" && <MonthlyWay rule={rule} startLocal={startLocal} onChange={props.onChange} />}
        <EndOfSeries rule={rule} startLocal={startLocal} todayLocal={props.todayLocal} onChange={props.onChange} />
      </div>
      <p className="text-lead font-medium" aria-live="polite">
        {ruleSentence(rule, start)}
        {made.ok && <span className="text-ink-2"> · {dates.length} dates</span>}
      </p>
      {!made.ok && <Note tone="wrong">{wordsOf(made.failure)}</Note>}
      {props.error && <Note tone="wrong">{props.error}</Note>}
      {made.ok && start !== startLocal && (
        <Note tone="attention">The start is no day of this rule: the series begins on the first day that is.</Note>
      )}
      {skipped.length > 0 && (
        <Note tone="attention">
          Months without that day are skipped: {skipped.slice(0, 6).join(", ")}
          {skipped.length > 6 ? ` and ${skipped.length - 6} more` : ""}.
        </Note>
      )}
      {made.ok && <MonthGrid dates={kinds} skipped={skipped} />}
    </div>
  );
}
