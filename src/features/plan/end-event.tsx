"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { Done, ExtentInput } from "@/contracts";
import { peopleWords, TellChoice } from "@/features/shared/tell-choice";
import { WhyCancelled } from "./why-cancelled";
import { Button, Confirm, Note, toast } from "@/ui";

export interface EndActs {
  remove(tellPeople: boolean): Promise<Done<void>>;
  cancel(input: ExtentInput, tellPeople: boolean): Promise<Done<{ changeId: string; told: number }>>;
  undo(changeId: string): Promise<Done<unknown>>;
}
/** Cancels the event's one date, or deletes the event: each says to how many, and can be taken back. */
export function EndEvent(props: {
  /** people who would hear of the date's cancelling, and of the whole event's deletion */
  holders: { readonly ofDate: number; readonly ofEvent: number };
  dateId: string | null;
  acts: EndActs;
}) {
  const { holders, dateId, acts } = props;
  const router = useRouter();
  const [tells, setTells] = useState(true);
  const [why, setWhy] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const attempt = <T,>(act: () => Promise<Done<T>>, then: (value: T) => void) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? null : done.words);
      if (done.ok) then(done.value);
    });
  const cancel = (id: string) =>
    attempt(
      () => acts.cancel({ markedIds: [id], change: { kind: "call-off", why } }, tells),
      ({ changeId, told }) => {
        router.refresh();
        toast(told > 0 ? `Cancelled; ${peopleWords(told)} hear of it.` : "Cancelled.", {
          duration: 300_000,
          action: {
            label: "Undo",
            onClick: () =>
              attempt(
                () => acts.undo(changeId),
                () => router.refresh(),
              ),
          },
        });
      },
    );
  return (
    <>
      {dateId && (
        <Confirm
          trigger={<Button disabled={isPending}>Cancel the date</Button>}
          title="Cancel the date"
          act="Cancel it"
          onConfirm={() => cancel(dateId)}
        >
          <div className="flex flex-col gap-3">
            <WhyCancelled why={why} onChange={setWhy} />
            <TellChoice holders={holders.ofDate} isOn={tells} onChange={setTells} />
          </div>
        </Confirm>
      )}
      <Confirm
        trigger={
          <Button weight="danger" disabled={isPending}>
            Delete the event
          </Button>
        }
        title="Delete the event"
        act="Delete it"
        onConfirm={() =>
          attempt(
            () => acts.remove(tells),
            () => router.push("/season"),
          )
        }
      >
        <p className="mb-2">It can be brought back for a week; then it is gone for good.</p>
        <TellChoice holders={holders.ofEvent} isOn={tells} onChange={setTells} />
      </Confirm>
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </>
  );
}
