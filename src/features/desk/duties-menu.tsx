"use client";
import { duties as allDuties, type Duty } from "@/core/people";
import type { StagePersonItem } from "@/core/room";
import { dutyWords } from "@/features/shared/role-words";
import { Button, Menu, toast } from "@/ui";

/** Gives and takes duties in the middle of the hour. */
export type SetDuties = (
  ticketId: string,
  duties: readonly Duty[],
) => Promise<{ ok: true } | { ok: false; words: string }>;

/** What a crew member may do, given and taken one by one; it holds at their desk at once. */
export function DutiesMenu(props: { id: string; person: StagePersonItem; setDuties: SetDuties }) {
  const { person } = props;
  const turn = async (duty: Duty) => {
    const has = person.duties.includes(duty);
    const next = has ? person.duties.filter((one) => one !== duty) : [...person.duties, duty];
    const done = await props.setDuties(props.id, next);
    toast(done.ok ? `${person.name} ${has ? "no longer has" : "now has"}: ${dutyWords[duty]}.` : done.words);
  };
  return (
    <Menu
      trigger={
        <Button weight="plain" aria-label={`Duties of ${person.name}`}>
          Duties
        </Button>
      }
      items={allDuties.map((duty) => ({
        label: `${person.duties.includes(duty) ? "Take away" : "Give"}: ${dutyWords[duty]}`,
        onSelect: () => void turn(duty),
      }))}
    />
  );
}
