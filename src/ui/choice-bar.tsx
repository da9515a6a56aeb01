"use client";
import type { ReactNode } from "react";
import { RadioGroup } from "radix-ui";
import { classes } from "./classes";

/** One of a few that all stand in view, taken at once: arrows go along it, as in every group of radio buttons. */
export function ChoiceBar<V extends string>(props: {
  label: string;
  /** one with a picture shows it alone, and says its label to whoever points at it or hears it */
  choices: readonly { readonly value: V; readonly label: string; readonly picture?: ReactNode }[];
  value: V | null;
  onChange: (value: V) => void;
  isDisabled?: boolean;
  /** under one another, for answers of any length */
  isStacked?: boolean;
}) {
  return (
    <RadioGroup.Root
      aria-label={props.label}
      value={props.value}
      disabled={props.isDisabled ?? false}
      onValueChange={(value) => props.onChange(value as V)}
      className={classes("flex gap-1", props.isStacked ? "flex-col gap-1.5" : "flex-wrap")}
    >
      {props.choices.map(({ value, label, picture }) => (
        <RadioGroup.Item
          key={value}
          value={value}
          {...(picture ? { "aria-label": label, title: label } : {})}
          className={classes(
            "rounded-control border border-rule bg-sheet px-3 text-start data-[state=checked]:border-action data-[state=checked]:bg-raised data-[state=checked]:font-semibold",
            props.isStacked ? "min-h-10 py-1.5" : "min-h-8",
            picture && "grid min-w-8 place-items-center px-1",
          )}
        >
          {picture ?? <bdi>{label}</bdi>}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
