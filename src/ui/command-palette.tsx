"use client";
import { Command } from "cmdk";
import { Dialog as Base } from "radix-ui";
import { Shortcut } from "./shortcut";
import { useFloating } from "./theme";

export interface PaletteAct {
  readonly id: string;
  readonly label: string;
  readonly group: string;
  readonly keys?: string;
  readonly also?: readonly string[];
  readonly run: () => void;
}

/** A line that finds an act by two letters of any of its words, and lists them all with their keys. */
export function CommandPalette(props: {
  label: string;
  acts: readonly PaletteAct[];
  isOpen: boolean;
  onOpenChange: (isOpen: boolean) => void;
}) {
  const floating = useFloating();
  const groups = [...new Set(props.acts.map((act) => act.group))];
  return (
    <Base.Root open={props.isOpen} onOpenChange={props.onOpenChange}>
      <Base.Portal>
        <Base.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Base.Content
          {...floating}
          aria-describedby={undefined}
          className="fixed top-[15vh] left-1/2 z-30 w-[36rem] max-w-[94vw] -translate-x-1/2 rounded-sheet border border-rule bg-sheet text-ink shadow-xl"
        >
          <Base.Title className="sr-only">{props.label}</Base.Title>
          <Command label={props.label}>
            <Command.Input
              placeholder={props.label}
              className="w-full border-b border-rule bg-transparent px-4 py-3 text-lead outline-none"
            />
            <Command.List className="max-h-[50vh] overflow-y-auto py-2">
              <Command.Empty className="px-4 py-3 text-ink-2">No act by these words.</Command.Empty>
              {groups.map((group) => (
                <Command.Group
                  key={group}
                  heading={group}
                  className="[&_[cmdk-group-heading]]:px-4 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-label [&_[cmdk-group-heading]]:text-ink-2"
                >
                  {props.acts
                    .filter((act) => act.group === group)
                    .map((act) => (
                      <Command.Item
                        key={act.id}
                        value={act.id}
                        keywords={[act.label, ...(act.also ?? [])]}
                        onSelect={() => {
                          props.onOpenChange(false);
                          act.run();
                        }}
                        className="flex cursor-default items-center gap-3 px-4 py-1.5 data-[selected=true]:bg-raised"
                      >
                        <span className="flex-1">{act.label}</span>
                        {act.keys && <Shortcut keys={act.keys} />}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Base.Content>
      </Base.Portal>
    </Base.Root>
  );
}
