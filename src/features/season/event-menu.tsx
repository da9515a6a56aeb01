"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { Done, SeasonDate } from "@/contracts";
import { TellChoice } from "@/features/shared/tell-choice";
import { Confirm, Menu, Press, toast, type MenuItem } from "@/ui";

/** What can be done to an event from where its dates are listed. */
export interface EventMenuActs {
  duplicate(eventId: string): Promise<Done<string>>;
  /** how many would hear of it */
  hearers(eventId: string): Promise<Done<number>>;
  remove(eventId: string, tellPeople: boolean): Promise<Done<void>>;
  restore(eventId: string): Promise<void>;
}
type Named = Pick<SeasonDate, "eventId" | "occurrenceId" | "title" | "phase">;

/** Deleting takes a question with the number first, and can be undone for a week. */
function useDelete(date: Named, acts: EventMenuActs) {
  const router = useRouter();
  const [holders, setHolders] = useState<number | null>(null);
  const [tells, setTells] = useState(true);
  const [, run] = useTransition();
  const refused = (done: Done<unknown>) => {
    if (!done.ok) toast.error(done.words);
    return !done.ok;
  };
  const ask = () =>
    run(async () => {
      const done = await acts.hearers(date.eventId);
      if (!refused(done) && done.ok) setHolders(done.value);
    });
  const restore = () =>
    run(async () => {
      await acts.restore(date.eventId);
      router.refresh();
    });
  const remove = () =>
    run(async () => {
      if (refused(await acts.remove(date.eventId, tells))) return;
      toast(`“${date.title}” is deleted.`, { duration: 20_000, action: { label: "Undo", onClick: restore } });
      router.refresh();
    });
  const dialog = (
    <Confirm
      isOpen={holders !== null}
      onOpenChange={(isOpen) => !isOpen && setHolders(null)}
      title={`Delete “${date.title}”`}
      act="Delete it"
      onConfirm={remove}
    >
      <p className="mb-2">All its dates go with it. It can be brought back for a week; then it is gone for good.</p>
      <TellChoice holders={holders ?? 0} isOn={tells} onChange={setTells} />
    </Confirm>
  );
  return { ask, dialog };
}

/** The acts on one event behind the one that stands in view: the same in the rails, the list and the month. */
export function EventMenu({ date, acts, className }: { date: Named; acts: EventMenuActs; className?: string }) {
  const router = useRouter();
  const { ask, dialog } = useDelete(date, acts);
  const [, run] = useTransition();
  const at = `/events/${date.eventId}`;
  const duplicate = () =>
    run(async () => {
      const done = await acts.duplicate(date.eventId);
      if (!done.ok) return void toast.error(done.words);
      router.push(`/events/${done.value}/plan`);
    });
  const isLive = date.phase === "open" || date.phase === "backstage";
  const items: MenuItem[] = [
    { label: "Open the desk", onSelect: () => router.push(`${at}/desk/${date.occurrenceId}`) },
    { label: "Duplicate", onSelect: duplicate },
    { label: "Export registrants", onSelect: () => window.open(`${at}/registrants.csv`, "_self") },
    { label: "Delete", isDanger: true, isDisabled: isLive, onSelect: ask },
  ];
  return (
    <>
      <Menu
        trigger={
          <Press aria-label={`More for ${date.title}`} className={className ?? "min-h-6 text-ink-2 hover:underline"}>
            More
          </Press>
        }
        items={items}
      />
      {dialog}
    </>
  );
}
