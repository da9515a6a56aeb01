"use client";
import { useState } from "react";
import { useFormContext, useWatch } from "react-hook-form";
import type { Done, PlanInput, SlotGrid, SlotQuestionAhead } from "@/contracts";
import { isZone, localWords, shiftLocal } from "@/core/time";
import { ContactSearch, type Contact, type FindContacts } from "@/features/shared/contact-search";
import { FindATime } from "@/features/shared/find-a-time/find-a-time";
import { Button, Field, Tag, toast } from "@/ui";

export interface TimeForAllActs {
  readonly findContacts: FindContacts;
  findTime(question: SlotQuestionAhead): Promise<Done<SlotGrid>>;
}

/** When several contacts are free, before there is an event: what is taken becomes the plan's start, they its panelists. */
export function TimeForAll({
  acts,
  todayLocal,
  onTaken,
}: {
  acts: TimeForAllActs;
  todayLocal: string;
  onTaken: (people: readonly Contact[]) => void;
}) {
  const [people, setPeople] = useState<readonly Contact[]>([]);
  const { control, setValue } = useFormContext<PlanInput>();
  const [typedZone, durationMinutes] = useWatch({ control, name: ["zone", "durationMinutes"] });
  const zone = isZone(typedZone) ? typedZone : "UTC";
  const take = (startLocal: string, minutes: number) => {
    setValue("startLocal", startLocal, { shouldDirty: true, shouldValidate: true });
    setValue("durationMinutes", minutes, { shouldDirty: true, shouldValidate: true });
    onTaken(people);
    toast(`The plan begins on ${localWords(startLocal)}.`);
  };
  return (
    <div className="mt-2 flex flex-col gap-3">
      <Field label="Who should be there" hint="Two letters of a name or an address are enough.">
        {(ids) => (
          <div className="flex max-w-xl flex-col gap-1.5">
            {people.length > 0 && (
              <ul className="flex flex-wrap gap-1.5" aria-label="Chosen contacts">
                {people.map((one) => (
                  <li key={one.id}>
                    <Tag
                      label={one.name || one.email}
                      removal={`Without ${one.name || one.email}`}
                      onRemove={() => setPeople(people.filter((other) => other !== one))}
                    />
                  </li>
                ))}
              </ul>
            )}
            <ContactSearch
              {...ids}
              find={acts.findContacts}
              isTaken={(id) => people.some((one) => one.id === id)}
              onTake={(one) => setPeople([...people, one])}
            />
          </div>
        )}
      </Field>
      {people.length > 0 && (
        <FindATime
          key={people.map((one) => one.id).join()}
          people={people.map((one) => ({ id: one.id, name: one.name || one.email, isRequired: true }))}
          zone={zone}
          fromLocal={shiftLocal(`${todayLocal.slice(0, 10)}T00:00`, 24 * 60)}
          durationMinutes={Number(durationMinutes) || 60}
          find={(question) => acts.findTime({ ...question, zone, personIds: people.map((one) => one.id) })}
          take={(startLocal, minutes) => (
            <Button weight="act" className="self-start" onClick={() => take(startLocal, minutes)}>
              Plan it for {localWords(startLocal)}
            </Button>
          )}
        />
      )}
    </div>
  );
}
