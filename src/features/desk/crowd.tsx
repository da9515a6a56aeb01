"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { mostInvented, tempers, type Temper } from "@/core/crowd";
import { Button, Confirm, Drawer, Field, Input, Note, Select, toast } from "@/ui";
import type { DeskScene } from "./scene";

type Done = { ok: true } | { ok: false; words: string };
/** How a rehearsal gets its invented audience and loses it again. */
export interface CrowdActs {
  fill(input: { size: number; temper: Temper; seed?: number }): Promise<Done>;
  empty(): Promise<Done>;
}

const temperWords: Readonly<Record<Temper, string>> = {
  calm: phrase("calm: few ask, few write"),
  lively: phrase("lively: as an interested evening is"),
  unruly: phrase("unruly: more than anybody can follow"),
};

function FillForm({ acts, onDone }: { acts: CrowdActs; onDone: () => void }) {
  const say = useSay();
  const [size, setSize] = useState("120");
  const [temper, setTemper] = useState<Temper>("lively");
  const [seed, setSeed] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const fill = async () => {
    setBusy(true);
    const done = await acts.fill({ size: Number(size), temper, ...(seed.trim() === "" ? {} : { seed: Number(seed) }) });
    setBusy(false);
    if (done.ok) onDone();
    else setWrong(done.words);
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isBusy) void fill();
      }}
    >
      <Field label={say`How many, up to ${mostInvented}`}>
        {(ids) => (
          <Input
            {...ids}
            type="number"
            min={1}
            max={mostInvented}
            value={size}
            onChange={(e) => setSize(e.target.value)}
          />
        )}
      </Field>
      <Field label={say`How much they do`}>
        {(ids) => (
          <Select {...ids} value={temper} onChange={(e) => setTemper(e.target.value as Temper)}>
            {tempers.map((one) => (
              <option key={one} value={one}>
                {say.of(temperWords[one])}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Field label={say`Number to repeat an audience by (empty: a new one)`}>
        {(ids) => <Input {...ids} type="number" min={0} value={seed} onChange={(e) => setSeed(e.target.value)} />}
      </Field>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Button type="submit" weight="act" className="self-start" disabled={isBusy}>
        {say`Fill the rehearsal`}
      </Button>
    </form>
  );
}

/** At a rehearsal's desk: that it is one, and the invented audience that it can be filled with. */
export function Crowd({ scene, acts }: { scene: DeskScene; acts: CrowdActs | null }) {
  const say = useSay();
  const [isOpen, setOpen] = useState(false);
  const event = scene.view.event["it"]!;
  if (!event.isRehearsal) return null;
  const isOver = scene.view.status["it"]?.phase === "ended";
  return (
    <section
      aria-label={say`Rehearsal`}
      className="flex items-center gap-3 border-s-4 border-attention bg-sheet px-3 py-2"
    >
      <p className="flex-1">
        <span className="font-semibold">{say`Rehearsal.`}</span>{" "}
        {event.crowdSize > 0
          ? say`The audience of ${event.crowdSize} is invented; it stands in no figure.`
          : say`Nobody of the audience sees it.`}
      </p>
      {acts &&
        !isOver &&
        (event.crowdSize > 0 ? (
          <Confirm
            trigger={<Button>{say`Send them home`}</Button>}
            title={say`Send the invented audience home?`}
            act={say`Send them home`}
            weight="act"
            onConfirm={() =>
              void acts.empty().then((done) => {
                if (!done.ok) toast(done.words);
              })
            }
          >
            <p>{say`What they asked, wrote and answered goes with them.`}</p>
          </Confirm>
        ) : (
          <Button onClick={() => setOpen(true)}>{say`Fill with an invented audience`}</Button>
        ))}
      {acts && (
        <Drawer
          title={say`An invented audience`}
          description={say`They come, ask, vote, raise hands and drop out like people do. Everything of it goes with the rehearsal.`}
          isOpen={isOpen}
          onOpenChange={setOpen}
        >
          <FillForm acts={acts} onDone={() => setOpen(false)} />
        </Drawer>
      )}
    </section>
  );
}
