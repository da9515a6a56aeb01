"use client";
import { clockTime } from "@/core/time";
import { useReaderZone } from "@/features/shared/times";

export interface AgendaItem {
  readonly title: string;
  /** null: the hour has no planned start */
  readonly at: number | null;
  /** "with Leira Quill"; "" for nobody in particular */
  readonly withLeader: string;
}

/** What comes when, at the reader's own hours, and with whom. */
export function Agenda({ items, zone, label }: { items: readonly AgendaItem[]; zone: string; label: string }) {
  const readerZone = useReaderZone(zone);
  return (
    <section className="mt-6">
      <h2 className="text-label font-medium text-ink-2">{label}</h2>
      <ol className="mt-2 flex flex-col border-s-2 border-rule">
        {items.map((item, i) => (
          <li key={i} className="grid grid-cols-[3.5rem_1fr] items-baseline gap-x-2 py-1.5 ps-3">
            {item.at === null ? (
              <span />
            ) : (
              <time className="mono text-ink-2" dateTime={new Date(item.at).toISOString()}>
                {clockTime(item.at, readerZone)}
              </time>
            )}
            <span>
              <bdi className="text-lead">{item.title}</bdi>
              {item.withLeader && (
                <span className="block text-ink-2">
                  <bdi>{item.withLeader}</bdi>
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
