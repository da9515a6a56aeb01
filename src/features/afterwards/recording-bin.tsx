"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { shortDate } from "@/core/time";
import { Button, List, ListItem, Note, toast } from "@/ui";

/** Recordings that were deleted and can be restored for a week. */
export function RecordingBin(props: {
  rows: readonly { readonly id: string; readonly title: string; readonly goesAt: number }[];
  zone: string;
  restore: (id: string) => Promise<Done<unknown>>;
}) {
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  if (props.rows.length === 0) return null;
  const restore = (id: string) =>
    run(async () => {
      const done = await props.restore(id);
      setWrong(done.ok ? null : done.words);
      if (done.ok) toast("Restored, as it was.");
    });
  return (
    <section className="mt-6">
      <h2 className="text-lead font-semibold">Deleted in the last week</h2>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <List label="Deleted in the last week">
        {props.rows.map(({ id, title, goesAt }) => (
          <ListItem
            key={id}
            acts={
              <Button size="small" disabled={isPending} aria-label={`Restore ${title}`} onClick={() => restore(id)}>
                Restore
              </Button>
            }
          >
            <span dir="auto">{title}</span>{" "}
            <span className="text-label text-ink-2">gone for good on {shortDate(goesAt, props.zone)}</span>
          </ListItem>
        ))}
      </List>
    </section>
  );
}
