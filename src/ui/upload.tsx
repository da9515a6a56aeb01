"use client";
import { useId, useState } from "react";
import { classes } from "./classes";
import { FileInput } from "./input";
import { Progress } from "./marks";

/** A file dropped here or chosen, with how far it has gone. */
export function Upload(props: {
  label: string;
  hint: string;
  accept: string;
  /** bytes on their way; null while nothing is being sent */
  progress: { readonly done: number; readonly all: number } | null;
  isDisabled?: boolean;
  onFile: (file: File) => void;
}) {
  const id = useId();
  const [isOver, setOver] = useState(false);
  const take = (files: FileList | null) => {
    const [file] = files ?? [];
    if (file && !props.isDisabled) props.onFile(file);
  };
  return (
    <div
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        take(event.dataTransfer.files);
      }}
      className={classes("rounded-sheet border border-dashed p-4", isOver ? "border-action bg-raised" : "border-rule")}
    >
      <label htmlFor={id} className="font-medium">
        {props.label}
      </label>
      <p id={`${id}-hint`} className="mb-2 text-label text-ink-2">
        {props.hint}
      </p>
      <FileInput
        id={id}
        aria-describedby={`${id}-hint`}
        accept={props.accept}
        disabled={props.isDisabled}
        onChange={(event) => {
          take(event.target.files);
          // the same name again is a file again: it may have been mended meanwhile
          event.target.value = "";
        }}
      />
      {props.progress && (
        <div className="mt-3">
          <Progress done={props.progress.done} all={props.progress.all} label={props.label} />
        </div>
      )}
    </div>
  );
}
