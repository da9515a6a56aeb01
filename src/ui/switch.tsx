"use client";
import { Switch as Base } from "radix-ui";
import { useId, type ReactNode } from "react";

/** On or off at once, without a save: what it changes stands beside it. */
export function Switch(props: {
  label: string;
  hint?: ReactNode;
  isOn: boolean;
  isDisabled?: boolean;
  onChange: (isOn: boolean) => void;
}) {
  const id = useId();
  return (
    <div className="flex items-start gap-3">
      <Base.Root
        id={id}
        checked={props.isOn}
        disabled={props.isDisabled ?? false}
        onCheckedChange={props.onChange}
        className="relative mt-0.5 h-5 w-9 shrink-0 rounded-control border border-ink-2 bg-raised disabled:opacity-50 data-[state=checked]:border-action data-[state=checked]:bg-action"
      >
        <Base.Thumb className="block size-3.5 translate-x-0.5 rounded-[2px] bg-ink-2 transition-transform duration-150 data-[state=checked]:translate-x-[1.15rem] data-[state=checked]:bg-on-action rtl:-translate-x-0.5 rtl:data-[state=checked]:-translate-x-[1.15rem]" />
      </Base.Root>
      <label htmlFor={id}>
        <span className="block font-medium">{props.label}</span>
        {props.hint && <span className="block text-label text-ink-2">{props.hint}</span>}
      </label>
    </div>
  );
}
