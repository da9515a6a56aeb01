"use client";
import { Controller } from "react-hook-form";
import { publicationInput, type Done, type PublicationInput } from "@/contracts";
import { cityOf, instantOf, wallTimeAt } from "@/core/time";
import { ContractForm, FormCheck, FormSelect, useContractForm } from "@/features/shared/contract-form";
import { MomentField } from "@/features/shared/moment-field";
import { Button, toast } from "@/ui";

interface Clock {
  /** of the date: hours are typed and meant there */
  readonly zone: string;
  readonly now: number;
}

function Moment(props: { name: "from" | "until"; label: string; hint: string; clock: Clock }) {
  const { zone, now } = props.clock;
  const localAt = (at: number): string => wallTimeAt(at, zone).local;
  return (
    <Controller<PublicationInput, "from" | "until">
      name={props.name}
      render={({ field, fieldState }) => (
        <MomentField
          label={props.label}
          hint={props.hint}
          error={fieldState.error?.message}
          isOptional
          value={typeof field.value === "number" ? localAt(field.value) : ""}
          onChange={(local) => field.onChange(local === "" ? null : instantOf({ local, zone }))}
          todayLocal={localAt(now)}
        />
      )}
    />
  );
}

/** From when until when a recording can be watched, for whom, and who hears of it. */
export function Publishing(props: { clock: Clock; publish: (input: PublicationInput) => Promise<Done<unknown>> }) {
  const { clock, publish } = props;
  const inZone = `, hour in ${cityOf(clock.zone)}`;
  const made = useContractForm<PublicationInput, unknown>({
    schema: publicationInput,
    initial: { from: null, until: null, audience: "everyone", tells: false },
    save: publish,
    onSaved: () => toast("Published."),
  });
  const isLater = made.form.watch("from") !== null;
  return (
    <ContractForm
      of={made}
      aria-label="Publish the recording"
      className="flex w-full flex-wrap items-start gap-x-4 gap-y-3"
      act={
        <span className="basis-full">
          <Button type="submit" weight="act" disabled={made.isPending}>
            {isLater ? "Publish from then on" : "Publish now"}
          </Button>
        </span>
      }
    >
      <FormSelect<PublicationInput>
        name="audience"
        label="For"
        options={[
          ["everyone", "everyone: listed on the public page"],
          ["link", "whoever has its address"],
          ["registrants", "people who registered"],
        ]}
      />
      <Moment name="from" label={`From${inZone}`} hint="Empty: now" clock={clock} />
      <Moment name="until" label={`Until${inZone}`} hint="Empty: as long as it is kept" clock={clock} />
      <span className="basis-full">
        <FormCheck<PublicationInput> name="tells" label="tell everybody registered by mail, once it can be watched" />
      </span>
    </ContractForm>
  );
}
