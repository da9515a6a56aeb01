"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { Done, ExtentInput } from "@/contracts";
import { localWords } from "@/core/time";
import { peopleWords, TellChoice } from "@/features/shared/tell-choice";
import { Button, Confirm, toast } from "@/ui";

export interface TakeSlotActs {
  apply(input: ExtentInput, tellPeople: boolean): Promise<Done<{ changeId: string; told: number }>>;
  undo(changeId: string): Promise<Done<unknown>>;
}

/** Moves the date to the slot that was found: asks once, with the number who would hear of it; undoable. */
export function TakeSlot(props: { startLocal: string; occurrenceId: string; holders: number; acts: TakeSlotActs }) {
  const { startLocal, occurrenceId, holders, acts } = props;
  const router = useRouter();
  const [tells, setTells] = useState(holders > 0);
  const [isPending, run] = useTransition();
  const attempt = <T,>(act: () => Promise<Done<T>>, then: (value: T) => void) =>
    run(async () => {
      const done = await act();
      if (!done.ok) return void toast.error(done.words);
      then(done.value);
      router.refresh();
    });
  const take = () =>
    attempt(
      () =>
        acts.apply(
          {
            markedIds: [occurrenceId],
            change: { kind: "move", firstStartLocal: startLocal, durationMinutes: null },
          },
          tells,
        ),
      ({ changeId, told }) =>
        toast(
          told > 0 ? `The date is moved; ${peopleWords(told)} hear of it.` : "The date is moved. Nobody was told.",
          {
            duration: 300_000,
            action: {
              label: "Undo",
              onClick: () =>
                attempt(
                  () => acts.undo(changeId),
                  () => toast("Undone."),
                ),
            },
          },
        ),
    );
  return (
    <Confirm
      trigger={
        <Button weight="act" disabled={isPending} className="self-start">
          Move the date to {localWords(startLocal)}
        </Button>
      }
      title={`Move the date to ${localWords(startLocal)}`}
      act="Move it"
      weight="act"
      onConfirm={take}
    >
      <TellChoice
        holders={holders}
        isOn={tells}
        onChange={setTells}
        otherwise="Without it nobody hears of it; their tickets say the new hour either way."
      />
    </Confirm>
  );
}
