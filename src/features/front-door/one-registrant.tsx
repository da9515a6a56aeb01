"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { Badge, Button, Confirm, Field, Input, Select, Textarea, toast } from "@/ui";
import { statusTone, statusWords, type DateOption, type RegistrantActs, type RegistrantLine } from "./registrant-line";

/** What the team wants to remember of somebody. */
function NoteOf({ one, keep }: { one: RegistrantLine; keep: RegistrantActs["note"] }) {
  const [note, setNote] = useState(one.note);
  const [wrong, setWrong] = useState<string | undefined>();
  const [isPending, run] = useTransition();
  return (
    <Field label="Note" hint="Seen by the team alone; it stays with the contact." error={wrong}>
      {(ids) => (
        <div className="flex flex-col gap-2">
          <Textarea {...ids} rows={2} value={note} onChange={(event) => setNote(event.target.value)} />
          <Button
            className="self-start"
            disabled={isPending || note === one.note}
            onClick={() =>
              run(async () => {
                const done = await keep(one.ticketId, { note });
                setWrong(done.ok ? undefined : done.words);
                if (done.ok) toast("Saved.");
              })
            }
          >
            Save the note
          </Button>
        </div>
      )}
    </Field>
  );
}

/** Puts them on another date of the event. */
function OtherDate({
  one,
  dates,
  move,
}: {
  one: RegistrantLine;
  dates: readonly DateOption[];
  move: RegistrantActs["move"];
}) {
  const [dateId, setDateId] = useState(one.dateId);
  const [wrong, setWrong] = useState<string | undefined>();
  const [isPending, run] = useTransition();
  return (
    <Field label="Date" hint="Moving keeps their link; the entry in their calendar moves too." error={wrong}>
      {(ids) => (
        <div className="flex gap-2">
          <Select {...ids} value={dateId} onChange={(event) => setDateId(event.target.value)}>
            {dates.map(({ id, words }) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </Select>
          <Button
            disabled={isPending || dateId === one.dateId}
            onClick={() =>
              run(async () => {
                const done = await move(one.ticketId, dateId);
                setWrong(done.ok ? undefined : done.words);
                if (done.ok) toast(`Moved. ${one.name} hears of it by mail.`);
              })
            }
          >
            Move
          </Button>
        </div>
      )}
    </Field>
  );
}

/** One person's registration: what they answered, and what can be done for them. */
export function OneRegistrant({
  one,
  dates,
  acts,
}: {
  one: RegistrantLine;
  dates: readonly DateOption[];
  acts: RegistrantActs | null;
}) {
  const [email, setEmail] = useState(one.email);
  const [wrong, setWrong] = useState<string | undefined>();
  const [isPending, run] = useTransition();
  const attempt = (act: () => Promise<Done<void>>, words: string) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? undefined : done.words);
      if (done.ok) toast(words);
    });
  const hasMail = one.status === "registered" || one.status === "waiting";
  return (
    <div className="flex flex-col gap-4">
      <p>
        <Badge tone={statusTone[one.status]}>{statusWords[one.status]}</Badge>
      </p>
      {one.answers.length > 0 && (
        <dl className="flex flex-col gap-2">
          {one.answers.map(({ question, answer }) => (
            <div key={question}>
              <dt className="text-label text-ink-2">{question}</dt>
              <dd className="whitespace-pre-line" dir="auto">
                {answer}
              </dd>
            </div>
          ))}
        </dl>
      )}
      {acts && <NoteOf one={one} keep={acts.note} />}
      {acts && dates.length > 1 && hasMail && <OtherDate one={one} dates={dates} move={acts.move} />}
      {acts && (
        <>
          <Field
            label="Mail address"
            hint="A new address gets the ticket; links that went to the old one stop working."
            error={wrong}
          >
            {(ids) => <Input {...ids} type="email" value={email} onChange={(event) => setEmail(event.target.value)} />}
          </Field>
          <div className="flex flex-wrap gap-2">
            <Button
              disabled={isPending || email.trim() === one.email || !hasMail}
              onClick={() =>
                attempt(() => acts.correct(one.ticketId, { email }), "Saved. The ticket is on its way there.")
              }
            >
              Save the address
            </Button>
            <Button
              weight="act"
              disabled={isPending || !hasMail}
              onClick={() => attempt(() => acts.sendAgain(one.ticketId), "Their link is on its way again.")}
            >
              Send their link again
            </Button>
            <Confirm
              trigger={<Button disabled={isPending || !hasMail}>Replace their link</Button>}
              title="Replace their link"
              act="Replace it"
              onConfirm={() =>
                attempt(() => acts.newLink(one.ticketId), "The old link is dead; a new one is on its way.")
              }
            >
              <p>
                Every link that {one.name} was sent stops working at once. A new one goes to {one.email}.
              </p>
            </Confirm>
            <Confirm
              trigger={
                <Button weight="danger" disabled={isPending || one.status === "cancelled" || one.status === "declined"}>
                  Cancel for them
                </Button>
              }
              title="Cancel for them"
              act="Cancel their registration"
              onConfirm={() => attempt(() => acts.cancel(one.ticketId), "Cancelled. They hear of it by mail.")}
            >
              <p>{one.name} loses the place and hears of it by mail; the longest waiting moves up.</p>
            </Confirm>
          </div>
        </>
      )}
    </div>
  );
}
