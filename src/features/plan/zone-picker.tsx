"use client";
import { useState } from "react";
import { cityLabel, findZones, isZone, zoneNamed, type ZoneCity } from "@/core/time";
import { Field, Input, TextButton } from "@/ui";

const offsetOf = (zone: string): string =>
  new Intl.DateTimeFormat("en", { timeZone: zone, timeZoneName: "shortOffset" })
    .formatToParts()
    .find((part) => part.type === "timeZoneName")
    ?.value.replace("GMT", "UTC") ?? "";

/** A time zone, found by city: taken only where the words name one place; what names none is said, never passed over. */
export function ZonePicker(props: {
  value: string;
  cities: readonly ZoneCity[];
  /** empty while the words name no place */
  onChange: (zone: string) => void;
  error?: string | undefined;
}) {
  const { value, cities } = props;
  const current = cities.find((one) => one.zone === value);
  const [text, setText] = useState(current ? cityLabel(current) : value);
  const choose = (typed: string) => {
    setText(typed);
    props.onChange(zoneNamed(typed, cities)?.zone ?? "");
  };
  const offered = isZone(value) ? [] : findZones(text, cities, 5);
  const hint = isZone(value) ? (
    <span className="mono">
      {value} {offsetOf(value)}
    </span>
  ) : offered.length > 0 ? (
    <span role="status" className="flex flex-wrap gap-x-3">
      Which one?
      {offered.map((one) => (
        <TextButton key={`${one.zone}${one.city}`} className="text-action" onClick={() => choose(cityLabel(one))}>
          {cityLabel(one)}
        </TextButton>
      ))}
    </span>
  ) : undefined;
  const isUnknown = !isZone(value) && offered.length === 0;
  return (
    <Field
      label="Time zone, by city"
      hint={hint}
      error={isUnknown ? "No city by that name. Type a larger one of the same clock." : undefined}
    >
      {(ids) => (
        <>
          <Input
            {...ids}
            list="cities"
            value={text}
            onChange={(event) => choose(event.target.value)}
            autoComplete="off"
          />
          <datalist id="cities">
            {cities.map((one) => (
              <option key={`${one.zone}${one.city}`} value={cityLabel(one)} />
            ))}
          </datalist>
        </>
      )}
    </Field>
  );
}
