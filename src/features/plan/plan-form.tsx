"use client";
import { wordedResolver } from "@/features/shared/worded-resolver";
import { useState, type ReactNode } from "react";
import { Controller, FormProvider, useForm, useFormContext, useWatch } from "react-hook-form";
import { planInput, type PlanInput } from "@/contracts";
import { madeCode, strengthOf } from "@/core/front-door";
import { FormSelect } from "@/features/shared/contract-form";
import { readableText } from "@/core/shared";
import { holdsUnread } from "@/features/shared/unread";
import { DraftNote, useDraft } from "@/features/shared/use-draft";
import { Button, Field, Input, Note } from "@/ui";
import { AskToTell } from "./ask-to-tell";
import { Check, Text } from "./controls";
import { wordList } from "./word-list";
import { RichText } from "./rich-text";
import { RoomOptions } from "./room-options";
import { TwoWindows } from "./two-windows";
import { usePlanSaving, type PlanSaving } from "./use-plan-saving";
import { SeatsBeside, WhenSection, type WhenProps } from "./when-section";

export interface PlanFormProps extends WhenProps, PlanSaving {
  readonly initial: PlanInput;
  readonly version: number;
  /** people who would hear of a move */
  readonly holders: number;
  readonly onStage: number;
  readonly draftKey: string;
  readonly mayEdit: boolean;
  /** what follows from the plan, beside it */
  readonly beside?: ReactNode;
  /** ways to begin, above the plan; what they find is put into the same form */
  readonly before?: ReactNode;
}

/** Who may come, and how. */
function WhoMayCome() {
  const isPrivate = useWatch<PlanInput, "isPrivate">({ name: "isPrivate" });
  const approval = useWatch<PlanInput, "approval">({ name: "approval" });
  return (
    <section
      id="who"
      className="grid grid-cols-1 gap-4 border-t border-rule pt-4 sm:grid-cols-2"
      aria-label="Who may come"
    >
      <Text
        name="houseSize"
        label="Seats"
        type="number"
        hint="People in the room at once. Stage people and test guests take no seat."
      />
      <Text
        name="registrationLimit"
        label="Registration limit"
        type="number"
        nullable
        hint="Empty: none. Beyond it people go to the waiting list."
      />
      <FormSelect<PlanInput>
        name="entryBy"
        label="People come"
        options={[
          ["registration", "by registration: their ticket comes by mail"],
          ["open-link", "by the open link: a name is enough"],
        ]}
      />
      <FormSelect<PlanInput>
        name="approval"
        label="Registrations are taken"
        options={[
          ["at-once", "at once"],
          ["by-hand", "after somebody has looked at them"],
        ]}
      />
      {approval === "by-hand" && <Domains />}
      <div className="flex flex-col justify-center">
        <Check name="isPrivate" label="Private: an access code opens the page" />
      </div>
      {isPrivate && <AccessCode />}
    </section>
  );
}

/** Who is taken at once though the others wait to be looked at. */
function Domains() {
  const { register, formState } = useFormContext<PlanInput>();
  return (
    <Field
      label="Taken at once all the same"
      hint="Domains of addresses, as in: example.org."
      error={formState.errors.approvedDomains?.message as string | undefined}
      id="approvedDomains"
    >
      {(ids) => (
        <Input
          {...ids}
          {...register("approvedDomains", {
            setValueAs: wordList,
          })}
        />
      )}
    </Field>
  );
}

function AccessCode() {
  const { setValue } = useFormContext<PlanInput>();
  const code = useWatch<PlanInput, "accessCode">({ name: "accessCode" }) ?? "";
  const make = () => {
    const chance = () => crypto.getRandomValues(new Uint32Array(1))[0]! / 2 ** 32;
    setValue(
      "accessCode",
      madeCode((length) => readableText(length, chance)),
      { shouldDirty: true, shouldValidate: true },
    );
  };
  return (
    <div className="flex items-start gap-2">
      <Text
        name="accessCode"
        label="Access code"
        nullable
        className="flex-1"
        hint={`Mails carry it. ${code ? `Strength: ${strengthOf(code)}.` : ""}`}
      />
      <Button className="mt-5" onClick={make}>
        Make a code
      </Button>
    </div>
  );
}

const sections = [
  ["title", "Title and words"],
  ["when", "When"],
  ["who", "Who may come"],
  ["room", "In the room"],
] as const;

/** What follows from the plan, in view while it is written: seats at that hour, the audience to expect, the way through it. */
function Beside(props: Pick<PlanFormProps, "isNew" | "occurrenceId" | "askSeats" | "beside">) {
  return (
    <aside aria-label="What follows" className="flex flex-col gap-4 lg:sticky lg:top-4">
      <nav aria-label="Parts of the plan">
        <ul className="flex flex-wrap gap-x-4 gap-y-1 border-b border-rule pb-2">
          {sections.map(([id, words]) => (
            <li key={id}>
              <a href={`#${id}`}>{words}</a>
            </li>
          ))}
        </ul>
      </nav>
      <SeatsBeside isNew={props.isNew} occurrenceId={props.occurrenceId} askSeats={props.askSeats} />
      {props.beside}
    </aside>
  );
}

/** Whether saving moves the one date that people hold. */
const hasMoved = (before: PlanInput, after: PlanInput): boolean =>
  after.shape === "one-date" &&
  (after.startLocal !== before.startLocal ||
    after.zone !== before.zone ||
    after.durationMinutes !== before.durationMinutes);

export function PlanForm(props: PlanFormProps) {
  const form = useForm<PlanInput>({
    resolver: wordedResolver(planInput),
    defaultValues: props.initial,
    mode: "onBlur",
  });
  const { control, formState, reset, getValues } = form;
  const draft = useDraft<PlanInput>(props.draftKey, getValues, formState.isDirty, (kept) =>
    reset({ ...getValues(), ...kept }, { keepDefaultValues: true }),
  );
  const saving = usePlanSaving(form, draft, props);
  // the input whose saving moves a date that people hold
  const [asked, setAsked] = useState<PlanInput | null>(null);
  const submit = form.handleSubmit((input) => {
    if (props.holders > 0 && hasMoved(saving.base.plan, input)) setAsked(input);
    else saving.send(input, false);
  });
  return (
    <FormProvider {...form}>
      {props.before}
      <form
        onSubmit={(event) => {
          if (holdsUnread(event.currentTarget)) event.preventDefault();
          else void submit(event);
        }}
        className="grid items-start gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_21rem]"
        noValidate
      >
        <div className="flex min-w-0 flex-col gap-5">
          <DraftNote draft={draft} />
          <fieldset disabled={!props.mayEdit} className="contents">
            <Text name="title" label="Title" />
            <div id="description">
              <p className="mb-1 text-label font-medium text-ink-2">Description</p>
              <Controller
                control={control}
                name="descriptionHtml"
                render={({ field }) => <RichText value={field.value} onChange={field.onChange} label="Description" />}
              />
            </div>
            <WhenSection
              cities={props.cities}
              todayLocal={props.todayLocal}
              isNew={props.isNew}
              occurrenceId={props.occurrenceId}
              askSeats={props.askSeats}
            />
            <WhoMayCome />
            <RoomOptions onStage={props.onStage} />
            {saving.other && (
              <TwoWindows base={saving.base.plan} mine={getValues()} other={saving.other} onChosen={saving.goOn} />
            )}
            {saving.wrong && <Note tone="wrong">{saving.wrong}</Note>}
            {props.mayEdit && (
              <div className="sticky bottom-0 z-10 flex items-center gap-3 border-t border-rule bg-ground py-2">
                <Button type="submit" weight="act" disabled={saving.isPending || saving.other !== null}>
                  {props.isNew ? "Make the event" : "Save the plan"}
                </Button>
                {formState.isDirty && <span className="text-ink-2">Not saved yet; kept in this browser.</span>}
              </div>
            )}
          </fieldset>
        </div>
        <Beside {...props} />
        {asked && (
          <AskToTell
            holders={props.holders}
            input={asked}
            onClose={() => setAsked(null)}
            onSave={(tellPeople) => saving.send(asked, tellPeople)}
          />
        )}
      </form>
    </FormProvider>
  );
}
