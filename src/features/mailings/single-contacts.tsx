"use client";
import { useState } from "react";
import type { MailingInput } from "@/contracts";
import { ContactSearch, type Contact, type FindContacts } from "@/features/shared/contact-search";
import { Field, Tag } from "@/ui";

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
  const [chosen, setChosen] = useState<readonly Contact[]>(known);
  const nameOf = (id: string): string => {
    const one = chosen.find((contact) => contact.id === id);
    return one ? one.name || one.email : "somebody";
  };
  const add = (one: Contact) => {
    setChosen([...chosen, one]);
    onChange({ ...audience, personIds: [...audience.personIds, one.id] });
  };
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
          <ContactSearch {...ids} find={find} isTaken={(id) => audience.personIds.includes(id)} onTake={add} />
        </div>
      )}
    </Field>
  );
}
