"use client";
import { Controller, useFormContext, useWatch } from "react-hook-form";
import { slotPlanInput, type Done, type SlotPlanInput } from "@/contracts";
import { ContractForm, FormClock, FormText, useContractForm } from "@/features/shared/contract-form";
import { MomentField } from "@/features/shared/moment-field";
import { Button, Field, Select, toast } from "@/ui";
import { repeatOf, ruleFor, type Repeat } from "./repeats";

type Form = SlotPlanInput;
type Event = { readonly id: string; readonly title: string };

interface SlotFormProps {
  readonly zone: string;
  readonly todayLocal: string;
  readonly firstLocal: string;
  readonly events: readonly Event[];
  /** hours that are given out already, to be changed; null for new ones */
  readonly initial: SlotPlanInput | null;
  readonly save: (input: SlotPlanInput) => Promise<Done<unknown>>;
  readonly onSaved: () => void;
}

/** Whose hours these are; the title follows until somebody writes one of their own. */
function EventChoice({ events }: { events: readonly Event[] }) {
  const { setValue } = useFormContext<Form>();
  return (
    <Controller<Form, "forEventId">
      name="forEventId"
      render={({ field }) => (
        <Field label="For">
          {(ids) => (
            <Select
              {...ids}
              value={field.value ?? ""}
              onChange={({ target }) => {
                const event = events.find((one) => one.id === target.value);
                field.onChange(event?.id ?? null);
                setValue("title", event ? `Sound check: ${event.title}`.slice(0, 200) : "Open hour");
              }}
            >
              <option value="">anybody: open hours</option>
              {events.map((one) => (
                <option key={one.id} value={one.id}>
                  sound checks for {one.title}
                </option>
              ))}
            </Select>
          )}
        </Field>
      )}
    />
  );
}

/** How often the hours come again. */
function Repeats() {
  const startLocal = useWatch<Form, "startLocal">({ name: "startLocal" });
  const rule = useWatch<Form, "rule">({ name: "rule" });
  const { setValue } = useFormContext<Form>();
  const set = (repeat: Repeat) => setValue("rule", ruleFor(repeat, rule?.count ?? 4, startLocal));
  return (
    <>
      <Field label="Repeats">
        {(ids) => (
          <Select {...ids} value={repeatOf(rule)} onChange={(event) => set(event.target.value as Repeat)}>
            <option value="once">not</option>
            <option value="DAILY">every day</option>
            <option value="WEEKLY">every week</option>
          </Select>
        )}
      </Field>
      {rule && <FormText<Form> name="rule.count" label="Times" type="number" />}
    </>
  );
}

/** Bookable hours: tech checks for an event's stage, or open hours for anybody. */
export function SlotForm(props: SlotFormProps) {
  const isNew = props.initial === null;
  const made = useContractForm<Form, unknown>({
    schema: slotPlanInput,
    initial: props.initial ?? {
      title: "Open hour",
      startLocal: props.firstLocal,
      untilClock: "17:00",
      zone: props.zone,
      lengthMinutes: 20,
      pauseMinutes: 5,
      capacity: 1,
      rule: null,
      forEventId: null,
    },
    // a week's day follows the first moment, whatever was chosen first
    save: (input) =>
      props.save({ ...input, rule: ruleFor(repeatOf(input.rule), input.rule?.count ?? 1, input.startLocal) }),
    onSaved: () => {
      toast(isNew ? "The hours can be booked." : "Saved. What is booked stands as it was.");
      props.onSaved();
    },
  });
  const act = (
    <Button type="submit" weight="act" disabled={made.isPending} className="self-start">
      {isNew ? "Open them for booking" : "Save the hours"}
    </Button>
  );
  return (
    <ContractForm
      of={made}
      className="flex flex-col gap-3"
      aria-label={isNew ? "New hours" : "Change the hours"}
      act={act}
    >
      <EventChoice events={props.events} />
      <FormText<Form> name="title" label="Title" />
      <Controller<Form, "startLocal">
        name="startLocal"
        render={({ field }) => (
          <MomentField
            id="slotStart"
            label="First day and hour"
            value={field.value}
            onChange={field.onChange}
            todayLocal={props.todayLocal}
          />
        )}
      />
      <div className="grid grid-cols-2 gap-3">
        <FormClock<Form> name="untilClock" label="Until" />
        <FormText<Form> name="lengthMinutes" label="Minutes each" type="number" />
        <FormText<Form> name="pauseMinutes" label="Pause between, min" type="number" />
        <FormText<Form> name="capacity" label="People each" type="number" />
        <Repeats />
      </div>
    </ContractForm>
  );
}
