"use client";
import { useState } from "react";
import { unreadMark } from "@/features/shared/unread";
import { classes, Input } from "@/ui";
import { readPosition, writePosition } from "./position";

/** An instant of a recording, typed: what is no time stays as it was typed, and is marked. */
export function PositionInput(props: {
  value: number;
  onChange: (seconds: number) => void;
  label: string;
  isWrong?: boolean;
  describedBy?: string | undefined;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const isUnread = typed !== null && readPosition(typed) === null;
  return (
    <Input
      aria-label={props.label}
      aria-invalid={isUnread || props.isWrong}
      aria-describedby={props.describedBy}
      inputMode="text"
      autoComplete="off"
      className={classes("mono w-24", isUnread && "border-wrong")}
      value={typed ?? writePosition(props.value)}
      {...(isUnread ? unreadMark : {})}
      onChange={(event) => {
        setTyped(event.target.value);
        const seconds = readPosition(event.target.value);
        if (seconds !== null) props.onChange(seconds);
      }}
      onBlur={() => !isUnread && setTyped(null)}
    />
  );
}
