"use client";
import type { MailingInput } from "@/contracts";
import { Checkbox, Field, Select, Textarea, TextButton } from "@/ui";
import type { FindContacts } from "@/features/shared/contact-search";
import type { AudienceChoices } from "./audience-types";
import { SingleContacts } from "./single-contacts";

type Audience = MailingInput["audience"];
const standingWords = {
  registered: "Registered for this date",
  waiting: "On its waiting list",
  came: "Came to it",
  missed: "Registered and did not come",
  unanswered: "Invited and not answered",
  stage: "People on stage",
} as const;
const pastWords = { registered: "registered", came: "came", missed: "did not come" } as const;

function PastEvent({
  past,
  choices,
  onChange,
  value,
}: {
  past: { eventId: string; who: "registered" | "came" | "missed" };
  choices: AudienceChoices;
  onChange: (next: Audience) => void;
  value: MailingInput["audience"];
}) {
  return (
    <p key={past.eventId} className="flex items-center gap-2">
      <span className="flex-1 truncate">{choices.pastEvents.find((one) => one.id === past.eventId)?.title}</span>
      <Select
        aria-label="Who of them"
        className="w-40!"
        value={past.who}
        onChange={(event) =>
          onChange({
            ...value,
            past: value.past.map((one) =>
              one === past ? { ...one, who: event.target.value as typeof past.who } : one,
            ),
          })
        }
      >
        {(Object.keys(pastWords) as (keyof typeof pastWords)[]).map((who) => (
          <option key={who} value={who}>
            {pastWords[who]}
          </option>
        ))}
      </Select>
      <TextButton
        className="text-ink-2 hover:underline"
        onClick={() => onChange({ ...value, past: value.past.filter((one) => one !== past) })}
      >
        leave out
      </TextButton>
    </p>
  );
}

/** Which of a series' dates the standings are of. */
function AboutDate({ value, onChange, choices }: Omit<Parameters<typeof AudiencePicker>[0], "find">) {
  return (
    <Field label="About the date">
      {(ids) => (
        <Select
          {...ids}
          value={value.dateId ?? ""}
          onChange={(event) => onChange({ ...value, dateId: event.target.value || null })}
        >
          <option value="">the next one</option>
          {choices.dates.map((one) => (
            <option key={one.id} value={one.id}>
              {one.words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

function MarkChoice({
  label,
  marks,
  chosen,
  onToggle,
}: {
  label: string;
  marks: readonly { readonly name: string; readonly count: number }[];
  chosen: readonly string[];
  onToggle: (name: string) => void;
}) {
  if (marks.length === 0) return null;
  return (
    <div role="group" aria-label={label}>
      <p className="text-label font-medium text-ink-2">{label}</p>
      <div className="flex max-h-40 flex-wrap gap-x-4 gap-y-1 overflow-y-auto">
        {marks.map((mark) => (
          <label key={mark.name} className="flex items-center gap-2">
            <Checkbox checked={chosen.includes(mark.name)} onChange={() => onToggle(mark.name)} />
            {mark.name} <span className="mono text-ink-2">{mark.count}</span>
          </label>
        ))}
      </div>
    </div>
  );
}

/** Whom a mailing goes to: standings, groups, tags, single contacts, earlier events, a pasted list; all of them added up. */
export function AudiencePicker({
  value,
  onChange,
  choices,
  find,
}: {
  value: Audience;
  onChange: (next: Audience) => void;
  choices: AudienceChoices;
  find: FindContacts;
}) {
  const toggle = <T,>(list: readonly T[], one: T): T[] =>
    list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
  return (
    <fieldset className="flex flex-col gap-3">
      <legend className="text-label font-medium text-ink-2">To</legend>
      {choices.dates.length > 1 && <AboutDate value={value} onChange={onChange} choices={choices} />}
      <div className="grid grid-cols-2 gap-x-4 gap-y-1">
        {(Object.keys(standingWords) as (keyof typeof standingWords)[]).map((one) => (
          <label key={one} className="flex items-center gap-2">
            <Checkbox
              checked={value.standing.includes(one)}
              onChange={() => onChange({ ...value, standing: toggle(value.standing, one) })}
            />
            {standingWords[one]}
          </label>
        ))}
      </div>
      <MarkChoice
        label="Groups of the contact book"
        marks={choices.groups}
        chosen={value.groups}
        onToggle={(name) => onChange({ ...value, groups: toggle(value.groups, name) })}
      />
      <MarkChoice
        label="Tags of the contact book"
        marks={choices.tags}
        chosen={value.tags}
        onToggle={(name) => onChange({ ...value, tags: toggle(value.tags, name) })}
      />
      <SingleContacts audience={value} known={choices.contacts} find={find} onChange={onChange} />
      {choices.pastEvents.length > 0 && (
        <Field label="Of an earlier event">
          {(ids) => (
            <div className="flex flex-col gap-1">
              <Select
                {...ids}
                value=""
                onChange={(event) => {
                  if (event.target.value)
                    onChange({ ...value, past: [...value.past, { eventId: event.target.value, who: "registered" }] });
                }}
              >
                <option value="">choose one to add</option>
                {choices.pastEvents
                  .filter((one) => !value.past.some((past) => past.eventId === one.id))
                  .map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.day} {one.title}
                    </option>
                  ))}
              </Select>
              {value.past.map((past) => (
                <PastEvent key={past.eventId} past={past} choices={choices} onChange={onChange} value={value} />
              ))}
            </div>
          )}
        </Field>
      )}
      <Field label="Pasted list" hint="Names and addresses as they come: one a line, or parted by commas.">
        {(ids) => (
          <Textarea
            {...ids}
            rows={3}
            className="mono"
            value={value.pasted}
            onChange={(event) => onChange({ ...value, pasted: event.target.value })}
          />
        )}
      </Field>
    </fieldset>
  );
}
