"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { holdsWords } from "@/core/shared";
import { shortDate } from "@/core/time";
import { Button, Checkbox, Dialog, Field, Input } from "@/ui";

/** Which dates stand beside this one. */
export function ChooseDates(props: {
  offered: readonly { readonly id: string; readonly title: string; readonly startAt: number; readonly zone: string }[];
  chosen: readonly string[];
  most: number;
}) {
  const router = useRouter();
  const [isOpen, setOpen] = useState(false);
  const [words, setWords] = useState("");
  const [ids, setIds] = useState<readonly string[]>(props.chosen);
  const turn = (id: string) => setIds(ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id]);
  const shown = props.offered.filter(({ title }) => holdsWords(title, words));
  return (
    <Dialog
      isOpen={isOpen}
      onOpenChange={setOpen}
      trigger={<Button>Choose dates …</Button>}
      title="Compare with"
      description={`At most ${props.most} further dates.`}
    >
      <Field label="Search">
        {(own) => <Input {...own} type="search" value={words} onChange={(event) => setWords(event.target.value)} />}
      </Field>
      <ul className="mt-2 max-h-72 overflow-y-auto">
        {shown.map((date) => (
          <li key={date.id}>
            <label className="flex items-center gap-2 border-t border-rule py-1">
              <Checkbox
                checked={ids.includes(date.id)}
                disabled={!ids.includes(date.id) && ids.length >= props.most}
                onChange={() => turn(date.id)}
              />
              <bdi className="min-w-0 flex-1 truncate">{date.title}</bdi>
              <span className="mono text-ink-2">{shortDate(date.startAt, date.zone)}</span>
            </label>
          </li>
        ))}
      </ul>
      <Button
        weight="act"
        className="mt-3"
        disabled={ids.length === 0}
        onClick={() => {
          router.push(`?with=${ids.join(",")}`);
          setOpen(false);
        }}
      >
        Compare
      </Button>
    </Dialog>
  );
}
