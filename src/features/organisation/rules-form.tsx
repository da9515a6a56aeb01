"use client";
import { Controller } from "react-hook-form";
import { houseRulesInput, type Done } from "@/contracts";
import type { HouseRules } from "@/core/organisation";
import { ContractForm, FormCheck, FormClock, FormText, useContractForm } from "@/features/shared/contract-form";
import { Button, Field, Input, Textarea, toast } from "@/ui";
import { phoneLines, readDomains, readPhoneLines } from "./rules-words";

const numbers = [
  ["longestMinutes", "Longest date, min"],
  ["largestHouse", "Most seats of an event"],
  ["mostOnStage", "Most people on stage"],
  ["overrunMinutes", "A licence is kept after the end, min"],
] as const;
const clocks = [
  ["earliestStart", "Starts from"],
  ["latestStart", "Starts until"],
] as const;
const proposals = [
  ["proposed.durationMinutes", "Length, min"],
  ["proposed.houseSize", "Seats"],
  ["proposed.callMinutes", "Call ahead, min"],
] as const;

/** A list that is typed as one text: shown as typed until the field is left. */
function Lists() {
  return (
    <>
      <Controller<HouseRules, "ownDomains">
        name="ownDomains"
        render={({ field, fieldState, formState }) => (
          <Field
            label="Own mail domains"
            hint="With commas between."
            error={fieldState.error?.message ?? firstOf(formState.errors.ownDomains)}
          >
            {(ids) => (
              <Input
                {...ids}
                defaultValue={field.value.join(", ")}
                onChange={(event) => field.onChange(readDomains(event.target.value))}
              />
            )}
          </Field>
        )}
      />
      <Controller<HouseRules, "phoneNumbers">
        name="phoneNumbers"
        render={({ field, fieldState, formState }) => (
          <Field
            label="Phone numbers by country"
            hint="One a line, as in: Portugal: +351 30 000 0000"
            error={fieldState.error?.message ?? firstOf(formState.errors.phoneNumbers)}
          >
            {(ids) => (
              <Textarea
                {...ids}
                rows={3}
                className="mono"
                defaultValue={phoneLines(field.value)}
                onChange={(event) => field.onChange(readPhoneLines(event.target.value))}
              />
            )}
          </Field>
        )}
      />
    </>
  );
}

/** What is wrong with the first wrong item of a list. */
function firstOf(errors: unknown): string | undefined {
  const [first] = Array.isArray(errors) ? errors.filter(Boolean) : [];
  const { message, ...parts } = (first ?? {}) as { message?: string } & Record<string, { message?: string }>;
  return message ?? Object.values(parts).find((part) => typeof part === "object" && part?.message)?.message;
}

/** The house's limits and what a new plan begins with. */
export function RulesForm({
  initial,
  mayEdit,
  save,
}: {
  initial: HouseRules;
  mayEdit: boolean;
  save: (rules: unknown) => Promise<Done<void>>;
}) {
  const made = useContractForm<HouseRules, void>({
    schema: houseRulesInput,
    initial,
    save,
    onSaved: () => toast("Saved."),
  });
  const act = mayEdit && (
    <Button type="submit" weight="act" className="mt-3" disabled={made.isPending}>
      Save the rules
    </Button>
  );
  return (
    <section aria-label="Organisation">
      <h2 className="text-head font-semibold">Rules</h2>
      <p className="text-ink-2">
        Beyond a limit a plan is refused with the figure; more seats are asked for on the plan.
      </p>
      <ContractForm of={made} act={act}>
        <fieldset disabled={!mayEdit} className="mt-2 flex flex-col gap-3">
          <div className="grid grid-cols-2 gap-3">
            {numbers.map(([name, label]) => (
              <FormText<HouseRules> key={name} name={name} label={label} type="number" />
            ))}
            {clocks.map(([name, label]) => (
              <FormClock<HouseRules> key={name} name={name} label={label} />
            ))}
          </div>
          <p className="text-label font-medium text-ink-2">A new plan begins with</p>
          <div className="grid grid-cols-3 gap-3">
            {proposals.map(([name, label]) => (
              <FormText<HouseRules> key={name} name={name} label={label} type="number" />
            ))}
          </div>
          <FormCheck<HouseRules> name="guestsFromOutside" label="People from outside our own mail domains may come" />
          <Lists />
        </fieldset>
      </ContractForm>
    </section>
  );
}
