"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import type { Duty } from "@/core/people";
import { Button, Field, Input, Note, Select } from "@/ui";
import { roleWords } from "@/features/shared/role-words";

const stageRoles = ["panelist", "crew", "interpreter", "captioner"] as const;

/** Puts somebody on the list by name and address; an interpreter with the pair of languages. */
export function AddPerson({ add }: { add: (input: unknown) => Promise<Done<void>> }) {
  const fresh = {
    name: "",
    email: "",
    role: "panelist" as (typeof stageRoles)[number],
    duties: [] as Duty[],
    from: "en",
    into: "",
  };
  const [typed, setTyped] = useState(fresh);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const isInterpreter = typed.role === "interpreter";
  return (
    <form
      id="add-person"
      className="grid max-w-4xl grid-cols-[1fr_1fr_9rem_auto] items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        run(async () => {
          const { from, into, ...person } = typed;
          const done = await add({ ...person, languages: isInterpreter ? [from, into] : null });
          setWrong(done.ok ? null : done.words);
          if (done.ok) setTyped(fresh);
        });
      }}
    >
      <Field label="Name">
        {(ids) => <Input {...ids} value={typed.name} onChange={(e) => setTyped({ ...typed, name: e.target.value })} />}
      </Field>
      <Field label="Mail address">
        {(ids) => (
          <Input
            {...ids}
            type="email"
            value={typed.email}
            onChange={(e) => setTyped({ ...typed, email: e.target.value })}
          />
        )}
      </Field>
      <Field label="Comes as">
        {(ids) => (
          <Select
            {...ids}
            value={typed.role}
            onChange={(e) => setTyped({ ...typed, role: e.target.value as typeof typed.role })}
          >
            {stageRoles.map((role) => (
              <option key={role} value={role}>
                {roleWords[role]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Button type="submit" weight="act" disabled={isPending}>
        Add to the event
      </Button>
      {isInterpreter && (
        <div className="col-span-4 grid grid-cols-[10rem_10rem] gap-3">
          <Field label="From" hint="A language, as in: en">
            {(ids) => (
              <Input
                {...ids}
                className="mono"
                value={typed.from}
                onChange={(e) => setTyped({ ...typed, from: e.target.value })}
              />
            )}
          </Field>
          <Field label="Into" hint="As in: es, pt-BR">
            {(ids) => (
              <Input
                {...ids}
                className="mono"
                value={typed.into}
                onChange={(e) => setTyped({ ...typed, into: e.target.value })}
              />
            )}
          </Field>
        </div>
      )}
      {wrong && (
        <div className="col-span-4">
          <Note tone="wrong">{wrong}</Note>
        </div>
      )}
    </form>
  );
}
