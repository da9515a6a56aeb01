"use client";
import { newPasswordInput, shortestPassword, type Done } from "@/contracts";
import { ContractForm, FormText, useContractForm } from "@/features/shared/contract-form";
import { Button } from "@/ui";

interface Chosen {
  password: string;
}

/** The new password of whoever forgot theirs. */
export function NewPassword({ save }: { save: (input: Chosen) => Promise<Done<void>> }) {
  const form = useContractForm<Chosen, void>({
    schema: newPasswordInput,
    initial: { password: "" },
    save,
    onSaved: () => undefined,
  });
  return (
    <ContractForm
      of={form}
      className="flex flex-col gap-3"
      act={
        <Button type="submit" weight="act" className="self-start" disabled={form.isPending}>
          Save, then sign in
        </Button>
      }
    >
      <FormText<Chosen>
        name="password"
        type="new-password"
        label="Choose a password"
        hint={`${shortestPassword} characters at least. You are signed out everywhere.`}
      />
    </ContractForm>
  );
}
