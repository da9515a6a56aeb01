"use client";
import { useState, useTransition } from "react";
import { Button, Table, Th, toast } from "@/ui";
import { MailPreview, type PreviewMail } from "@/features/shared/mail-preview";
import { AddPerson } from "./add-person";

import { PersonRow, type PeopleActs, type Person, type Report } from "./person-row";

export type { PeopleActs } from "./person-row";

/** Everyone of the stage and the crew, with duties and invitations. */
export function PeopleBoard({
  people,
  acts,
  mayEdit,
}: {
  people: readonly Person[];
  acts: PeopleActs;
  mayEdit: boolean;
}) {
  const [preview, setPreview] = useState<{ ticketId: string; mail: PreviewMail } | null>(null);
  const [, run] = useTransition();
  const report: Report = async (done, words) => {
    const result = await done;
    if (result.ok) toast(words(result.value));
    else toast.error(result.words);
  };
  const uninvited = people.filter((person) => person.invitedAt === null);
  return (
    <div className="flex flex-col gap-5">
      {mayEdit && <AddPerson add={acts.add} />}
      <Table aria-label="People on stage and in the crew" id="duties">
        <thead>
          <tr>
            <Th>Person</Th>
            <Th>Comes as</Th>
            <Th>Reply</Th>
            <Th>Sound check</Th>
            <Th>Calendar</Th>
            <Th />
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <PersonRow key={person.ticketId} {...{ person, acts, mayEdit, run, report, setPreview }} />
          ))}
        </tbody>
      </Table>
      {mayEdit && uninvited.length > 0 && (
        <p id="invite">
          <Button
            weight="act"
            onClick={() =>
              run(() => report(acts.invite(uninvited.map((one) => one.ticketId)), (sent) => `Sent to ${sent}.`))
            }
          >
            Send the invitation to {uninvited.length} not yet invited
          </Button>
        </p>
      )}
      {preview && (
        <MailPreview mail={preview.mail} onClose={() => setPreview(null)}>
          <Button
            weight="act"
            onClick={() =>
              run(async () => {
                await report(acts.invite([preview.ticketId]), () => "Sent.");
                setPreview(null);
              })
            }
          >
            Send it
          </Button>
        </MailPreview>
      )}
    </div>
  );
}
