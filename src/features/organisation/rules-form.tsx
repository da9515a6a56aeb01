"use client";
import type { Done } from "@/contracts";
import type { Dispatch, SetStateAction } from "react";
import { useState, useTransition } from "react";
import type { HouseRules } from "@/core/organisation";
import { ClockInput } from "@/features/shared/clock-input";
import { Button, Checkbox, Field, Input, Note, Textarea, toast } from "@/ui";

const numbers = [
  ["longestMinutes", "Longest date, min"],
  ["largestHouse", "Largest house"],
  ["mostOnStage", "Most people on stage"],
  ["overrunMinutes", "A licence is kept after the end, min"],
] as const;
const clocks = [
  ["earliestStart", "Starts from"],
  ["latestStart", "Starts until"],
] as const;
const proposals = [
  ["durationMinutes", "Length, min"],
  ["houseSize", "House size"],
  ["callMinutes", "Call ahead, min"],
] as const;

const phoneLines = (rules: HouseRules) => rules.phoneNumbers.map((one) => `${one.country}: ${one.number}`).join("\n");
const readLines = (text: string) =>
  text
    .split("\n")
    .filter((line) => line.trim() !== "")
    .map((line) => {
      const [country = "", ...rest] = line.split(":");
      return { country: country.trim(), number: rest.join(":").trim() };
    });

function NumberFields({ rules, setRules }: { rules: HouseRules; setRules: Dispatch<SetStateAction<HouseRules>> }) {
  return (
    <div className="grid grid-cols-2 gap-3">
      {numbers.map(([key, label]) => (
        <Field key={key} label={label}>
          {(ids) => (
            <Input
              {...ids}
              type="number"
              className="mono"
              value={rules[key]}
              onChange={(event) => setRules({ ...rules, [key]: Number(event.target.value) })}
            />
          )}
        </Field>
      ))}
      {clocks.map(([key, label]) => (
        <Field key={key} label={label}>
          {(ids) => (
            <ClockInput
              {...ids}
              value={rules[key]}
              onChange={(clock) => clock && setRules({ ...rules, [key]: clock })}
            />
          )}
        </Field>
      ))}
    </div>
  );
}

function ProposalFields({ rules, setRules }: { rules: HouseRules; setRules: Dispatch<SetStateAction<HouseRules>> }) {
  return (
    <div className="grid grid-cols-3 gap-3">
      {proposals.map(([key, label]) => (
        <Field key={key} label={label}>
          {(ids) => (
            <Input
              {...ids}
              type="number"
              className="mono"
              value={rules.proposed[key]}
              onChange={(event) =>
                setRules({ ...rules, proposed: { ...rules.proposed, [key]: Number(event.target.value) } })
              }
            />
          )}
        </Field>
      ))}
    </div>
  );
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
  const [rules, setRules] = useState(initial);
  const [domains, setDomains] = useState(initial.ownDomains.join(", "));
  const [phones, setPhones] = useState(phoneLines(initial));
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const submit = () =>
    run(async () => {
      const done = await save({
        ...rules,
        ownDomains: domains.split(/[,\s]+/).filter(Boolean),
        phoneNumbers: readLines(phones),
      });
      setWrong(done.ok ? null : done.words);
      if (done.ok) toast("House rules saved.");
    });
  return (
    <section aria-label="House rules">
      <h2 className="text-head font-semibold">House rules</h2>
      <p className="text-ink-2">
        Beyond a limit a plan is refused with the figure; more seats are asked for on the plan.
      </p>
      <fieldset disabled={!mayEdit} className="mt-2 flex flex-col gap-3">
        <NumberFields rules={rules} setRules={setRules} />
        <p className="text-label font-medium text-ink-2">A new plan begins with</p>
        <ProposalFields rules={rules} setRules={setRules} />
        <label className="flex items-center gap-2">
          <Checkbox
            checked={rules.guestsFromOutside}
            onChange={(event) => setRules({ ...rules, guestsFromOutside: event.target.checked })}
          />{" "}
          People from outside our own mail domains may come
        </label>
        <Field label="Own mail domains" hint="With commas between.">
          {(ids) => <Input {...ids} value={domains} onChange={(event) => setDomains(event.target.value)} />}
        </Field>
        <Field label="Phone numbers by country" hint="One a line, as in: Portugal: +351 30 000 0000">
          {(ids) => (
            <Textarea
              {...ids}
              rows={3}
              className="mono"
              value={phones}
              onChange={(event) => setPhones(event.target.value)}
            />
          )}
        </Field>
        {wrong && <Note tone="wrong">{wrong}</Note>}
        {mayEdit && (
          <Button weight="act" className="self-start" disabled={isPending} onClick={submit}>
            Save the rules
          </Button>
        )}
      </fieldset>
    </section>
  );
}
