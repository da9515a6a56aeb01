"use client";
import type { Done } from "@/contracts";
import { useRouter } from "next/navigation";
import { useTransition } from "react";
import { toast } from "sonner";
import { localWords } from "@/core/time";

export interface MoveActs {
  apply(eventId: string, input: unknown, tellPeople: boolean): Promise<Done<{ changeId: string }>>;
  undo(eventId: string, changeId: string): Promise<Done<number>>;
}

/** Moves one date by hand, at once and undoably; nobody is told by it. */
export function useMove(acts: MoveActs) {
  const router = useRouter();
  const [isPending, run] = useTransition();
  const move = (date: { eventId: string; occurrenceId: string }, startLocal: string) =>
    run(async () => {
      const done = await acts.apply(
        date.eventId,
        {
          markedIds: [date.occurrenceId],
          change: { kind: "move", firstStartLocal: startLocal, durationMinutes: null },
        },
        false,
      );
      if (!done.ok) return void toast.error(done.words);
      router.refresh();
      toast(`Moved to ${localWords(startLocal)}. Nobody was told.`, {
        duration: 20_000,
        action: {
          label: "Undo",
          onClick: () =>
            void acts.undo(date.eventId, done.value.changeId).then((undone) => {
              if (undone.ok) toast("Undone.");
              else toast.error(undone.words);
              router.refresh();
            }),
        },
      });
    });
  return { move, isPending };
}
