"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Field, Input, Note, toast } from "@/ui";

/** Keeps the event as a template, and asks whoever runs the house for more seats. */
export function EventActs(props: {
  title: string;
  houseSize: number;
  saveTemplate: (name: string) => Promise<Done<void>>;
  requestSeats: (input: { wantedSize: number; note: string }) => Promise<Done<void>>;
  requests: readonly { wantedSize: number; state: string; answer: string | null }[];
}) {
  const [name, setName] = useState(props.title);
  const [wanted, setWanted] = useState(String(props.houseSize * 2));
  const [note, setNote] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const attempt = (act: () => Promise<Done<void>>, words: string) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? null : done.words);
      if (done.ok) toast(words);
    });
  return (
    <section className="mt-8 grid max-w-5xl grid-cols-2 gap-8 border-t border-rule pt-3">
      {wrong && (
        <div className="col-span-2">
          <Note tone="wrong">{wrong}</Note>
        </div>
      )}
      <div>
        <h2 className="text-head font-semibold">Template</h2>
        <p className="text-ink-2">
          Keeps settings, run sheet, polls, registration questions and mail texts. Nobody’s data.
        </p>
        <div className="mt-2 flex flex-wrap items-end gap-2">
          <Field label="Name of the template">
            {(ids) => <Input {...ids} value={name} onChange={(event) => setName(event.target.value)} />}
          </Field>
          <Button disabled={isPending} onClick={() => attempt(() => props.saveTemplate(name), "Saved as a template.")}>
            Keep as a template
          </Button>
        </div>
      </div>
      <div>
        <h2 className="text-head font-semibold">More seats</h2>
        {props.requests.map((one, i) => (
          <p key={i} className="text-ink-2">
            {one.wantedSize} seats: {one.state}
            {one.answer ? `, “${one.answer}”` : ""}
          </p>
        ))}
        <div className="mt-2 flex flex-wrap items-end gap-2">
          <Field label="Seats wanted">
            {(ids) => (
              <Input
                {...ids}
                type="number"
                className="w-24!"
                value={wanted}
                onChange={(event) => setWanted(event.target.value)}
              />
            )}
          </Field>
          <Field label="Because">
            {(ids) => <Input {...ids} value={note} onChange={(event) => setNote(event.target.value)} />}
          </Field>
          <Button
            disabled={isPending}
            onClick={() =>
              attempt(
                () => props.requestSeats({ wantedSize: Number(wanted), note }),
                "Asked. The organisation’s owner decides.",
              )
            }
          >
            Ask for them
          </Button>
        </div>
      </div>
    </section>
  );
}
