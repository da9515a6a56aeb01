"use client";
import type { Done } from "@/contracts";
import Link from "next/link";
import { useState, useTransition } from "react";
import { Button, Confirm, Input, toast } from "@/ui";

interface Template {
  readonly id: string;
  readonly name: string;
  readonly facts: string;
}

/** The organisation's templates: renamed in place, started from, let go. */
export function TemplateList({
  templates,
  mayEdit,
  acts,
}: {
  templates: readonly Template[];
  mayEdit: boolean;
  acts: { rename(id: string, name: string): Promise<Done<void>>; remove(id: string): Promise<Done<void>> };
}) {
  const [names, setNames] = useState<Readonly<Record<string, string>>>({});
  const [isPending, run] = useTransition();
  const report = (done: Promise<Done<void>>, words: string) =>
    run(async () => {
      const result = await done;
      if (result.ok) toast(words);
      else toast.error(result.words);
    });
  return (
    <section aria-label="Templates">
      <h2 className="text-head font-semibold">Templates</h2>
      <p className="text-ink-2">
        An event is saved as a template from the foot of its plan; saving it again under the same name puts it in the
        place of the old.
      </p>
      {templates.length === 0 && <p className="mt-1 text-ink-2">None yet.</p>}
      <ul className="mt-2">
        {templates.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-3 border-t border-rule py-2">
            <Input
              aria-label={`Name of ${one.name}`}
              disabled={!mayEdit}
              className="w-72!"
              value={names[one.id] ?? one.name}
              onChange={({ target }) => setNames((before) => ({ ...before, [one.id]: target.value }))}
            />
            <span className="text-ink-2">{one.facts}</span>
            {mayEdit && (
              <span className="ml-auto flex items-center gap-3">
                {(names[one.id] ?? one.name) !== one.name && (
                  <Button
                    disabled={isPending}
                    onClick={() => report(acts.rename(one.id, names[one.id] ?? one.name), "Renamed.")}
                  >
                    Rename
                  </Button>
                )}
                <Link href={`/events/new?template=${one.id}`} prefetch={false}>
                  Plan from it
                </Link>
                <Confirm
                  trigger={<Button weight="plain">Delete</Button>}
                  title={`Delete “${one.name}”`}
                  act="Delete it"
                  onConfirm={() => report(acts.remove(one.id), "Deleted.")}
                >
                  <p>Events that were made from it stay as they are.</p>
                </Confirm>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
