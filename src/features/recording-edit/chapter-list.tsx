"use client";
import { X } from "lucide-react";
import { Controller, useFormContext } from "react-hook-form";
import type { RecordingEditInput } from "@/contracts";
import type { PlacedChapter } from "@/core/watching";
import { Button, FieldError, IconButton, Input, List, ListItem } from "@/ui";
import { PositionInput } from "./position-input";

/** Chapters by hand, in place of those that the hour gave. */
export function ChapterList({ hour, at }: { hour: readonly PlacedChapter[]; at: number }) {
  const { control, watch, setValue, register, formState } = useFormContext<RecordingEditInput>();
  const placed = watch("chapters");
  const shown = placed ?? hour;
  const set = (chapters: readonly PlacedChapter[] | null) =>
    setValue("chapters", chapters && [...chapters], { shouldDirty: true });
  const add = () =>
    set([...shown, { title: "", startSeconds: Math.floor(at) }].sort((a, b) => a.startSeconds - b.startSeconds));
  return (
    <>
      {placed === null ? (
        <p className="text-ink-2">
          {hour.length > 0 ? "As the run sheet was followed in the hour." : "None: nothing was called in the hour."}
        </p>
      ) : (
        <List label="Chapters">
          {placed.map((_, i) => (
            <ListItem
              key={i}
              acts={
                <IconButton
                  label={`Remove chapter ${i + 1}`}
                  icon={<X size={16} aria-hidden />}
                  onClick={() => set(placed.filter((_one, n) => n !== i))}
                />
              }
            >
              <span className="flex items-center gap-2">
                <Controller
                  control={control}
                  name={`chapters.${i}.startSeconds`}
                  render={({ field }) => (
                    <PositionInput label={`Chapter ${i + 1} begins at`} value={field.value} onChange={field.onChange} />
                  )}
                />
                <Input aria-label={`Chapter ${i + 1}`} dir="auto" {...register(`chapters.${i}.title`)} />
              </span>
              {formState.errors.chapters?.[i]?.title && (
                <FieldError>{formState.errors.chapters[i].title.message}</FieldError>
              )}
            </ListItem>
          ))}
        </List>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {placed === null && hour.length > 0 && <Button onClick={() => set(hour)}>Edit the chapters</Button>}
        <Button onClick={add}>Add a chapter here</Button>
        {placed !== null && (
          <Button weight="plain" onClick={() => set(null)}>
            As the hour gave them
          </Button>
        )}
      </div>
    </>
  );
}
