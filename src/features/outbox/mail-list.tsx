"use client";
import type { Done } from "@/contracts";
import Link from "next/link";
import { ActButton } from "@/features/shared/act-button";
import { useReaderZone } from "@/features/shared/times";
import { clockTime, shortDate } from "@/core/time";
import { classes, Note } from "@/ui";

interface MailLine {
  readonly id: string;
  readonly kind: string;
  readonly state: string;
  readonly to: string;
  readonly at: number;
  readonly subject: string | null;
  readonly note: string | null;
}

/** Mails that a server put off: nothing is lost, and the reader sees when they are tried again. */
export function PutOffNotes({
  putOff,
  zone,
}: {
  putOff: readonly { readonly count: number; readonly note: string; readonly nextAt: number }[];
  zone: string;
}) {
  const own = useReaderZone(zone);
  return putOff.map((one) => (
    <Note key={one.note} tone="attention">
      {one.count === 1 ? "1 mail waits" : `${one.count} mails wait`}: {one.note}. Nothing is lost; tried again at{" "}
      <span className="mono">{clockTime(one.nextAt, own)}</span>.
    </Note>
  ));
}

/** Every mail that left, day by day in the reader's own zone. */
export function MailList({
  lines,
  zone,
  chosenId,
  keep,
  tryAgain,
}: {
  lines: readonly MailLine[];
  zone: string;
  chosenId: string | null;
  keep: string;
  tryAgain: ((id: string) => Promise<Done<unknown>>) | null;
}) {
  const own = useReaderZone(zone);
  if (lines.length === 0) return <p className="py-4 text-ink-2">No mail has left yet.</p>;
  return (
    <ul>
      {lines.map((line, i) => {
        const day = shortDate(line.at, own);
        const isNewDay = i === 0 || shortDate(lines[i - 1]!.at, own) !== day;
        return (
          <li key={line.id}>
            {isNewDay && <p className="border-b border-ink pt-4 pb-1 text-label font-medium text-ink-2">{day}</p>}
            <div
              className={classes(
                "grid grid-cols-[4rem_1fr_auto] items-center gap-3 border-b border-rule py-1.5",
                line.id === chosenId && "bg-sheet",
              )}
            >
              <span className="mono text-ink-2">{clockTime(line.at, own)}</span>
              <span className="min-w-0">
                <Link
                  href={`/outbox?mail=${line.id}${keep}`}
                  prefetch={false}
                  scroll={false}
                  aria-current={line.id === chosenId ? "true" : undefined}
                  className="block truncate"
                  dir="auto"
                >
                  {line.subject ?? line.kind.replaceAll("-", " ")}
                </Link>
                <span className="block truncate text-label text-ink-2">to {line.to}</span>
              </span>
              <span
                className={classes("flex items-center gap-2", line.state === "failed" ? "text-wrong" : "text-ink-2")}
              >
                {line.note ?? line.state}
                {line.state === "failed" && tryAgain && <ActButton act={() => tryAgain(line.id)} words="Try again" />}
              </span>
            </div>
          </li>
        );
      })}
    </ul>
  );
}
