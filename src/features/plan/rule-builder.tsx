"use client";
import { Rule, fresh } from "./rule-words";
import { useMemo } from "react";
import { wordsOf } from "@/contracts";
import {
  datesOfSeries,
  firstMatch,
  kindOfWallTime,
  ruleSentence,
  skippedMonths,
  weekdayOf,
  dayOfLocal,
  type RecurrenceRule,
} from "@/core/time";
import { Field, Input, Note, Select } from "@/ui";
import { MonthGrid } from "./month-grid";
import { Weekdays, MonthlyWay, EndOfSeries } from "./rule-parts";

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
              <Input
                {...ids}
                type="number"
                min={1}
                max={99}
                className="mono w-16!"
                value={rule.interval}
                onChange={(event) => props.onChange({ ...rule, interval: Number(event.target.value) })}
              />
              <Select
                aria-label="Unit"
                className="w-28!"
                value={rule.freq}
                onChange={(event) => props.onChange(fresh(event.target.value as Rule["freq"], rule, startLocal))}
              >
                <option value="DAILY">days</option>
                <option value="WEEKLY">weeks</option>
                <option value="MONTHLY">months</option>
                <option value="YEARLY">years</option>
              </Select>
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
