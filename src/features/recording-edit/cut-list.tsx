"use client";
import { Controller, useFormContext, type UseFieldArrayReturn } from "react-hook-form";
import type { RecordingEditInput } from "@/contracts";
import { spanText } from "@/features/shared/times";
import { Button, FieldError, List, ListItem } from "@/ui";
import { PositionInput } from "./position-input";

/** So far ahead of a cut one listens to hear how it sounds across. */
const listenedAheadSeconds = 3;

/** What is left out, stretch by stretch: each can be moved, heard across, and taken back. */
export function CutList({
  cuts,
  goTo,
}: {
  cuts: UseFieldArrayReturn<RecordingEditInput, "cuts">;
  goTo: (seconds: number, isPlaying?: boolean) => void;
}) {
  const { control, watch, formState } = useFormContext<RecordingEditInput>();
  const values = watch("cuts");
  if (cuts.fields.length === 0)
    return (
      <p className="text-ink-2">Nothing: the whole recording is watched. The original is kept, whatever you cut.</p>
    );
  return (
    <List label="What is left out">
      {cuts.fields.map((field, i) => {
        const { fromSeconds, toSeconds } = values[i] ?? field;
        const error = formState.errors.cuts?.[i]?.toSeconds?.message;
        return (
          <ListItem key={field.id}>
            <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
              {(["fromSeconds", "toSeconds"] as const).map((end) => (
                <Controller
                  key={end}
                  control={control}
                  name={`cuts.${i}.${end}`}
                  render={({ field: { value, onChange } }) => (
                    <label className="flex items-center gap-1 text-ink-2">
                      {end === "fromSeconds" ? "from" : "to"}
                      <PositionInput
                        label={`Left out ${i + 1}, ${end === "fromSeconds" ? "from" : "to"}`}
                        value={value}
                        onChange={onChange}
                        isWrong={end === "toSeconds" && error !== undefined}
                      />
                    </label>
                  )}
                />
              ))}
              <span className="mono text-label text-ink-2">
                {toSeconds > fromSeconds && spanText((toSeconds - fromSeconds) * 1000)}
              </span>
            </span>
            {error && <FieldError>{error}</FieldError>}
            <span className="mt-1 flex gap-2">
              <Button onClick={() => cuts.remove(i)}>Take back</Button>
              <Button weight="plain" onClick={() => goTo(fromSeconds - listenedAheadSeconds, true)}>
                Play across
              </Button>
            </span>
          </ListItem>
        );
      })}
    </List>
  );
}
