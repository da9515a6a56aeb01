"use client";
import { useState } from "react";
import type { Done } from "@/contracts";
import { useDialogAct } from "@/features/shared/use-dialog-act";
import { Button, Checkbox, Dialog, Field, Input, Note, toast } from "@/ui";

export type ChangeCreditAct = (input: {
  creditId: string;
  points: number;
  isWithdrawn: boolean;
  why: string;
}) => Promise<Done<unknown>>;

/** Puts a certificate right or withdraws it; what stood before stays in its trail. */
export function ChangeCredit(props: {
  credit: { readonly id: string; readonly name: string; readonly points: number; readonly isWithdrawn: boolean };
  change: ChangeCreditAct;
}) {
  const { credit, change } = props;
  const { isOpen, setOpen, wrong, setWrong, isPending, send } = useDialogAct();
  const [points, setPoints] = useState(String(credit.points));
  const [isWithdrawn, setWithdrawn] = useState(credit.isWithdrawn);
  const [why, setWhy] = useState("");
  const submit = () => {
    const figure = Number(points.replace(",", "."));
    if (points.trim() === "" || !Number.isFinite(figure)) return setWrong("Points are a number, as in: 1.5.");
    send(
      () => change({ creditId: credit.id, points: figure, isWithdrawn, why }),
      () => toast(isWithdrawn ? "Withdrawn. Its page says so from now on." : "Saved."),
    );
  };
  return (
    <Dialog
      isOpen={isOpen}
      onOpenChange={setOpen}
      trigger={
        <Button size="small" weight="plain" aria-label={`Correct the certificate of ${credit.name || "a guest"}`}>
          Correct …
        </Button>
      }
      title={`Certificate of ${credit.name || "a guest"}`}
      description="Its number stays. What stood before is kept with who changed it and why."
    >
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Field label="Points">
        {(ids) => (
          <Input {...ids} inputMode="decimal" value={points} onChange={(event) => setPoints(event.target.value)} />
        )}
      </Field>
      <label className="mt-3 flex items-center gap-2">
        <Checkbox checked={isWithdrawn} onChange={(event) => setWithdrawn(event.target.checked)} />
        Withdrawn: not valid any more
      </label>
      <Field label="Reason" className="mt-3">
        {(ids) => <Input {...ids} maxLength={300} value={why} onChange={(event) => setWhy(event.target.value)} />}
      </Field>
      <Button weight="act" className="mt-3" disabled={isPending || why.trim() === ""} onClick={submit}>
        Save
      </Button>
    </Dialog>
  );
}
