"use client";
import { Command } from "cmdk";
import { useState, type ReactNode } from "react";
import { Shortcut } from "./shortcut";

export interface FoundAct {
  readonly id: string;
  readonly label: string;
  readonly keys?: string;
  readonly run: () => void;
}

/**
 * A line at the foot of a page that nothing covers: acts by a few letters of their words. An untouched line means
 * nothing: Enter on it does nothing.
 */
export function CommandLine(props: {
  label: string;
  /** of the field where one types */
  field: string;
  placeholder: string;
  /** what is found by these letters, the best first, and no more than can be looked through */
  find: (words: string) => readonly FoundAct[];
  /** while nothing is typed */
  untouched: ReactNode;
  /** where nothing was found */
  nothing: string;
  onClose: () => void;
}) {
  const [text, setText] = useState("");
  const isTouched = text.trim() !== "";
  const found = isTouched ? props.find(text) : [];
  return (
    <div
      role="dialog"
      aria-label={props.label}
      className="fixed inset-x-0 bottom-0 z-20 border-t-2 border-action bg-sheet p-4 shadow-xl"
      onKeyDown={(event) => event.key === "Escape" && props.onClose()}
    >
      <Command label={props.field} shouldFilter={false} loop>
        <Command.Input
          autoFocus
          placeholder={props.placeholder}
          value={text}
          onValueChange={setText}
          className="mono w-full rounded-control border border-rule bg-ground px-3 py-2 text-lead"
        />
        {isTouched ? (
          <Command.List className="mt-2 max-h-[40vh] overflow-y-auto">
            <Command.Empty className="text-ink-2">{props.nothing}</Command.Empty>
            {found.map((act) => (
              <Command.Item
                key={act.id}
                value={act.id}
                onSelect={() => {
                  props.onClose();
                  act.run();
                }}
                className="flex cursor-default items-center gap-3 px-2 py-1 data-[selected=true]:bg-raised"
              >
                <span className="flex-1" dir="auto">
                  {act.label}
                </span>
                {act.keys && <Shortcut keys={act.keys} />}
              </Command.Item>
            ))}
          </Command.List>
        ) : (
          <div className="mt-2 max-h-[40vh] overflow-y-auto text-ink-2">{props.untouched}</div>
        )}
      </Command>
    </div>
  );
}
