"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition, type FormEvent } from "react";
import type { Done } from "@/contracts";
import type { Messages } from "@/contracts/messages";
import { Button, Field, Input, Note } from "@/ui";

interface Details {
  readonly name: string;
  readonly email: string;
}

/** A registrant's own name and address, mended where they stand. */
export function OwnDetails(props: {
  details: Details;
  words: Messages["ticket"];
  labels: Details;
  /** answers with the token of the new address, null where the old link still opens the ticket */
  correct: (details: Details) => Promise<Done<string | null>>;
}) {
  const { details, words, labels } = props;
  const router = useRouter();
  const [isOpen, setOpen] = useState(false);
  const [typed, setTyped] = useState(details);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isSaved, setSaved] = useState(false);
  const [isPending, run] = useTransition();
  const save = (event: FormEvent) => {
    event.preventDefault();
    run(async () => {
      const done = await props.correct(typed);
      if (!done.ok) return setWrong(done.words);
      setOpen(false);
      setSaved(done.value === null);
      if (done.value) router.replace(`/ticket/${done.value}?address=new`);
      else router.refresh();
    });
  };
  return (
    <div className="mt-4">
      <div role="status">{isSaved && <Note>{words.saved}</Note>}</div>
      <Button weight="plain" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        {words.fix}
      </Button>
      {isOpen && (
        <form onSubmit={save} className="flex max-w-md flex-col gap-3 border-s-4 border-action ps-3" noValidate>
          {wrong && <Note tone="wrong">{wrong}</Note>}
          {(["name", "email"] as const).map((part, i) => (
            <Field key={part} label={labels[part]}>
              {(ids) => (
                <Input
                  {...ids}
                  autoFocus={i === 0}
                  name={part}
                  type={part === "email" ? "email" : "text"}
                  autoComplete={part}
                  value={typed[part]}
                  onChange={({ target }) => setTyped((before) => ({ ...before, [part]: target.value }))}
                />
              )}
            </Field>
          ))}
          <Button type="submit" weight="act" disabled={isPending} className="self-start">
            {words.save}
          </Button>
        </form>
      )}
    </div>
  );
}
