"use client";
import { useState } from "react";
import type { PlanInput } from "@/contracts";
import { Button, ChoiceBar } from "@/ui";
import { comparePlans, mergedPlan, type PlanField } from "./compare-plans";
import { planFieldWords, planValueWords } from "./plan-words";

export interface OtherPlan {
  readonly version: number;
  readonly plan: PlanInput;
}

const listed = (fields: readonly PlanField[]): string => fields.map((field) => planFieldWords[field]).join(", ");

/** What somebody else saved meanwhile beside what stands here: each field is taken over or kept, then saving works. */
export function TwoWindows({
  base,
  mine,
  other,
  onChosen,
}: {
  base: PlanInput;
  mine: PlanInput;
  other: OtherPlan;
  onChosen: (plan: PlanInput) => void;
}) {
  const [kept, setKept] = useState<ReadonlySet<PlanField>>(new Set());
  const compared = comparePlans(base, mine, other.plan);
  const choose = (field: PlanField, whose: string) => {
    const next = new Set(kept);
    if (whose === "mine") next.add(field);
    else next.delete(field);
    setKept(next);
  };
  return (
    <section
      aria-label="Saved meanwhile"
      className="flex flex-col gap-3 border-s-4 border-attention bg-attention-ground p-4"
    >
      <h3 className="text-lead font-semibold">Somebody else saved this plan meanwhile</h3>
      {compared.theirs.length > 0 && <p>Taken over from them: {listed(compared.theirs)}.</p>}
      {compared.mine.length > 0 && <p>Kept from here: {listed(compared.mine)}.</p>}
      {compared.both.map((field) => (
        <div key={field}>
          <p className="font-medium">{planFieldWords[field]}</p>
          <ChoiceBar
            label={planFieldWords[field]}
            isStacked
            choices={[
              { value: "theirs", label: `Theirs: ${planValueWords(field, other.plan)}` },
              { value: "mine", label: `Yours: ${planValueWords(field, mine)}` },
            ]}
            value={kept.has(field) ? "mine" : "theirs"}
            onChange={(whose) => choose(field, whose)}
          />
        </div>
      ))}
      <Button
        weight="act"
        className="self-start"
        onClick={() => onChosen(mergedPlan(compared, mine, other.plan, kept))}
      >
        Go on with these
      </Button>
    </section>
  );
}
