"use client";
import { useState, useTransition } from "react";
import { Button, FileInput, Note } from "@/ui";

type Outcome =
  | {
      ok: true;
      value: { added: number; known: number; bad: readonly { line: number; reason: string; column: string }[] };
    }
  | { ok: false; words: string };

/** Reads an entries.csv into the date: a room that ran elsewhere, a hall's door list. */
export function ImportEntries({ read }: { read: (data: FormData) => Promise<Outcome> }) {
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [isPending, run] = useTransition();
  return (
    <form
      className="flex flex-wrap items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        const data = new FormData(event.currentTarget);
        run(async () => setOutcome(await read(data)));
      }}
    >
      <label className="text-label text-ink-2">
        entries.csv <FileInput name="file" accept=".csv,text/csv" required className="ml-2 text-base text-ink" />
      </label>
      <Button type="submit" disabled={isPending}>
        Read it in
      </Button>
      {outcome && !outcome.ok && <Note tone="wrong">{outcome.words}</Note>}
      {outcome?.ok && (
        <div className="w-full">
          <Note>
            {outcome.value.added} entries added, {outcome.value.known} known already, {outcome.value.bad.length} not
            read.
          </Note>
          <ul className="text-label text-wrong">
            {outcome.value.bad.map((one) => (
              <li key={one.line}>
                line {one.line}: {one.reason.replaceAll("-", " ")} ({one.column})
              </li>
            ))}
          </ul>
        </div>
      )}
    </form>
  );
}
