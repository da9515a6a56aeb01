"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Field, Input, Note, toast } from "@/ui";

interface Row {
  readonly size: number;
  readonly count: number;
}

/** How many seat licences of each size the organisation owns. */
export function LicencesForm({
  initial,
  mayEdit,
  save,
}: {
  initial: readonly Row[];
  mayEdit: boolean;
  save: (rows: readonly Row[]) => Promise<Done<void>>;
}) {
  const [rows, setRows] = useState<readonly Row[]>(initial);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const change = (index: number, part: Partial<Row>) =>
    setRows(rows.map((row, i) => (i === index ? { ...row, ...part } : row)));
  const submit = () =>
    run(async () => {
      const done = await save(rows);
      setWrong(done.ok ? null : done.words);
      if (done.ok) toast("Seat licences saved.");
    });
  return (
    <section aria-label="Seat licences">
      <h2 className="text-head font-semibold">Seat licences</h2>
      <p className="text-ink-2">
        A date holds one from its team call until its end and the overrun. Without any, nothing limits the audience.
      </p>
      <fieldset disabled={!mayEdit} className="mt-2 flex flex-col gap-2">
        {rows.map((row, i) => (
          <div key={i} className="flex items-end gap-3">
            <Field label="Licences">
              {(ids) => (
                <Input
                  {...ids}
                  type="number"
                  min={0}
                  className="mono w-24!"
                  value={row.count}
                  onChange={(event) => change(i, { count: Number(event.target.value) })}
                />
              )}
            </Field>
            <Field label="Seats each">
              {(ids) => (
                <Input
                  {...ids}
                  type="number"
                  min={1}
                  className="mono w-28!"
                  value={row.size}
                  onChange={(event) => change(i, { size: Number(event.target.value) })}
                />
              )}
            </Field>
            <Button weight="plain" onClick={() => setRows(rows.filter((_, at) => at !== i))}>
              Remove
            </Button>
          </div>
        ))}
        {wrong && <Note tone="wrong">{wrong}</Note>}
        {mayEdit && (
          <div className="flex gap-2">
            <Button onClick={() => setRows([...rows, { size: 100, count: 1 }])}>Add a size</Button>
            <Button weight="act" disabled={isPending} onClick={submit}>
              Save the licences
            </Button>
          </div>
        )}
      </fieldset>
    </section>
  );
}
