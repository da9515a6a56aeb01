"use client";
import { KitWord } from "./kit-words";
import { AlertDialog } from "radix-ui";
import type { ReactNode } from "react";
import { buttonClass } from "./button";
import { useFloating } from "./theme";

/** Asks once more before an act that cannot be taken back; says what will happen and to how many. */
export function Confirm(props: {
  trigger?: ReactNode;
  isOpen?: boolean;
  onOpenChange?: (isOpen: boolean) => void;
  title: string;
  children: ReactNode;
  act: string;
  /** what leaves everything as it is, in the reader's language */
  cancel?: string;
  weight?: "danger" | "on-air" | "act";
  onConfirm: () => void;
}) {
  const floating = useFloating();
  return (
    <AlertDialog.Root
      {...(props.isOpen === undefined ? {} : { open: props.isOpen })}
      {...(props.onOpenChange ? { onOpenChange: props.onOpenChange } : {})}
    >
      {props.trigger && <AlertDialog.Trigger asChild>{props.trigger}</AlertDialog.Trigger>}
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <AlertDialog.Content
          {...floating}
          className="fixed top-1/3 left-1/2 z-30 w-[26rem] max-w-[92vw] -translate-x-1/2 -translate-y-1/3 border-s-4 border-on-air bg-sheet p-5 text-ink shadow-xl"
        >
          <AlertDialog.Title className="text-lead font-semibold">{props.title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="mt-2 text-ink-2">{props.children}</div>
          </AlertDialog.Description>
          <div className="mt-4 flex gap-2">
            <AlertDialog.Action className={buttonClass(props.weight ?? "danger")} onClick={props.onConfirm}>
              {props.act}
            </AlertDialog.Action>
            <AlertDialog.Cancel className={buttonClass("quiet")}>
              {props.cancel ?? <KitWord of="notNow" />}
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
