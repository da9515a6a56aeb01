"use client";
import { useSay } from "@/features/shared/say/say";
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
  const say = useSay();
  const { person } = props;
  const turn = async (duty: Duty) => {
    const has = person.duties.includes(duty);
    const next = has ? person.duties.filter((one) => one !== duty) : [...person.duties, duty];
    const done = await props.setDuties(props.id, next);
    toast(
      done.ok
        ? has
          ? say`${person.name} no longer has: ${say.of(dutyWords[duty])}.`
          : say`${person.name} now has: ${say.of(dutyWords[duty])}.`
        : done.words,
    );
  };
  return (
    <Menu
      trigger={
        <Button weight="plain" aria-label={say`Duties of ${person.name}`}>
          {say`Duties`}
        </Button>
      }
      items={allDuties.map((duty) => ({
        label: person.duties.includes(duty)
          ? say`Take away: ${say.of(dutyWords[duty])}`
          : say`Give: ${say.of(dutyWords[duty])}`,
        onSelect: () => void turn(duty),
      }))}
    />
  );
}
