"use client";
import { useEffect, useState } from "react";
import type { MailingInput } from "@/contracts";
import { Field, Input, Press, Tag } from "@/ui";
import type { Contact, FindContacts } from "./audience-types";

const pauseMs = 250;

/** People of the contact book, one by one: found by a few letters. */
export function SingleContacts({
  audience,
  known,
  find,
  onChange,
}: {
  audience: MailingInput["audience"];
  /** those that the audience held when the page was made */
  known: readonly Contact[];
  find: FindContacts;
  onChange: (audience: MailingInput["audience"]) => void;
}) {
  const [words, setWords] = useState("");
  const [found, setFound] = useState<{ readonly words: string; readonly people: readonly Contact[] }>({
    words: "",
    people: [],
  });
  const [chosen, setChosen] = useState<readonly Contact[]>(known);
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
  const nameOf = (id: string): string => {
    const one = chosen.find((contact) => contact.id === id);
    return one ? one.name || one.email : "somebody";
  };
  const add = (one: Contact) => {
    setChosen([...chosen, one]);
    onChange({ ...audience, personIds: [...audience.personIds, one.id] });
    setWords("");
  };
  const open = found.people.filter((one) => !audience.personIds.includes(one.id));
  return (
    <Field label="Single contacts" hint="Two letters of a name or an address are enough.">
      {(ids) => (
        <div className="flex flex-col gap-1.5">
          {audience.personIds.length > 0 && (
            <ul className="flex flex-wrap gap-1.5" aria-label="Chosen contacts">
              {audience.personIds.map((id) => (
                <li key={id}>
                  <Tag
                    label={nameOf(id)}
                    removal={`Without ${nameOf(id)}`}
                    onRemove={() =>
                      onChange({ ...audience, personIds: audience.personIds.filter((one) => one !== id) })
                    }
                  />
                </li>
              ))}
            </ul>
          )}
          <Input {...ids} type="search" value={words} onChange={(event) => setWords(event.target.value)} />
          {words.trim().length > 1 && found.words === words && (
            <ul aria-label="Found" className="rounded-control border border-rule bg-sheet">
              {open.length === 0 && <li className="px-2 py-1 text-ink-2">Nobody by that name.</li>}
              {open.map((one) => (
                <li key={one.id}>
                  <Press className="w-full px-2 py-1 text-start hover:bg-raised" onClick={() => add(one)}>
                    <bdi>{one.name}</bdi> <span className="text-ink-2">{one.email}</span>
                  </Press>
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </Field>
  );
}
