"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import type { EventDraft, PlanInput } from "@/contracts";
import { Button, FileInput, Note, Textarea, TextButton } from "@/ui";
import { PlanForm, type PlanFormProps } from "./plan-form";
import { unreadWords } from "./unread-words";

type Refused = Extract<Done<never>, { ok: false }>;
interface Person {
  readonly name: string;
  readonly email: string;
}
const withDraft = (plan: PlanInput, draft: EventDraft): PlanInput => ({
  ...plan,
  title: draft.title || plan.title,
  descriptionHtml: draft.descriptionHtml || plan.descriptionHtml,
  startLocal: draft.startLocal ?? plan.startLocal,
  zone: draft.zone ?? plan.zone,
  durationMinutes: draft.durationMinutes ?? plan.durationMinutes,
  place: draft.place || plan.place,
  shape: draft.rule ? "series" : plan.shape,
  rule: draft.rule
    ? {
        ...draft.rule,
        byMonth: [...draft.rule.byMonth],
        byMonthDay: [...draft.rule.byMonthDay],
        byDay: [...draft.rule.byDay],
      }
    : plan.rule,
});

function FromEntry({
  read,
  onDraft,
}: {
  read: (data: FormData) => Promise<Done<EventDraft>>;
  onDraft: (draft: EventDraft) => void;
}) {
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  return (
    <form
      className="mt-2 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const data = new FormData(event.currentTarget);
        run(async () => {
          const done = await read(data);
          setWrong(done.ok ? null : done.words);
          if (done.ok) onDraft(done.value);
        });
      }}
    >
      <FileInput name="file" accept=".ics,text/calendar" aria-label="Calendar file" />
      <Textarea
        name="text"
        rows={4}
        aria-label="Or pasted text"
        placeholder={
          "Or paste it here: the title first, then a line with date and hour, the length, the people’s addresses"
        }
      />
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Button type="submit" className="self-start" disabled={isPending}>
        Begin from this
      </Button>
    </form>
  );
}

/** A new plan: empty, or begun from an entry of somebody's calendar; a template has filled it before. */
export function NewEvent(
  props: Omit<PlanFormProps, "isNew" | "version" | "holders" | "onStage" | "save" | "current" | "mayEdit"> & {
    read: (data: FormData) => Promise<Done<EventDraft>>;
    create: (input: PlanInput, people: readonly Person[]) => Promise<Refused>;
  },
) {
  const { read, create, ...form } = props;
  const [draft, setDraft] = useState<EventDraft | null>(null);
  const [people, setPeople] = useState<readonly Person[]>([]);
  return (
    <>
      <details className="mb-5 border-l-2 border-rule pl-4">
        <summary className="cursor-pointer text-ink-2">Begin from a calendar file or pasted text</summary>
        <FromEntry
          read={read}
          onDraft={(found) => {
            setDraft(found);
            setPeople(found.people);
          }}
        />
      </details>
      {draft && (
        <div role="status" className="mb-5 flex flex-col gap-1">
          <Note tone={draft.unread.length > 0 ? "attention" : "plain"}>{unreadWords(draft.unread)}</Note>
          {people.length > 0 && (
            <p className="mt-2 text-label text-ink-2">
              These come onto the stage list as panelists. Nobody is written to.
            </p>
          )}
          <ul className="flex flex-wrap gap-2">
            {people.map((person) => (
              <li key={person.email} className="bg-raised px-2 py-1">
                {person.name} <span className="text-label text-ink-2">{person.email}</span>{" "}
                <TextButton
                  className="text-label underline"
                  onClick={() => setPeople(people.filter((one) => one !== person))}
                >
                  leave out
                </TextButton>
              </li>
            ))}
          </ul>
        </div>
      )}
      <PlanForm
        {...form}
        key={JSON.stringify(draft)}
        initial={draft ? withDraft(props.initial, draft) : props.initial}
        isNew
        mayEdit
        version={0}
        holders={0}
        onStage={1}
        save={(_version, input) => create(input, people)}
        current={() => Promise.reject(new Error("a new plan has no other version"))}
      />
    </>
  );
}
