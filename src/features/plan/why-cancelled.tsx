import { Field, Textarea } from "@/ui";

/** Why a date is cancelled, in the team's own words: they stand in the mail and on the ticket. */
export function WhyCancelled({ why, onChange }: { why: string; onChange: (why: string) => void }) {
  return (
    <Field label="Why" hint="Stands in the mail and on their tickets. May stay empty.">
      {(ids) => (
        <Textarea {...ids} rows={2} maxLength={500} value={why} onChange={(event) => onChange(event.target.value)} />
      )}
    </Field>
  );
}
