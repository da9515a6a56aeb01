"use client";
import { recordStoreInput, type Done, type RecordStoreInput } from "@/contracts";
import { ContractForm, FormText, useContractForm } from "@/features/shared/contract-form";
import { Button, toast } from "@/ui";

/** Where statements of who attended and who passed are posted, for a school's or an association's own records. */
export function RecordStoreForm({
  store,
  save,
}: {
  store: { readonly url: string; readonly userName: string } | null;
  save: (values: RecordStoreInput) => Promise<Done<void>>;
}) {
  const made = useContractForm<RecordStoreInput, void>({
    schema: recordStoreInput,
    initial: { url: store?.url ?? "", userName: store?.userName ?? "", password: "" },
    save,
    onSaved: (_, { url }, form) => {
      form.setValue("password", "");
      toast(url === "" ? "No record store any more." : "Record store saved.");
    },
  });
  return (
    <section aria-label="Record store">
      <h2 className="text-head font-semibold">Record store for learning</h2>
      <p className="text-ink-2">
        Takes who attended and who passed as statements (xAPI 1.0.3), posted from a date’s credit. Leave the address
        empty for none.
      </p>
      <ContractForm
        of={made}
        className="mt-2 grid grid-cols-2 items-start gap-3"
        act={
          <Button type="submit" disabled={made.isPending} className="justify-self-start">
            Save the record store
          </Button>
        }
      >
        <FormText<RecordStoreInput>
          name="url"
          label="Address of the store"
          hint="Such as https://records.example.org/xapi"
          className="col-span-2"
        />
        <FormText<RecordStoreInput> name="userName" label="User name" />
        <FormText<RecordStoreInput>
          name="password"
          label="Password"
          type="new-password"
          hint={store ? "Empty: the one that was kept stays." : undefined}
        />
      </ContractForm>
    </section>
  );
}
