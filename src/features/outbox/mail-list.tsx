"use client";
import type { Done } from "@/contracts";
import Link from "next/link";
import { ActButton } from "@/features/shared/act-button";
import { useReaderZone } from "@/features/shared/times";
import { cityOf, clockTime, shortDate } from "@/core/time";
import { Badge, classes, Note, Table, Td, Th } from "@/ui";
import { mailStateWords } from "./mail-words";

interface MailLine {
  readonly id: string;
  readonly state: string;
  readonly to: string;
  readonly event: string;
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
      <span className="mono">{clockTime(one.nextAt, own)}</span> in {cityOf(own)}.
    </Note>
  ));
}

/** Every mail that left, the newest first, day by day in the reader's own zone. */
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
  /** what the address goes on to say: the page, the filter */
  keep: string;
  tryAgain: ((id: string) => Promise<Done<unknown>>) | null;
}) {
  const own = useReaderZone(zone);
  return (
    <Table aria-label="Mails">
      <thead>
        <tr>
          <Th>Left, {cityOf(own)}</Th>
          <Th>Subject</Th>
          <Th>To</Th>
          <Th>Event</Th>
          <Th>State</Th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.id} className={classes(line.id === chosenId && "bg-sheet")}>
            <Td className="mono whitespace-nowrap text-ink-2">
              {shortDate(line.at, own)} {clockTime(line.at, own)}
            </Td>
            <Td>
              <Link
                href={`/outbox?mail=${line.id}${keep}`}
                prefetch={false}
                scroll={false}
                aria-current={line.id === chosenId ? "true" : undefined}
                dir="auto"
              >
                {line.subject ?? "not written yet"}
              </Link>
            </Td>
            <Td className="text-ink-2">{line.to}</Td>
            <Td>
              <span dir="auto">{line.event}</span>
            </Td>
            <Td className="whitespace-nowrap">
              <Badge tone={line.state === "failed" ? "wrong" : "plain"}>{mailStateWords(line.state, line.note)}</Badge>
              {line.state === "failed" && tryAgain && <ActButton act={() => tryAgain(line.id)} words="Try again" />}
            </Td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
