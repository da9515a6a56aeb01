"use client";
import type { Done } from "@/contracts";
import type { TransitionStartFunction } from "react";
import { useState, useTransition } from "react";
import { duties as allDuties, type Duty, type Role } from "@/core/people";
import { Button, Checkbox, FileInput, Select, toast } from "@/ui";
import { dutyWords, roleWords } from "@/features/shared/role-words";
import { MailPreview, type PreviewMail } from "@/features/shared/mail-preview";
import { AddPerson } from "./add-person";

interface Person {
  readonly ticketId: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly duties: readonly Duty[];
  readonly invitedAt: number | null;
  readonly languages: readonly string[] | null;
  readonly reply: "coming" | "not-coming" | "unsure" | null;
  readonly techCheckedAt: number | null;
  readonly isMe: boolean;
}
export interface PeopleActs {
  add(input: unknown): Promise<Done<void>>;
  setDuties(ticketId: string, duties: Duty[]): Promise<Done<void>>;
  remove(ticketId: string): Promise<Done<void>>;
  preview(ticketId: string): Promise<Done<PreviewMail>>;
  invite(ticketIds: string[]): Promise<Done<number>>;
  setReply(ticketId: string, reply: string): Promise<Done<void>>;
  addCalendar(ticketId: string, data: FormData): Promise<Done<{ entries: number; unread: readonly string[] }>>;
}

/** What somebody of the stage has said, and the calendar that tells when they are busy. */
function Availability({
  person,
  acts,
  report,
}: {
  person: Person;
  acts: PeopleActs;
  report: <T>(done: Promise<Done<T>>, words: (value: T) => string) => Promise<void>;
}) {
  const [, run] = useTransition();
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-label">
      <Select
        aria-label={`What ${person.name} said`}
        className="w-40! py-0.5 text-label"
        value={person.reply ?? ""}
        onChange={(event) =>
          run(() => report(acts.setReply(person.ticketId, event.target.value), () => "Written down."))
        }
      >
        <option value="">has not said</option>
        <option value="coming">is coming</option>
        <option value="unsure">is not sure</option>
        <option value="not-coming">is not coming</option>
      </Select>
      <span className="text-ink-2">{person.techCheckedAt === null ? "tech check open" : "tech check done"}</span>
      <label className="cursor-pointer text-ink-2 underline">
        Add their calendar (.ics)
        <FileInput
          accept=".ics,text/calendar"
          className="sr-only"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (!file) return;
            const data = new FormData();
            data.set("file", file);
            event.target.value = "";
            run(() =>
              report(
                acts.addCalendar(person.ticketId, data),
                ({ entries, unread }) =>
                  `${entries} busy entries read.${unread.length > 0 ? ` Not read: ${unread.slice(0, 3).join("; ")}.` : ""}`,
              ),
            );
          }}
        />
      </label>
    </div>
  );
}

function DutyBox({
  duty,
  mayEdit,
  person,
  run,
  report,
  acts,
}: {
  duty: Duty;
  mayEdit: boolean;
  person: Person;
  run: TransitionStartFunction;
  report: <T>(done: Promise<Done<T>>, words: (value: T) => string) => Promise<void>;
  acts: PeopleActs;
}) {
  return (
    <label key={duty} className="flex items-center gap-1 text-label">
      <Checkbox
        disabled={!mayEdit}
        checked={person.duties.includes(duty)}
        onChange={(event) =>
          run(() =>
            report(
              acts.setDuties(
                person.ticketId,
                event.target.checked ? [...person.duties, duty] : person.duties.filter((one) => one !== duty),
              ),
              () => "Duties saved.",
            ),
          )
        }
      />
      {dutyWords[duty]}
    </label>
  );
}

function PersonActs({
  run,
  acts,
  person,
  setPreview,
  report,
}: {
  run: TransitionStartFunction;
  acts: PeopleActs;
  person: Person;
  setPreview: (next: { ticketId: string; mail: PreviewMail }) => void;
  report: <T>(done: Promise<Done<T>>, words: (value: T) => string) => Promise<void>;
}) {
  return (
    <div className="flex items-start gap-2">
      <Button
        onClick={() =>
          run(async () => {
            const mail = await acts.preview(person.ticketId);
            if (mail.ok) setPreview({ ticketId: person.ticketId, mail: mail.value });
            else toast.error(mail.words);
          })
        }
      >
        See the invitation
      </Button>
      <Button
        weight="plain"
        onClick={() =>
          run(() => report(acts.remove(person.ticketId), () => `${person.name} is off the list; the link is dead.`))
        }
      >
        Take off
      </Button>
    </div>
  );
}

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
  const report = async <T,>(done: Promise<Done<T>>, words: (value: T) => string) => {
    const result = await done;
    if (result.ok) toast(words(result.value));
    else toast.error(result.words);
  };
  const uninvited = people.filter((person) => person.invitedAt === null);
  return (
    <div className="flex flex-col gap-5">
      {mayEdit && <AddPerson add={acts.add} />}
      <ul className="max-w-4xl" id="duties">
        {people.map((person) => (
          <li key={person.ticketId} className="grid grid-cols-[15rem_1fr_auto] gap-4 border-t border-rule py-2.5">
            <div className="min-w-0">
              <p className="truncate font-medium">{person.name}</p>
              <p className="truncate text-label text-ink-2">{person.email}</p>
            </div>
            <div>
              <p>
                {roleWords[person.role]}
                {person.languages && <span className="mono text-label"> {person.languages.join(" → ")}</span>}{" "}
                <span className="text-label text-ink-2">
                  {person.invitedAt === null ? "· not invited yet" : "· invited"}
                </span>
              </p>
              {mayEdit && <Availability person={person} acts={acts} report={report} />}
              {person.role === "crew" && (
                <div className="mt-1 flex flex-wrap gap-x-3 gap-y-0.5">
                  {allDuties.map((duty) => (
                    <DutyBox
                      key={duty}
                      duty={duty}
                      mayEdit={mayEdit}
                      person={person}
                      run={run}
                      report={report}
                      acts={acts}
                    />
                  ))}
                </div>
              )}
            </div>
            {mayEdit && person.role !== "producer" && (
              <PersonActs run={run} acts={acts} person={person} setPreview={setPreview} report={report} />
            )}
          </li>
        ))}
      </ul>
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
