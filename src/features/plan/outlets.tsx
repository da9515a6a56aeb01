"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { OutletState } from "@/core/programme";
import { mostOutlets, outletInput, type Done, type OutletInput, type OutletLine } from "@/contracts";
import { ContractForm, FormText, useContractForm } from "@/features/shared/contract-form";
import { Button, Confirm, Note, Switch } from "@/ui";

/** How it goes with another place, in words. */
const outletWords: Readonly<Record<OutletState, string>> = {
  waits: "nothing is sent there now",
  begins: "it begins",
  sends: "gets the programme",
  refused: "does not take it; tried again",
  unable: "the server lacks the program that sends (ffmpeg)",
};

interface Acts {
  readonly add: (input: OutletInput) => Promise<Done<void>>;
  readonly turn: (id: string, isOn: boolean) => Promise<Done<void>>;
  readonly remove: (id: string) => Promise<Done<void>>;
}

function OneOutlet({ outlet, acts }: { outlet: OutletLine; acts: Acts }) {
  const router = useRouter();
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const act = (one: () => Promise<Done<void>>) =>
    run(async () => {
      const done = await one();
      setWrong(done.ok ? null : done.words);
      router.refresh();
    });
  return (
    <li className="border-t border-rule py-1.5">
      <div className="flex items-center gap-3">
        <div className="min-w-0 flex-1">
          <Switch
            label={outlet.name}
            hint={<span className="mono break-all">{outlet.address}</span>}
            isOn={outlet.isOn}
            isDisabled={isPending}
            onChange={(isOn) => act(() => acts.turn(outlet.id, isOn))}
          />
        </div>
        {outlet.isOn && <span className="text-label text-ink-2">{outletWords[outlet.state]}</span>}
        <Confirm
          trigger={<Button weight="plain">Remove</Button>}
          title={`Send no more to ${outlet.name}`}
          act="Remove"
          onConfirm={() => act(() => acts.remove(outlet.id))}
        >
          <p>Its address and its key are forgotten.</p>
        </Confirm>
      </div>
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </li>
  );
}

/** Other places on the net that the programme is sent to while the doors are open. */
export function Outlets({ outlets, acts }: { outlets: readonly OutletLine[]; acts: Acts }) {
  const router = useRouter();
  const made = useContractForm<OutletInput, void>({
    schema: outletInput,
    initial: { name: "", address: "", key: "" },
    save: acts.add,
    onSaved: (_, __, form) => {
      form.reset();
      router.refresh();
    },
  });
  return (
    <section aria-label="Sent to other places" className="mt-8 border-t border-rule pt-4">
      <h2 className="text-head font-semibold">Sent to other places</h2>
      <p className="text-ink-2">
        While the doors are open the programme goes to these live services too, with the holding picture while the
        curtain is down. A rehearsal goes nowhere.
      </p>
      <ul className="mt-2">
        {outlets.map((one) => (
          <OneOutlet key={one.id} outlet={one} acts={acts} />
        ))}
      </ul>
      {outlets.length < mostOutlets && (
        <ContractForm
          of={made}
          className="mt-2 grid grid-cols-[1fr_1.6fr_1fr_auto] items-start gap-3 max-lg:grid-cols-1"
          act={
            <Button type="submit" disabled={made.isPending} className="mt-5">
              Add
            </Button>
          }
        >
          <FormText<OutletInput> name="name" label="Name of the place" />
          <FormText<OutletInput>
            name="address"
            label="Its address"
            hint="As the service shows it: rtmps://live.example.org/stage"
          />
          <FormText<OutletInput> name="key" label="Its stream key" type="new-password" hint="Shown to nobody again." />
        </ContractForm>
      )}
    </section>
  );
}
