"use client";
import { useEffect, useState } from "react";
import type { LatePerson, LetIn } from "@/contracts";
import { roleWords } from "@/features/shared/role-words";
import { Button, Drawer, Field, Input, Note, toast } from "@/ui";

type Done<T> = { ok: true; value: T } | { ok: false; words: string };

/** How the desk finds and brings in whoever is not there yet. */
export interface LateActs {
  find(words: string): Promise<Done<readonly LatePerson[]>>;
  letIn(input: unknown): Promise<Done<LetIn>>;
}

const pauseMs = 200;
const isAddress = (words: string): boolean => /^\S+@\S+\.\S+$/u.test(words.trim());

function useFound(acts: LateActs, words: string): readonly LatePerson[] {
  const [found, setFound] = useState<readonly LatePerson[]>([]);
  useEffect(() => {
    let isStale = false;
    const timer = setTimeout(() => {
      if (words.trim().length < 2) return setFound([]);
      void acts.find(words).then((done) => {
        if (!isStale && done.ok) setFound(done.value);
      });
    }, pauseMs);
    return () => {
      isStale = true;
      clearTimeout(timer);
    };
  }, [acts, words]);
  return found;
}

function Sent({ sent }: { sent: LetIn }) {
  return (
    <Note tone="plain">
      <p>
        {sent.isNew ? "A ticket is on its way to" : "Their link is on its way again to"}{" "}
        <span dir="auto">{sent.name || sent.email}</span>, {sent.email}.
      </p>
      {sent.details && (
        <>
          <pre className="mono my-2 text-label break-all whitespace-pre-wrap">{sent.details}</pre>
          <Button
            onClick={() =>
              void navigator.clipboard.writeText(sent.details!).then(
                () => toast("The join details are copied."),
                () => toast("This browser does not let them be copied: mark them above."),
              )
            }
          >
            Copy the join details
          </Button>
        </>
      )}
    </Note>
  );
}

/** Somebody is late: found by letters or given by address, and their link leaves at once. */
export function LatePeople(props: { acts: LateActs; isOpen: boolean; onOpenChange: (isOpen: boolean) => void }) {
  const { acts } = props;
  const [words, setWords] = useState("");
  const [name, setName] = useState("");
  const [sent, setSent] = useState<LetIn | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const found = useFound(acts, words);
  const bring = async (input: unknown) => {
    const done = await acts.letIn(input);
    setWrong(done.ok ? null : done.words);
    if (!done.ok) return;
    setSent(done.value);
    setWords("");
    setName("");
  };
  const isNewAddress = isAddress(words) && !found.some((one) => one.email === words.trim().toLowerCase());
  return (
    <Drawer
      title="Somebody is late"
      description="Their link goes out at once. Whoever has no ticket gets one."
      isOpen={props.isOpen}
      onOpenChange={props.onOpenChange}
    >
      <div className="flex flex-col gap-3">
        <Field label="Name or address">
          {(ids) => <Input {...ids} autoFocus value={words} onChange={(e) => setWords(e.target.value)} />}
        </Field>
        <ul>
          {found.map((one) => (
            <li key={one.personId} className="flex items-center gap-2 border-b border-rule py-1.5">
              <span className="min-w-0 flex-1">
                <span className="block truncate" dir="auto">
                  {one.name || one.email}
                </span>
                <span className="block truncate text-label text-ink-2">
                  {one.role ? roleWords[one.role] : "contact, no ticket"} · {one.email}
                </span>
              </span>
              <Button
                aria-label={`${one.ticketId ? "Send the link again" : "Send a ticket"}: ${one.name || one.email}`}
                onClick={() =>
                  void bring(
                    one.ticketId ? { ticketId: one.ticketId } : { name: one.name || one.email, email: one.email },
                  )
                }
              >
                {one.ticketId ? "Send the link again" : "Send a ticket"}
              </Button>
            </li>
          ))}
        </ul>
        {isNewAddress && (
          <form
            className="flex flex-col gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              void bring({ name: name.trim() || words.trim(), email: words.trim() });
            }}
          >
            <Field label={`Name of ${words.trim()}`}>
              {(ids) => <Input {...ids} value={name} onChange={(e) => setName(e.target.value)} />}
            </Field>
            <Button type="submit" weight="act" className="self-start">
              Send a ticket
            </Button>
          </form>
        )}
        {wrong && <Note tone="wrong">{wrong}</Note>}
        {sent && <Sent sent={sent} />}
      </div>
    </Drawer>
  );
}
