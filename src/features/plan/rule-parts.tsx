"use client";
import { Field, Input, Select, Press } from "@/ui";
import { weekdayCodes } from "@/core/time";
import { MomentField } from "../shared/moment-field";
import { Rule, weekdayNames, fresh, ordinals, ordinalNames } from "./rule-words";

export function Weekdays({ rule, onChange }: { rule: Rule; onChange: (rule: Rule) => void }) {
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
        <Press
          key={code}
          aria-pressed={has(code)}
          onClick={() => toggle(code)}
          className="min-h-8 rounded-control border border-rule bg-sheet px-2 aria-pressed:border-action aria-pressed:bg-action aria-pressed:text-on-action"
        >
          {weekdayNames[code]}
        </Press>
      ))}
    </div>
  );
}
/** Monthly: on its weekday of the month, or on its day of the month. */
export function MonthlyWay({
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
      <Select
        aria-label="On which day of the month"
        className="w-48!"
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
      </Select>
      {first && (
        <>
          <Select
            aria-label="Which one"
            className="w-28!"
            value={first.ordinal ?? 1}
            onChange={(event) => onChange({ ...rule, byDay: [{ ...first, ordinal: Number(event.target.value) }] })}
          >
            {ordinals.map((one) => (
              <option key={one} value={one}>
                {ordinalNames[one]}
              </option>
            ))}
          </Select>
          <Select
            aria-label="Weekday"
            className="w-24!"
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
          </Select>
        </>
      )}
    </div>
  );
}
export function EndOfSeries({
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
    <div className="flex flex-wrap items-end gap-2">
      <Field label="Ends">
        {(ids) => (
          <Select
            {...ids}
            className="w-40!"
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
          </Select>
        )}
      </Field>
      {rule.count !== null && (
        <Input
          aria-label="Number of dates"
          type="number"
          min={1}
          className="mono w-24!"
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
