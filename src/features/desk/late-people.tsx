"use client";
import { useSay } from "@/features/shared/say/say";
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
  const say = useSay();
  return (
    <Note tone="plain">
      <p>
        {sent.isNew
          ? say`A ticket is on its way to ${sent.name || sent.email}, ${sent.email}.`
          : say`Their link is on its way again to ${sent.name || sent.email}, ${sent.email}.`}
      </p>
      {sent.details && (
        <>
          <pre className="mono my-2 text-label break-all whitespace-pre-wrap">{sent.details}</pre>
          <Button
            onClick={() =>
              void navigator.clipboard.writeText(sent.details!).then(
                () => toast(say`The join details are copied.`),
                () => toast(say`This browser does not let them be copied: mark them above.`),
              )
            }
          >
            {say`Copy the join details`}
          </Button>
        </>
      )}
    </Note>
  );
}

/** Somebody is late: found by letters or given by address, and their link leaves at once. */
export function LatePeople(props: { acts: LateActs; isOpen: boolean; onOpenChange: (isOpen: boolean) => void }) {
  const say = useSay();
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
      title={say`Somebody is late`}
      description={say`Their link goes out at once. Whoever has no ticket gets one.`}
      isOpen={props.isOpen}
      onOpenChange={props.onOpenChange}
    >
      <div className="flex flex-col gap-3">
        <Field label={say`Name or address`}>
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
                  {one.role ? say.of(roleWords[one.role]) : say`contact, no ticket`} · {one.email}
                </span>
              </span>
              <Button
                aria-label={`${one.ticketId ? say`Send the link again` : say`Send a ticket`}: ${one.name || one.email}`}
                onClick={() =>
                  void bring(
                    one.ticketId ? { ticketId: one.ticketId } : { name: one.name || one.email, email: one.email },
                  )
                }
              >
                {one.ticketId ? say`Send the link again` : say`Send a ticket`}
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
            <Field label={say`Name of ${words.trim()}`}>
              {(ids) => <Input {...ids} value={name} onChange={(e) => setName(e.target.value)} />}
            </Field>
            <Button type="submit" weight="act" className="self-start">
              {say`Send a ticket`}
            </Button>
          </form>
        )}
        {wrong && <Note tone="wrong">{wrong}</Note>}
        {sent && <Sent sent={sent} />}
      </div>
    </Drawer>
  );
}
