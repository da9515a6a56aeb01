"use client";
import type { Done } from "@/contracts";
import { useRouter } from "next/navigation";
import { useTransition } from "react";
import { Button, Confirm, toast } from "@/ui";

export interface ReplyLine {
  readonly name: string;
  readonly email: string;
  readonly reply: "coming" | "unsure" | "not-coming" | null;
  readonly isRegistered: boolean;
}

const words = { coming: "coming", unsure: "not sure", "not-coming": "not coming" } as const;

/** What the invited have said, and one act for those who said nothing. */
export function Replies({
  lines,
  counts,
  remind,
  mayEdit,
}: {
  lines: readonly ReplyLine[];
  counts: Readonly<Record<string, number>>;
  remind: () => Promise<Done<{ planned: number }>>;
  mayEdit: boolean;
}) {
  const router = useRouter();
  const [isPending, run] = useTransition();
  const open = counts["open"] ?? 0;
  return (
    <section className="mt-8" aria-label="Replies">
      <h2 className="text-head font-semibold">Replies</h2>
      <p className="mt-1 flex flex-wrap items-center gap-x-6 gap-y-1">
        {(["coming", "unsure", "not-coming"] as const).map((one) => (
          <span key={one}>
            <span className="mono text-lead">{counts[one] ?? 0}</span> {words[one]}
          </span>
        ))}
        <span>
          <span className="mono text-lead">{open}</span> not answered
        </span>
        {mayEdit && open > 0 && (
          <Confirm
            weight="act"
            trigger={<Button disabled={isPending}>Remind the {open} who have not answered</Button>}
            title={`Remind ${open}`}
            act="Remind them"
            onConfirm={() =>
              run(async () => {
                const done = await remind();
                if (done.ok) toast(`${done.value.planned} are reminded.`);
                else toast.error(done.words);
                router.refresh();
              })
            }
          >
            <p>Only those who neither answered nor registered. Whoever wants no mail gets none.</p>
          </Confirm>
        )}
      </p>
      {lines.length > 0 && (
        <ul className="mt-2 columns-2 gap-8">
          {lines.map((line) => (
            <li key={line.email} className="flex justify-between gap-3 border-b border-rule py-1">
              <span className="truncate" dir="auto">
                {line.name || line.email}
              </span>
              <span className={line.reply === null ? "text-ink-2" : ""}>
                {line.reply ? words[line.reply] : "–"}
                {line.isRegistered && " · registered"}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
