"use client";
import { useEffect, useState, type ComponentProps } from "react";
import type { Done } from "@/contracts";
import { Input, Press } from "@/ui";

/** Somebody of the contact book. */
export interface Contact {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}
export type FindContacts = (words: string) => Promise<Done<readonly Contact[]>>;

const pauseMs = 250;

/** People of the contact book, found by two letters of a name or an address and taken one by one. */
export function ContactSearch({
  find,
  isTaken,
  onTake,
  ...field
}: {
  find: FindContacts;
  isTaken: (id: string) => boolean;
  onTake: (one: Contact) => void;
} & Pick<ComponentProps<typeof Input>, "id" | "aria-describedby">) {
  const [words, setWords] = useState("");
  const [found, setFound] = useState<{ readonly words: string; readonly people: readonly Contact[] }>({
    words: "",
    people: [],
  });
  useEffect(() => {
    let isOver = false;
    const timer = setTimeout(() => {
      void find(words).then((done) => {
        if (!isOver) setFound({ words, people: done.ok ? done.value : [] });
      });
    }, pauseMs);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [words, find]);
  const open = found.people.filter((one) => !isTaken(one.id));
  const take = (one: Contact) => {
    onTake(one);
    setWords("");
  };
  return (
    <>
      <Input {...field} type="search" value={words} onChange={(event) => setWords(event.target.value)} />
      {words.trim().length > 1 && found.words === words && (
        <ul aria-label="Found" className="rounded-control border border-rule bg-sheet">
          {open.length === 0 && <li className="px-2 py-1 text-ink-2">Nobody by that name.</li>}
          {open.map((one) => (
            <li key={one.id}>
              <Press className="w-full px-2 py-1 text-start hover:bg-raised" onClick={() => take(one)}>
                <bdi>{one.name}</bdi> <span className="text-ink-2">{one.email}</span>
              </Press>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
