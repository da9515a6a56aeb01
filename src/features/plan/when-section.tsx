"use client";
import { ChoiceBar } from "@/ui";
import { Controller, useFormContext, useWatch } from "react-hook-form";
import type { PlanInput } from "@/contracts";
import { instantOf, kindOfWallTime, isZone, type ZoneCity } from "@/core/time";
import { MomentField } from "@/features/shared/moment-field";
import { TwoZoneTime } from "@/features/shared/times";
import { Text } from "./controls";
import { proposedRule, RuleBuilder } from "./rule-builder";
import { SeatStrip, type AskSeats } from "./seat-strip";
import { ZonePicker } from "./zone-picker";

export interface WhenProps {
  readonly cities: readonly ZoneCity[];
  readonly todayLocal: string;
  readonly isNew: boolean;
  /** the date that the form edits; null for a new event */
  readonly occurrenceId: string | null;
  readonly askSeats: AskSeats;
}

function WhenNote({ local, zone }: { local: string; zone: string }) {
  let at: number;
  try {
    at = instantOf({ local, zone });
  } catch {
    return null;
  }
  const kind = kindOfWallTime({ local, zone });
  return (
    <p className="text-ink-2">
      <TwoZoneTime at={at} zone={zone} />
      {kind === "gap" && <span className="text-attention"> · the clocks skip this hour that night</span>}
      {kind === "fold" && (
        <span className="text-attention"> · this hour comes twice that night; the first is meant</span>
      )}
    </p>
  );
}

const shapes = [
  { shape: "one-date", words: "One date" },
  { shape: "series", words: "A series" },
  { shape: "standing", words: "A room without fixed time" },
] as const;

function ShapeChoice() {
  const { setValue, getValues, control } = useFormContext<PlanInput>();
  const shape = useWatch({ control, name: "shape" });
  return (
    <ChoiceBar
      label="Shape"
      choices={shapes.map((one) => ({ value: one.shape, label: one.words }))}
      value={shape}
      onChange={(next) => {
        setValue("shape", next, { shouldDirty: true });
        const rule = next === "series" ? (getValues("rule") ?? proposedRule(getValues("startLocal"))) : null;
        setValue("rule", rule, { shouldDirty: true });
      }}
    />
  );
}

/** When: one date, a series or a room without fixed time, against the clocks and the seats. */
export function WhenSection(props: WhenProps) {
  const { control, formState } = useFormContext<PlanInput>();
  const { errors } = formState;
  const [shape, startLocal, typedZone] = useWatch({ control, name: ["shape", "startLocal", "zone"] });
  // while the words name no place the hours beside are those of no place
  const zone = isZone(typedZone) ? typedZone : "UTC";
  const isFixed = !props.isNew && shape === "series";
  if (isFixed) return null;
  return (
    <section id="when" className="flex flex-col gap-3 border-t border-rule pt-4" aria-label="When">
      {props.isNew && <ShapeChoice />}
      {shape === "standing" ? (
        <div className="flex flex-wrap items-end gap-4">
          {text("durationMinutes", "Seats are held for, min")}
          <p className="text-ink-2">
            The room has no date until somebody opens it. Its link and its code stay the same.
          </p>
        </div>
      ) : (
        <>
          <div className="grid gap-4 sm:grid-cols-[1fr_8rem_1fr]">
            <Controller
              control={control}
              name="startLocal"
              render={({ field }) => (
                <MomentField
                  id="startLocal"
                  label={shape === "series" ? "First date and hour" : "Date and hour"}
                  value={field.value}
                  onChange={field.onChange}
                  todayLocal={props.todayLocal}
                  error={errors.startLocal?.message}
                />
              )}
            />
            {text("durationMinutes", "Length, min")}
            <Controller
              control={control}
              name="zone"
              render={({ field }) => (
                <ZonePicker
                  value={field.value}
                  cities={props.cities}
                  onChange={field.onChange}
                  error={errors.zone?.message}
                />
              )}
            />
          </div>
          <div className="flex flex-wrap items-end gap-4">
            {text("callMinutes", "Team call, min ahead", "w-32")}
            {isZone(typedZone) && <WhenNote local={startLocal} zone={zone} />}
          </div>
          <Text
            name="place"
            label="Place, where people may also come in person"
            hint="Empty: the hour is online only."
          />
          {shape === "series" && (
            <Controller
              control={control}
              name="rule"
              render={({ field }) =>
                field.value ? (
                  <RuleBuilder
                    rule={field.value}
                    startLocal={startLocal}
                    zone={zone}
                    todayLocal={props.todayLocal}
                    onChange={field.onChange}
                    error={errors.rule?.message as string | undefined}
                  />
                ) : (
                  <></>
                )
              }
            />
          )}
        </>
      )}
    </section>
  );
}

/** What the seats of the organisation say to the hour, while it is picked. */
export function SeatsBeside(props: Pick<WhenProps, "isNew" | "occurrenceId" | "askSeats">) {
  const { control, setValue } = useFormContext<PlanInput>();
  const [shape, startLocal, zone, duration, call, houseSize] = useWatch({
    control,
    name: ["shape", "startLocal", "zone", "durationMinutes", "callMinutes", "houseSize"],
  });
  const [durationMinutes, callMinutes, seats] = [Number(duration), Number(call), Number(houseSize)];
  const isWhole = [durationMinutes, callMinutes, seats].every((n) => Number.isInteger(n));
  const isOfRule = !props.isNew && shape === "series";
  if (shape === "standing" || isOfRule || !isWhole || durationMinutes < 5 || seats < 1 || !isZone(zone)) return null;
  return (
    <SeatStrip
      ask={props.askSeats}
      question={{ occurrenceId: props.occurrenceId, startLocal, zone, durationMinutes, callMinutes, houseSize: seats }}
      onPick={(local) => setValue("startLocal", local, { shouldDirty: true })}
    />
  );
}

const text = (name: keyof PlanInput, label: string, className?: string) => (
  <Text name={name} label={label} type="number" {...(className ? { className } : {})} />
);
