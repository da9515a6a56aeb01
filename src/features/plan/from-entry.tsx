"use client";
import { useState, useTransition } from "react";
import { useFormContext } from "react-hook-form";
import type { Done, EventDraft, PlanInput } from "@/contracts";
import { Button, FileInput, Note, Textarea } from "@/ui";
import { unreadWords } from "./unread-words";

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

/** Reads somebody's calendar entry, or pasted text, into the plan: what is typed already and not in it stays. */
export function FromEntry({
  read,
  onPeople,
}: {
  read: (data: FormData) => Promise<Done<EventDraft>>;
  onPeople: (people: EventDraft["people"]) => void;
}) {
  const { getValues, reset } = useFormContext<PlanInput>();
  const [draft, setDraft] = useState<EventDraft | null>(null);
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
          if (!done.ok) return;
          setDraft(done.value);
          reset(withDraft(getValues(), done.value), { keepDefaultValues: true });
          onPeople(done.value.people);
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
      {draft && (
        <div role="status">
          <Note tone={draft.unread.length > 0 ? "attention" : "plain"}>{unreadWords(draft.unread)}</Note>
        </div>
      )}
      <Button type="submit" className="self-start" disabled={isPending}>
        Begin from this
      </Button>
    </form>
  );
}
