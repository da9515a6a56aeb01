"use client";
import { useEffect, useRef, type ReactNode } from "react";
import { Note } from "@/ui";

/** What has just changed, said where it stands; it takes the focus once, so that nobody has to look for it. */
export function FocusNote({ children }: { children: ReactNode }) {
  const own = useRef<HTMLDivElement>(null);
  useEffect(() => own.current?.focus(), []);
  return (
    <div ref={own} tabIndex={-1} className="mt-3 outline-none">
      <Note>{children}</Note>
    </div>
  );
}
