"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Checkbox, toast } from "@/ui";

/** Registrations that somebody has to look at: marked, then taken or declined. */
export function Pending({
  waiting,
  decide,
}: {
  waiting: readonly { ticketId: string; name: string; email: string; answers: string }[];
  decide: (ids: string[], isApproved: boolean) => Promise<Done<number>>;
}) {
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const [isPending, run] = useTransition();
  const chosen = waiting.filter((one) => marked.has(one.ticketId));
  const say = (isApproved: boolean) =>
    run(async () => {
      const done = await decide(
        chosen.map((one) => one.ticketId),
        isApproved,
      );
      if (!done.ok) return void toast.error(done.words);
      setMarked(new Set());
      toast(isApproved ? `${done.value} taken; each gets a mail.` : `${done.value} declined; each gets a mail.`);
    });
  return (
    <section id="approval" aria-label="To be decided" className="mt-6 max-w-4xl border-s-4 border-attention ps-4">
      <h2 className="text-head font-semibold">
        To be decided <span className="mono text-ink-2">{waiting.length}</span>
      </h2>
      <ul className="mt-1 max-h-72 overflow-y-auto">
        {waiting.map((one) => (
          <li key={one.ticketId} className="border-t border-rule py-1">
            <label className="flex items-baseline gap-2">
              <Checkbox
                checked={marked.has(one.ticketId)}
                onChange={(event) =>
                  setMarked(
                    new Set(
                      event.target.checked
                        ? [...marked, one.ticketId]
                        : [...marked].filter((id) => id !== one.ticketId),
                    ),
                  )
                }
              />
              <span>{one.name}</span> <span className="text-label text-ink-2">{one.email}</span>{" "}
              <span className="text-label">{one.answers}</span>
            </label>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex gap-2">
        <Button onClick={() => setMarked(new Set(waiting.map((one) => one.ticketId)))}>Mark all</Button>
        <Button weight="act" disabled={isPending || chosen.length === 0} onClick={() => say(true)}>
          Take {chosen.length}
        </Button>
        <Button weight="danger" disabled={isPending || chosen.length === 0} onClick={() => say(false)}>
          Decline {chosen.length}
        </Button>
      </div>
    </section>
  );
}
