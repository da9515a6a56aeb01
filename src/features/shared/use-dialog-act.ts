"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";

/** A dialog that is one act: it closes when the act is done, and says what was wrong otherwise; nothing typed is lost. */
export function useDialogAct() {
  const [isOpen, setOpen] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  /** @param onDone told of a success, before the dialog closes */
  const send = <T>(act: () => Promise<Done<T>>, onDone: (value: T) => void = () => {}) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      onDone(done.value);
      setOpen(false);
    });
  return { isOpen, setOpen, wrong, setWrong, isPending, send };
}
