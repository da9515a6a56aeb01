"use client";
import type { Done } from "@/contracts";
import type { TransitionStartFunction } from "react";
import { useTransition } from "react";
import { duties as allDuties, type Duty, type Role } from "@/core/people";
import { Badge, Button, Checkbox, FileInput, Person as PersonName, Select, Td, toast } from "@/ui";
import { dutyWords, roleWords } from "@/features/shared/role-words";
import { type PreviewMail } from "@/features/shared/mail-preview";

export interface Person {
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

export type Report = <T>(done: Promise<Done<T>>, words: (value: T) => string) => Promise<void>;

/** What somebody of the stage has said. */
function ReplyCell({ person, acts, report }: { person: Person; acts: PeopleActs; report: Report }) {
  const [, run] = useTransition();
  return (
    <Select
      aria-label={`What ${person.name} said`}
      className="w-36!"
      value={person.reply ?? ""}
      onChange={(event) => run(() => report(acts.setReply(person.ticketId, event.target.value), () => "Saved."))}
    >
      <option value="">no reply yet</option>
      <option value="coming">is coming</option>
      <option value="unsure">is not sure</option>
      <option value="not-coming">is not coming</option>
    </Select>
  );
}

/** The calendar that tells when somebody is busy. */
function CalendarCell({ person, acts, report }: { person: Person; acts: PeopleActs; report: Report }) {
  const [, run] = useTransition();
  return (
    <label className="cursor-pointer text-action underline-offset-2 hover:underline">
      Add (.ics)<span className="sr-only"> the calendar of {person.name}</span>
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
  );
}

/** One person as a line of the table, and their duties under it where they are crew. */
export function PersonRow(props: {
  person: Person;
  acts: PeopleActs;
  mayEdit: boolean;
  run: TransitionStartFunction;
  report: Report;
  setPreview: (next: { ticketId: string; mail: PreviewMail }) => void;
}) {
  const { person, acts, mayEdit, run, report } = props;
  const isCrew = person.role === "crew";
  return (
    <>
      <tr>
        <Td className="max-w-64">
          <PersonName name={person.name} about={person.email} />
        </Td>
        <Td>
          {roleWords[person.role]}
          {person.languages && <span className="mono text-label"> {person.languages.join(" → ")}</span>}
          <span className="block text-label text-ink-2">
            {person.invitedAt === null ? "not invited yet" : "invited"}
          </span>
        </Td>
        <Td>
          {mayEdit ? <ReplyCell person={person} acts={acts} report={report} /> : (person.reply ?? "no reply yet")}
        </Td>
        <Td>
          {person.techCheckedAt === null ? <span className="text-ink-2">open</span> : <Badge tone="action">done</Badge>}
        </Td>
        <Td>{mayEdit && <CalendarCell person={person} acts={acts} report={report} />}</Td>
        <Td className="text-end">
          {mayEdit && person.role !== "producer" && (
            <PersonActs run={run} acts={acts} person={person} setPreview={props.setPreview} report={report} />
          )}
        </Td>
      </tr>
      {isCrew && (
        <tr>
          <Td colSpan={6} className="border-t-0 pt-0">
            <span className="flex flex-wrap gap-x-3 gap-y-0.5 ps-11 text-label">
              <span className="text-ink-2">Duties:</span>
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
            </span>
          </Td>
        </tr>
      )}
    </>
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
    <div className="flex items-center justify-end gap-2">
      <Button
        onClick={() =>
          run(async () => {
            const mail = await acts.preview(person.ticketId);
            if (mail.ok) setPreview({ ticketId: person.ticketId, mail: mail.value });
            else toast.error(mail.words);
          })
        }
      >
        Preview invitation
      </Button>
      <Button
        weight="plain"
        onClick={() =>
          run(() => report(acts.remove(person.ticketId), () => `${person.name} is off the list; the link is dead.`))
        }
      >
        Remove
      </Button>
    </div>
  );
}
