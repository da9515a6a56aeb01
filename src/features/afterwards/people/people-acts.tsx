"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { useDialogAct } from "@/features/shared/use-dialog-act";
import { Button, Dialog, Field, Note, Textarea, toast } from "@/ui";

export interface PeopleActsProps {
  readonly keys: readonly string[];
  readonly mail: ((keys: readonly string[]) => Promise<Done<unknown>>) | null;
  readonly note: ((input: { keys: readonly string[]; text: string }) => Promise<Done<number>>) | null;
  readonly file: ((keys: readonly string[]) => Promise<Done<string>>) | null;
}

/** Puts a text into the reader's folder under a name. */
function save(text: string, name: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: "text/csv;charset=utf-8" }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

function NoteToAll({ keys, note }: { keys: readonly string[]; note: NonNullable<PeopleActsProps["note"]> }) {
  const { isOpen, setOpen, wrong, isPending, send } = useDialogAct();
  const [text, setText] = useState("");
  return (
    <Dialog
      isOpen={isOpen}
      onOpenChange={setOpen}
      trigger={<Button disabled={keys.length === 0}>Note …</Button>}
      title={keys.length === 1 ? "A note on this person" : `A note on these ${keys.length}`}
      description="The team reads it in the contact book; nobody else does."
    >
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Field label="Note">
        {(ids) => (
          <Textarea {...ids} rows={3} maxLength={500} value={text} onChange={(event) => setText(event.target.value)} />
        )}
      </Field>
      <Button
        weight="act"
        className="mt-3"
        disabled={isPending || text.trim() === ""}
        onClick={() =>
          send(
            () => note({ keys, text: text.trim() }),
            (count) => {
              toast(count === 1 ? "Noted on 1 contact." : `Noted on ${count} contacts.`);
              setText("");
            },
          )
        }
      >
        Save
      </Button>
    </Dialog>
  );
}

/** What can be done with everybody who stands in the list as it is filtered. */
export function PeopleActs({ keys, mail, note, file }: PeopleActsProps) {
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const tell = (done: Done<unknown>) => setWrong(done.ok ? null : done.words);
  const none = keys.length === 0 || isPending;
  return (
    <div className="flex flex-wrap items-center gap-2">
      {mail && (
        <Button disabled={none} onClick={() => run(async () => tell(await mail(keys)))}>
          {keys.length === 1 ? "Write to this person" : `Write to these ${keys.length}`}
        </Button>
      )}
      {note && <NoteToAll keys={keys} note={note} />}
      {file && (
        <Button
          disabled={none}
          onClick={() =>
            run(async () => {
              const done = await file(keys);
              tell(done);
              if (done.ok) save(done.value, "people.csv");
            })
          }
        >
          Export these
        </Button>
      )}
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </div>
  );
}
