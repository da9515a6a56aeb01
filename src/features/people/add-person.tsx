"use client";
import { useWatch } from "react-hook-form";
import { stagePersonInput, type Done, type StagePersonInput } from "@/contracts";
import { ContractForm, FormSelect, FormText, useContractForm } from "@/features/shared/contract-form";
import { roleWords } from "@/features/shared/role-words";
import { Button } from "@/ui";

const stageRoles = ["panelist", "crew", "interpreter", "captioner"] as const;
const fresh: StagePersonInput = { name: "", email: "", role: "panelist", duties: [], languages: null };

/** Puts somebody on the list by name and address; an interpreter with the pair of languages. */
export function AddPerson({ add }: { add: (input: unknown) => Promise<Done<void>> }) {
  const made = useContractForm<StagePersonInput, void>({
    schema: stagePersonInput,
    initial: fresh,
    save: add,
    onSaved: (_, __, form) => form.reset(fresh),
  });
  return (
    <ContractForm
      of={made}
      id="add-person"
      className="grid max-w-4xl items-start gap-3 md:grid-cols-[1fr_1fr_9rem_auto]"
    >
      <FormText<StagePersonInput> name="name" label="Name" />
      <FormText<StagePersonInput> name="email" label="Mail address" type="email" />
      <FormSelect<StagePersonInput>
        name="role"
        label="Comes as"
        options={stageRoles.map((role) => [role, roleWords[role]] as const)}
        onChosen={(role, form) => form.setValue("languages", role === "interpreter" ? ["en", ""] : null)}
      />
      <Button type="submit" weight="act" disabled={made.isPending} className="mt-5">
        Add to the event
      </Button>
      <Languages />
    </ContractForm>
  );
}

/** What an interpreter turns into what. */
function Languages() {
  const role = useWatch<StagePersonInput, "role">({ name: "role" });
  if (role !== "interpreter") return null;
  return (
    <div className="col-span-full grid gap-3 sm:grid-cols-[10rem_10rem]">
      <FormText<StagePersonInput> name="languages.0" label="From" hint="A language, as in: en" />
      <FormText<StagePersonInput> name="languages.1" label="Into" hint="As in: es, pt-BR" />
    </div>
  );
}
