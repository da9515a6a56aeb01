"use client";
import { classes } from "./classes";
import { Tabs as Base } from "radix-ui";
import type { ReactNode } from "react";

export interface Tab {
  readonly id: string;
  readonly label: string;
  /** a figure behind the word; nothing at 0 */
  readonly count?: number;
  readonly content: ReactNode;
}

/** A line of words that opens one of several lists in the same place. */
export function Tabs(props: {
  label: string;
  tabs: readonly Tab[];
  open?: string;
  onOpen?: (id: string) => void;
  /** many words in one line: smaller ones */
  isDense?: boolean;
}) {
  const first = props.tabs[0]?.id ?? "";
  return (
    <Base.Root
      {...(props.open === undefined ? { defaultValue: first } : { value: props.open })}
      {...(props.onOpen ? { onValueChange: props.onOpen } : {})}
      className="flex min-h-0 flex-1 flex-col"
    >
      <Base.List
        aria-label={props.label}
        className={classes("flex flex-wrap gap-x-2.5 border-b border-rule", props.isDense && "text-label")}
      >
        {props.tabs.map(({ id, label, count }) => (
          <Base.Trigger
            key={id}
            value={id}
            className="-mb-px border-b-2 border-transparent py-1.5 text-ink-2 hover:text-ink data-[state=active]:border-action data-[state=active]:font-semibold data-[state=active]:text-ink"
          >
            {label} {count ? <span className="mono ms-0.5 text-label">{count}</span> : null}
          </Base.Trigger>
        ))}
      </Base.List>
      {props.tabs.map(({ id, content }) => (
        <Base.Content
          key={id}
          value={id}
          className="min-h-0 flex-1 flex-col overflow-y-auto pt-3 data-[state=active]:flex"
        >
          {content}
        </Base.Content>
      ))}
    </Base.Root>
  );
}
