"use client";
import { KitWord, useKitWords } from "./kit-words";
import { Command } from "cmdk";
import { Popover } from "radix-ui";
import { useState } from "react";
import { classes } from "./classes";
import { inputClass } from "./field";
import { useFloating } from "./theme";

export interface Choice {
  readonly value: string;
  readonly label: string;
  /** other words by which it is found */
  readonly also?: readonly string[];
  readonly hint?: string;
}

/** One of many, found by typing; takes only what was chosen from the list. */
export function Combobox(props: {
  id?: string;
  label: string;
  choices: readonly Choice[];
  value: string | null;
  placeholder: string;
  nothing?: string;
  /** where the choices are found elsewhere: what was typed; without it the list is searched here */
  onWords?: (words: string) => void;
  onChange: (value: string) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const floating = useFloating();
  const chosen = props.choices.find((one) => one.value === props.value);
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger
        id={props.id}
        role="combobox"
        aria-label={props.label}
        aria-expanded={isOpen}
        className={classes(inputClass, "ui-select pe-8 text-start", !chosen && "text-ink-2")}
      >
        {chosen?.label ?? props.placeholder}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          {...floating}
          align="start"
          sideOffset={2}
          className="z-30 w-[var(--radix-popover-trigger-width)] min-w-56 rounded-sheet border border-rule bg-sheet text-ink shadow-lg"
        >
          <Command label={props.label} shouldFilter={!props.onWords}>
            <Command.Input
              placeholder={useKitWords().typeToFind}
              {...(props.onWords && { onValueChange: props.onWords })}
              className="w-full border-b border-rule bg-transparent px-3 py-2 outline-none"
            />
            <Command.List className="max-h-64 overflow-y-auto py-1">
              <Command.Empty className="px-3 py-2 text-ink-2">
                {props.nothing ?? <KitWord of="nothingFound" />}
              </Command.Empty>
              {props.choices.map((one) => (
                <Command.Item
                  key={one.value}
                  value={one.value}
                  keywords={[one.label, ...(one.also ?? [])]}
                  onSelect={() => {
                    props.onChange(one.value);
                    setOpen(false);
                  }}
                  className="flex cursor-default items-baseline gap-3 px-3 py-1 data-[selected=true]:bg-raised"
                >
                  <span className="flex-1">{one.label}</span>
                  {one.hint && <span className="mono text-label text-ink-2">{one.hint}</span>}
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
