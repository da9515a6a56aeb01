"use client";
import { joinTeamInput, shortestPassword, type Done } from "@/contracts";
import { ContractForm, FormText, useContractForm } from "@/features/shared/contract-form";
import { Button } from "@/ui";

interface Joining {
  name: string;
  password: string;
}

/** The name and the password with which somebody comes into the team. */
export function JoinTeam({
  name,
  hasAccount,
  join,
}: {
  name: string;
  hasAccount: boolean;
  join: (input: Joining) => Promise<Done<void>>;
}) {
  const form = useContractForm<Joining, void>({
    schema: joinTeamInput,
    initial: { name, password: "" },
    save: join,
    onSaved: () => undefined,
  });
  return (
    <ContractForm
      of={form}
      className="flex flex-col gap-3"
      act={
        <Button type="submit" weight="act" className="self-start" disabled={form.isPending}>
          Join and sign in
        </Button>
      }
    >
      <FormText<Joining> name="name" label="Your name" />
      <FormText<Joining>
        name="password"
        type={hasAccount ? "current-password" : "new-password"}
        label={hasAccount ? "Your password" : "Choose a password"}
        hint={hasAccount ? "This address signs in here already." : `${shortestPassword} characters at least.`}
      />
    </ContractForm>
  );
}
