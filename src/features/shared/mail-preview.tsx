"use client";
import type { ReactNode } from "react";
import { Button } from "@/ui";

export interface PreviewMail {
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  readonly calendar: { readonly method: string; readonly content: string } | null;
}

/** A mail as its recipient gets it: HTML in a closed frame, the text part, the calendar file. */
export function MailPreview({
  mail,
  onClose,
  children,
}: {
  mail: PreviewMail;
  onClose?: () => void;
  children?: ReactNode;
}) {
  return (
    <section aria-label="Mail as its recipient gets it" className="max-w-4xl border-t-4 border-action bg-sheet p-4">
      <header className="mb-2 flex items-start gap-4">
        <div className="min-w-0 flex-1">
          <p className="text-label text-ink-2">Subject</p>
          <p className="text-lead font-semibold break-words" dir="auto">
            {mail.subject}
          </p>
        </div>
        {children}
        {onClose && <Button onClick={onClose}>Close</Button>}
      </header>
      <iframe title="HTML part" sandbox="" srcDoc={mail.html} className="h-72 w-full border border-rule bg-white" />
      <details className="mt-2">
        <summary className="cursor-pointer text-label">Text part</summary>
        <pre className="mono overflow-x-auto text-label whitespace-pre-wrap">{mail.text}</pre>
      </details>
      {mail.calendar && (
        <details className="mt-1">
          <summary className="cursor-pointer text-label">Calendar file ({mail.calendar.method})</summary>
          <pre className="mono overflow-x-auto text-label">{mail.calendar.content}</pre>
        </details>
      )}
    </section>
  );
}
