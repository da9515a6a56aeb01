"use client";
import { useState } from "react";
import { Field, Input } from "@/ui";

export interface ZoneCity {
  readonly zone: string;
  readonly city: string;
  readonly country: string;
}

/** A time zone, found by city. */
export function ZonePicker(props: {
  value: string;
  cities: readonly ZoneCity[];
  onChange: (zone: string) => void;
  error?: string | undefined;
}) {
  const label = (one: ZoneCity) => `${one.city}, ${one.country}`;
  const current = props.cities.find((one) => one.zone === props.value);
  const [text, setText] = useState(current ? label(current) : props.value);
  const choose = (typed: string) => {
    setText(typed);
    const wanted = typed.trim().toLowerCase();
    const hit =
      props.cities.find((one) => label(one).toLowerCase() === wanted) ??
      props.cities.find((one) => one.city.toLowerCase() === wanted);
    if (hit) props.onChange(hit.zone);
    else if (props.cities.some((one) => one.zone.toLowerCase() === wanted)) props.onChange(typed.trim());
  };
  return (
    <Field label="Time zone, by city" hint={<span className="mono">{props.value}</span>} error={props.error}>
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
            {props.cities.map((one) => (
              <option key={`${one.zone}${one.city}`} value={label(one)} />
            ))}
          </datalist>
        </>
      )}
    </Field>
  );
}
