"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Note, Radio, Table, toast } from "@/ui";
import type { Contact } from "@/contracts";

type Taken = "name" | "email" | "company" | "phone" | "zone";
export interface Pair {
  readonly a: Contact;
  readonly b: Contact;
  readonly likeness: number;
}
type Merge = (choice: { keepId: string; goneId: string; takeFromGone: Taken[] }) => Promise<Done<void>>;
const fields: readonly { field: Exclude<Taken, "zone">; words: string }[] = [
  { field: "name", words: "Name" },
  { field: "email", words: "Mail address" },
  { field: "company", words: "Company" },
  { field: "phone", words: "Phone" },
];

/** Two contacts side by side; each word is chosen from one of them, then they become one. */
function PairRow({ pair, merge, onGone }: { pair: Pair; merge: Merge; onGone: () => void }) {
  const [chosen, setChosen] = useState<Partial<Record<Taken, "a" | "b">>>({});
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const side = (field: Taken): "a" | "b" => chosen[field] ?? "a";
  const submit = () =>
    run(async () => {
      const takeFromGone = fields
        .filter(({ field }) => side(field) === "b" && pair.a[field] !== pair.b[field])
        .map(({ field }) => field);
      const done = await merge({ keepId: pair.a.id, goneId: pair.b.id, takeFromGone });
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      toast("They are one person now.");
      onGone();
    });
  return (
    <li className="border-t border-rule py-3">
      <Table className="w-full table-fixed text-left">
        <tbody>
          {fields.map(({ field, words }) => (
            <tr key={field}>
              <th className="w-32 py-1 text-label font-medium text-ink-2">{words}</th>
              {(["a", "b"] as const).map((one) => (
                <td key={one} className="pr-3">
                  <label className="flex items-center gap-2">
                    <Radio
                      name={`${pair.a.id}${pair.b.id}${field}`}
                      checked={side(field) === one}
                      onChange={() => setChosen((before) => ({ ...before, [field]: one }))}
                      aria-label={`${words}: ${pair[one][field] || "nothing"}`}
                    />
                    <span className="truncate" dir="auto">
                      {pair[one][field] || "–"}
                    </span>
                  </label>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <div className="mt-2 flex items-center gap-3">
        <Button disabled={isPending} onClick={submit}>
          Make them one
        </Button>
        <span className="text-label text-ink-2">
          names alike to <span className="mono">{Math.round(pair.likeness * 100)} %</span>
        </span>
      </div>
    </li>
  );
}

/** Contacts that are likely one person, likeliest first. */
export function Duplicates({ pairs, most, merge }: { pairs: readonly Pair[]; most: number; merge: Merge }) {
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  const open = pairs.filter((pair) => !gone.has(pair.a.id) && !gone.has(pair.b.id));
  if (open.length === 0) return <p className="mt-3 text-ink-2">Nobody seems to be in the book twice.</p>;
  return (
    <>
      {pairs.length >= most && (
        <p className="mt-1 text-ink-2">The {most} likeliest. Find by name or address for others.</p>
      )}
      <ul className="mt-3 max-w-3xl">
        {open.map((pair) => (
          <PairRow
            key={pair.a.id + pair.b.id}
            pair={pair}
            merge={merge}
            onGone={() => setGone(new Set([...gone, pair.b.id]))}
          />
        ))}
      </ul>
    </>
  );
}
