"use client";
import { Check } from "lucide-react";
import { DropdownMenu, Popover as BasePopover, Tooltip as BaseTooltip } from "radix-ui";
import type { ReactNode } from "react";
import { classes } from "./classes";
import { Shortcut } from "./shortcut";
import { useFloating } from "./theme";

const sheet = "z-30 rounded-sheet border border-rule bg-sheet text-ink shadow-lg";

/** What a control does, and the key that does it too. */
export function Tooltip({ words, keys, children }: { words: string; keys?: string; children: ReactNode }) {
  const floating = useFloating();
  return (
    <BaseTooltip.Provider delayDuration={300}>
      <BaseTooltip.Root>
        <BaseTooltip.Trigger asChild>{children}</BaseTooltip.Trigger>
        <BaseTooltip.Portal>
          <BaseTooltip.Content
            {...floating}
            sideOffset={4}
            className={classes(sheet, "flex gap-2 px-2 py-1 text-label")}
          >
            {words} {keys && <Shortcut keys={keys} />}
          </BaseTooltip.Content>
        </BaseTooltip.Portal>
      </BaseTooltip.Root>
    </BaseTooltip.Provider>
  );
}

/** A small sheet beside what opened it. */
export function Popover({
  trigger,
  children,
  className,
  ...open
}: {
  trigger: ReactNode;
  children: ReactNode;
  className?: string;
  /** where whoever opens it also closes it */
  isOpen?: boolean;
  onOpenChange?: (isOpen: boolean) => void;
}) {
  const floating = useFloating();
  return (
    <BasePopover.Root
      {...(open.isOpen !== undefined && { open: open.isOpen })}
      {...(open.onOpenChange && { onOpenChange: open.onOpenChange })}
    >
      <BasePopover.Trigger asChild>{trigger}</BasePopover.Trigger>
      <BasePopover.Portal>
        <BasePopover.Content {...floating} sideOffset={4} className={classes(sheet, "w-72 p-4", className)}>
          {children}
        </BasePopover.Content>
      </BasePopover.Portal>
    </BasePopover.Root>
  );
}

export interface MenuItem {
  readonly label: string;
  readonly keys?: string;
  readonly isDanger?: boolean;
  readonly isDisabled?: boolean;
  /** one of several of which one holds; left out: an act */
  readonly isChosen?: boolean;
  readonly onSelect: () => void;
}

function MenuRow({ item }: { item: MenuItem }) {
  const own = {
    disabled: item.isDisabled ?? false,
    onSelect: item.onSelect,
    className: classes(
      "flex cursor-default items-center gap-3 px-3 py-1.5 outline-none data-[disabled]:opacity-50 data-[highlighted]:bg-raised",
      item.isDanger && "text-wrong",
    ),
  };
  if (item.isChosen !== undefined)
    return (
      <DropdownMenu.CheckboxItem {...own} checked={item.isChosen}>
        <span className="w-4">
          <DropdownMenu.ItemIndicator>
            <Check size={16} aria-hidden />
          </DropdownMenu.ItemIndicator>
        </span>
        <span className="flex-1">{item.label}</span>
      </DropdownMenu.CheckboxItem>
    );
  return (
    <DropdownMenu.Item {...own}>
      <span className="flex-1">{item.label}</span>
      {item.keys && <Shortcut keys={item.keys} />}
    </DropdownMenu.Item>
  );
}

/** The acts behind the one that stands in view. */
export function Menu({ trigger, items }: { trigger: ReactNode; items: readonly MenuItem[] }) {
  const floating = useFloating();
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content {...floating} align="end" sideOffset={4} className={classes(sheet, "min-w-44 py-1")}>
          {items.map((item) => (
            <MenuRow key={item.label} item={item} />
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
