"use client";
import type { Done } from "@/contracts";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useTransition } from "react";
import type { MailingKind } from "@/core/mailings";
import { clockTime } from "@/core/time";
import { Button, Confirm, toast } from "@/ui";

import { kindWords } from "./field-words";

export interface MailingItem {
  readonly id: string;
  readonly kind: MailingKind;
  readonly subject: string;
  readonly isOff: boolean;
  readonly counts: Readonly<Record<string, number>>;
  readonly putOff: { readonly note: string; readonly nextAt: number } | null;
}
export interface MailingActs {
  stop(id: string): Promise<Done<number>>;
  goOn(id: string): Promise<Done<number>>;
  remove(id: string): Promise<Done<void>>;
}

const all = (counts: MailingItem["counts"]): number => Object.values(counts).reduce((sum, n) => sum + n, 0);

/** While mails are leaving the page looks again by itself. */
function useWatch(isLeaving: boolean): void {
  const router = useRouter();
  useEffect(() => {
    if (!isLeaving) return;
    const timer = setInterval(() => router.refresh(), 1500);
    return () => clearInterval(timer);
  }, [isLeaving, router]);
}

function SentBar({
  item,
  whole,
  waiting,
  held,
  sent,
  zone,
}: {
  item: MailingItem;
  whole: number;
  waiting: number;
  held: number;
  sent: number;
  zone: string;
}) {
  return (
    <>
      <span
        role="progressbar"
        aria-label={`Gone of ${item.subject}`}
        aria-valuemin={0}
        aria-valuemax={whole}
        aria-valuenow={whole - waiting - held}
        className="mr-2 inline-block h-2 w-20 bg-rule align-middle"
      >
        <span className="block h-full bg-action" style={{ width: `${((whole - waiting - held) / whole) * 100}%` }} />
      </span>
      <span className="mono">
        {sent} of {whole}
      </span>
      {(item.counts["failed"] ?? 0) > 0 && <span className="text-wrong"> · {item.counts["failed"]} came back</span>}
      {item.putOff && (
        <span className="block text-label text-attention">
          {item.putOff.note}: nothing is lost, again at {clockTime(item.putOff.nextAt, zone)}
        </span>
      )}
    </>
  );
}

function QueueActs({
  waiting,
  isPending,
  attempt,
  acts,
  item,
  held,
}: {
  waiting: number;
  isPending: boolean;
  attempt: (act: () => Promise<Done<unknown>>) => void;
  acts: MailingActs;
  item: MailingItem;
  held: number;
}) {
  return (
    <span className="flex gap-2">
      {waiting > 0 && (
        <Button disabled={isPending} onClick={() => attempt(() => acts.stop(item.id))}>
          Stop
        </Button>
      )}
      {held > 0 && (
        <Button disabled={isPending} onClick={() => attempt(() => acts.goOn(item.id))}>
          Go on with {held}
        </Button>
      )}
      <Confirm
        trigger={<Button weight="plain">Remove</Button>}
        title={`Take “${item.subject}” off`}
        act="Remove"
        onConfirm={() => attempt(() => acts.remove(item.id))}
      >
        <p>
          {waiting + held > 0 ? `${waiting + held} that have not left will not leave. ` : ""}What was sent stays sent.
        </p>
      </Confirm>
    </span>
  );
}

/** The event's own mailings: how far each has gone, and its stop. */
export function MailingList({
  items,
  zone,
  acts,
  mayEdit,
  chosenId,
}: {
  items: readonly MailingItem[];
  zone: string;
  acts: MailingActs;
  mayEdit: boolean;
  chosenId: string | null;
}) {
  const router = useRouter();
  const [isPending, run] = useTransition();
  useWatch(items.some((item) => (item.counts["planned"] ?? 0) + (item.counts["sending"] ?? 0) > 0));
  const attempt = (act: () => Promise<Done<unknown>>) =>
    run(async () => {
      const done = await act();
      if (!done.ok) toast.error(done.words);
      router.refresh();
    });
  if (items.length === 0)
    return <p className="text-ink-2">No mailing yet. Confirmations, reminders and word of changes go by themselves.</p>;
  return (
    <ul>
      {items.map((item) => {
        const [sent, whole, waiting, held] = [
          item.counts["sent"] ?? 0,
          all(item.counts),
          (item.counts["planned"] ?? 0) + (item.counts["sending"] ?? 0),
          item.counts["held"] ?? 0,
        ];
        return (
          <li
            key={item.id}
            className={`grid items-center gap-x-3 border-b border-rule py-1.5 lg:grid-cols-[11rem_1fr_14rem_auto] ${item.id === chosenId ? "bg-sheet" : ""}`}
          >
            <span className="text-ink-2">{kindWords[item.kind]}</span>
            <Link href={`?mailing=${item.id}`} scroll={false} prefetch={false} className="truncate" dir="auto">
              {item.subject}
            </Link>
            <span role="status">
              {whole === 0 ? (
                <span className="text-ink-2">{item.isOff ? "switched off" : "nothing sent"}</span>
              ) : (
                <SentBar item={item} whole={whole} waiting={waiting} held={held} sent={sent} zone={zone} />
              )}
            </span>
            {mayEdit && (
              <QueueActs
                waiting={waiting}
                isPending={isPending}
                attempt={attempt}
                acts={acts}
                item={item}
                held={held}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}
