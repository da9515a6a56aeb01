"use client";
import { useEffect, useRef } from "react";

/** What stands in a public form's place once it was taken: the mail alone tells more. It takes the focus. */
export function Answered({ title, more, email }: { title: string; more: string; email: string }) {
  const own = useRef<HTMLDivElement>(null);
  useEffect(() => own.current?.focus(), []);
  return (
    <div ref={own} role="status" tabIndex={-1} className="border-s-4 border-action bg-sheet p-4">
      <p className="text-head font-semibold">{title}</p>
      <p className="mt-1 text-ink-2">{more.replace("{email}", email)}</p>
    </div>
  );
}
