"use client";
import { useKitWords } from "./kit-words";
import { X } from "lucide-react";
import { Dialog as Base } from "radix-ui";
import type { ReactNode } from "react";
import { classes } from "./classes";
import { useFloating } from "./theme";

interface DialogProps {
  trigger?: ReactNode;
  title: string;
  /** says more than the title where that is needed; screen readers hear it with the title */
  description?: string;
  isOpen?: boolean;
  onOpenChange?: (isOpen: boolean) => void;
  children: ReactNode;
  className?: string;
}

function Framed({ look, children, ...props }: DialogProps & { look: string }) {
  const floating = useFloating();
  return (
    <Base.Root
      {...(props.isOpen === undefined ? {} : { open: props.isOpen })}
      {...(props.onOpenChange ? { onOpenChange: props.onOpenChange } : {})}
    >
      {props.trigger && <Base.Trigger asChild>{props.trigger}</Base.Trigger>}
      <Base.Portal>
        <Base.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Base.Content
          {...floating}
          {...(props.description ? {} : { "aria-describedby": undefined })}
          className={classes("fixed z-30 flex flex-col bg-sheet text-ink shadow-xl", look, props.className)}
        >
          <header className="flex items-start gap-3 border-b border-rule px-5 py-3">
            <div className="min-w-0 flex-1">
              <Base.Title className="text-lead font-semibold">{props.title}</Base.Title>
              {props.description && <Base.Description className="text-ink-2">{props.description}</Base.Description>}
            </div>
            <Base.Close aria-label={useKitWords().close} className="rounded-control p-1 text-ink-2 hover:text-ink">
              <X aria-hidden size={18} />
            </Base.Close>
          </header>
          <div className="min-h-0 flex-1 overflow-y-auto px-5 py-4">{children}</div>
        </Base.Content>
      </Base.Portal>
    </Base.Root>
  );
}

/** Something apart from the page, looked at for itself and closed again. */
export const Dialog = (props: DialogProps) => (
  <Framed
    {...props}
    look="top-[12vh] left-1/2 max-h-[76vh] w-[34rem] max-w-[94vw] -translate-x-1/2 rounded-sheet border-t-4 border-action"
  />
);

/** A sheet at the reader's end of the page: details of one thing beside the list that it came from. */
export const Drawer = (props: DialogProps) => (
  <Framed {...props} look="inset-y-0 end-0 w-[28rem] max-w-[94vw] border-s-4 border-action" />
);
