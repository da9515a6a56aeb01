"use client";
import { weekdayCodes, type WeekdayCode } from "@/core/time";
import { Checkbox } from "@/ui";

const words: Record<WeekdayCode, string> = {
  MO: "Monday",
  TU: "Tuesday",
  WE: "Wednesday",
  TH: "Thursday",
  FR: "Friday",
  SA: "Saturday",
  SU: "Sunday",
};

/** Which days are working days, for each person in their own week: the others come last, none is ruled out. */
export function WorkDays({
  chosen,
  onChange,
}: {
  chosen: ReadonlySet<WeekdayCode>;
  onChange: (days: ReadonlySet<WeekdayCode>) => void;
}) {
  return (
    <fieldset className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
      <legend className="text-label font-medium text-ink-2">Working days, 09–18 where each person lives</legend>
      {weekdayCodes.map((code) => (
        <label key={code} className="flex items-center gap-1">
          <Checkbox
            checked={chosen.has(code)}
            onChange={(event) =>
              onChange(new Set(weekdayCodes.filter((one) => (one === code ? event.target.checked : chosen.has(one)))))
            }
          />
          {words[code]}
        </label>
      ))}
    </fieldset>
  );
}
