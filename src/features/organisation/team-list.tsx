"use client";
import { useState, useTransition } from "react";
import { teamInviteInput, type Done, type InvitationLine, type TeamLine } from "@/contracts";
import type { Standing } from "@/core/people";
import { shortDate } from "@/core/time";
import { ContractForm, FormSelect, FormText, useContractForm } from "@/features/shared/contract-form";
import { Badge, Button, Confirm, DataTable, Note, Person, Select, toast, type Column } from "@/ui";
import { standingMeans, standingWords } from "./standing-words";

export interface TeamActs {
  readonly invite: (input: { name: string; email: string; standing: Standing }) => Promise<Done<void>>;
  readonly withdraw: (invitationId: string) => Promise<Done<void>>;
  readonly setStanding: (userId: string, standing: Standing) => Promise<Done<void>>;
  readonly remove: (userId: string) => Promise<Done<void>>;
}

const letterWords: Record<InvitationLine["letter"], string> = {
  planned: "the mail is on its way",
  sent: "the mail was sent",
  failed: "the mail did not arrive",
};
const standingChoices = Object.entries(standingWords) as [Standing, string][];

function Invite({ invite }: Pick<TeamActs, "invite">) {
  const initial = { name: "", email: "", standing: "producer" as Standing };
  const form = useContractForm({
    schema: teamInviteInput,
    initial,
    save: invite,
    onSaved: (_, input, { reset }) => {
      reset(initial);
      toast(`${input.name} gets a mail with a link to choose a password.`);
    },
  });
  const standing = form.form.watch("standing");
  return (
    <ContractForm
      of={form}
      aria-label="Invite into the team"
      className="mt-3 grid items-start gap-3 border-t border-rule pt-3 sm:grid-cols-[1fr_1fr_10rem_auto]"
      act={
        <Button type="submit" weight="act" disabled={form.isPending} className="mt-5 self-start">
          Invite
        </Button>
      }
    >
      <FormText<typeof initial> name="name" label="Name" />
      <FormText<typeof initial> name="email" label="Mail address" type="email" />
      <FormSelect<typeof initial> name="standing" label="As" options={standingChoices} hint={standingMeans[standing]} />
    </ContractForm>
  );
}

function useAct() {
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const act = (doIt: () => Promise<Done<void>>, said: string) =>
    run(async () => {
      const done = await doIt();
      setWrong(done.ok ? null : done.words);
      if (done.ok) toast(said);
    });
  return { wrong, isPending, act };
}

/** Who was asked and has not come yet. */
function Invited({
  invitations,
  zone,
  isPending,
  act,
  acts,
}: {
  invitations: readonly InvitationLine[];
  zone: string;
  isPending: boolean;
  act: (doIt: () => Promise<Done<void>>, said: string) => void;
  acts: TeamActs;
}) {
  return (
    <ul aria-label="Invited" className="mt-2">
      {invitations.map((one) => (
        <li key={one.id} className="flex flex-wrap items-center gap-x-3 border-t border-rule py-1.5">
          <span className="min-w-0 flex-1">
            {one.name} <span className="text-ink-2">{one.email}</span>{" "}
            <Badge tone={one.letter === "failed" ? "wrong" : "plain"}>invited</Badge>
            <span className="block text-label text-ink-2">
              as {standingWords[one.standing].toLowerCase()}; {letterWords[one.letter]}; until{" "}
              {shortDate(one.expiresAt, zone)}
            </span>
          </span>
          <Button
            weight="plain"
            disabled={isPending}
            onClick={() =>
              act(() => acts.invite({ name: one.name, email: one.email, standing: one.standing }), "Sent again.")
            }
          >
            Send again
          </Button>
          <Button
            weight="plain"
            disabled={isPending}
            onClick={() => act(() => acts.withdraw(one.id), "The invitation is taken back.")}
          >
            Take back
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** Who signs in here, as what; asking somebody in, and letting them go. */
export function TeamList({
  team,
  invitations,
  mayEdit,
  zone,
  acts,
}: {
  team: readonly TeamLine[];
  invitations: readonly InvitationLine[];
  mayEdit: boolean;
  zone: string;
  acts: TeamActs;
}) {
  const { wrong, isPending, act } = useAct();
  const columns: readonly Column<TeamLine>[] = [
    {
      id: "name",
      head: "Name",
      value: (row) => row.name,
      cell: (row) => <Person name={row.name} about={row.isMe ? "you" : row.email} />,
    },
    {
      id: "standing",
      head: "In the team as",
      value: (row) => row.standing,
      cell: (row) =>
        mayEdit ? (
          <Select
            aria-label={`${row.name} is`}
            className="w-36!"
            value={row.standing}
            disabled={isPending}
            onChange={(event) =>
              act(
                () => acts.setStanding(row.userId, event.target.value as Standing),
                `${row.name}: ${standingWords[event.target.value as Standing].toLowerCase()}.`,
              )
            }
          >
            {standingChoices.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </Select>
        ) : (
          standingWords[row.standing]
        ),
    },
    {
      id: "acts",
      head: "",
      className: "text-end",
      cell: (row) =>
        (mayEdit || row.isMe) && (
          <Confirm
            trigger={<Button weight="plain">{row.isMe ? "Leave the team" : "Remove"}</Button>}
            title={row.isMe ? "Leave the team?" : `Remove ${row.name} from the team?`}
            act={row.isMe ? "Leave" : "Remove"}
            onConfirm={() => act(() => acts.remove(row.userId), `${row.name} is not of the team any more.`)}
          >
            {row.isMe ? "You are" : "They are"} signed out everywhere. What {row.isMe ? "you" : "they"} planned stays.
          </Confirm>
        ),
    },
  ];
  return (
    <section aria-label="Team" id="team">
      <h2 className="text-head font-semibold">
        Team <span className="mono text-ink-2">{team.length}</span>
      </h2>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <DataTable label="Team" rows={team} columns={columns} keyOf={(row) => row.userId} empty={null} />
      {mayEdit && invitations.length > 0 && (
        <Invited invitations={invitations} zone={zone} isPending={isPending} act={act} acts={acts} />
      )}
      {mayEdit && <Invite invite={acts.invite} />}
    </section>
  );
}
