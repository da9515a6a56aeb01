"use client";
import type { Done, EventDraft, PlanInput } from "@/contracts";
import { useState } from "react";
import { TextButton } from "@/ui";
import { FromEntry } from "./from-entry";
import { PlanForm, type PlanFormProps } from "./plan-form";
import { TimeForAll, type TimeForAllActs } from "./time-for-all";

type Refused = Extract<Done<never>, { ok: false }>;
interface Person {
  readonly name: string;
  readonly email: string;
}

/** Who comes onto the stage list with the new event. */
function OnTheList({ people, onChange }: { people: readonly Person[]; onChange: (people: readonly Person[]) => void }) {
  if (people.length === 0) return null;
  return (
    <div role="status" className="mb-5 flex flex-col gap-1">
      <p className="text-label text-ink-2">These come onto the stage list as panelists. Nobody is written to.</p>
      <ul className="flex flex-wrap gap-2">
        {people.map((person) => (
          <li key={person.email} className="bg-raised px-2 py-1">
            {person.name} <span className="text-label text-ink-2">{person.email}</span>{" "}
            <TextButton
              className="text-label underline"
              onClick={() => onChange(people.filter((one) => one !== person))}
            >
              leave out
            </TextButton>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** A new plan: empty, begun from an entry of somebody's calendar or from an hour that suits several; a template has filled it before. */
export function NewEvent(
  props: Omit<
    PlanFormProps,
    "isNew" | "version" | "holders" | "onStage" | "save" | "current" | "mayEdit" | "before"
  > & {
    read: (data: FormData) => Promise<Done<EventDraft>>;
    findTime: TimeForAllActs;
    create: (input: PlanInput, people: readonly Person[]) => Promise<Refused>;
  },
) {
  const { read, create, findTime, ...form } = props;
  const [people, setPeople] = useState<readonly Person[]>([]);
  const [isFinding, setFinding] = useState(false);
  const add = (found: readonly Person[]) =>
    setPeople([
      ...people,
      ...found
        .filter((one) => !people.some((known) => known.email === one.email))
        .map(({ name, email }) => ({ name, email })),
    ]);
  return (
    <PlanForm
      {...form}
      isNew
      mayEdit
      version={0}
      holders={0}
      onStage={1 + people.length}
      save={(_version, input) => create(input, people)}
      current={() => Promise.reject(new Error("a new plan has no other version"))}
      before={
        <>
          <div className="mb-5 flex flex-col gap-2 border-l-2 border-rule pl-4">
            <details>
              <summary className="cursor-pointer text-ink-2">Begin from a calendar file or pasted text</summary>
              <FromEntry read={read} onPeople={add} />
            </details>
            <details open={isFinding} onToggle={(event) => setFinding(event.currentTarget.open)}>
              <summary className="cursor-pointer text-ink-2">Find a time that suits several people first</summary>
              <TimeForAll
                acts={findTime}
                todayLocal={props.todayLocal}
                onTaken={(found) => {
                  add(found);
                  // the plan itself is what comes next
                  setFinding(false);
                }}
              />
            </details>
          </div>
          <OnTheList people={people} onChange={setPeople} />
        </>
      }
    />
  );
}
