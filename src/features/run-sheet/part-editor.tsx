"use client";
import type { RunSheetInput } from "@/contracts";
import { ClockInput } from "@/features/shared/clock-input";
import { Button, Field, Input, Select } from "@/ui";

type Part = RunSheetInput["parts"][number];

/** Rooms beside the hall: parts of the date that run next to the segments, each with its own start. */
export function PartEditor({
  parts,
  startLocal,
  leaders,
  onChange,
  errorAt,
}: {
  parts: readonly Part[];
  startLocal: string;
  leaders: readonly { id: string; name: string }[];
  onChange: (parts: Part[]) => void;
  errorAt: (path: string) => string | undefined;
}) {
  const change = (id: string, some: Partial<Part>) =>
    onChange(parts.map((part) => (part.id === id ? { ...part, ...some } : part)));
  const day = startLocal.slice(0, 10);
  return (
    <section id="parts" aria-label="Parallel sessions" className="border-t border-rule pt-3">
      <h2 className="text-head font-semibold">Parallel sessions</h2>
      <p className="text-ink-2">
        What runs beside the segments: a table for questions, a second room. They never push the plan of the hour.
      </p>
      <ul className="mt-2 flex flex-col gap-2">
        {parts.map((part, i) => (
          <li key={part.id} className="grid items-end gap-3 lg:grid-cols-[1fr_8rem_6rem_12rem_auto]">
            <Field label="Session" error={errorAt(`parts.${i}.title`)}>
              {(ids) => (
                <Input {...ids} value={part.title} onChange={(e) => change(part.id, { title: e.target.value })} />
              )}
            </Field>
            <Field label="Starts">
              {(ids) => (
                <ClockInput
                  {...ids}
                  value={part.startLocal.slice(11)}
                  onChange={(clock) => clock && change(part.id, { startLocal: `${day}T${clock}` })}
                />
              )}
            </Field>
            <Field label="Length, min" error={errorAt(`parts.${i}.lengthMinutes`)}>
              {(ids) => (
                <Input
                  {...ids}
                  type="number"
                  min={1}
                  className="mono"
                  value={part.lengthMinutes}
                  onChange={(e) => change(part.id, { lengthMinutes: Number(e.target.value) })}
                />
              )}
            </Field>
            <Field label="Led by">
              {(ids) => (
                <Select
                  {...ids}
                  value={part.leaderTicketId ?? ""}
                  onChange={(e) => change(part.id, { leaderTicketId: e.target.value || null })}
                >
                  <option value="">nobody</option>
                  {leaders.map((leader) => (
                    <option key={leader.id} value={leader.id}>
                      {leader.name}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
            <Button weight="plain" onClick={() => onChange(parts.filter((one) => one.id !== part.id))}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Button
        className="mt-2"
        onClick={() =>
          onChange([
            ...parts,
            { id: crypto.randomUUID(), title: "", startLocal, lengthMinutes: 20, leaderTicketId: null },
          ])
        }
      >
        Add a parallel session
      </Button>
    </section>
  );
}
