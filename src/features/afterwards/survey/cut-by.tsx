"use client";
import { useRouter, useSearchParams } from "next/navigation";
import { Field, Select } from "@/ui";

/** Cuts the answers by what was answered to one question of choice. */
export function CutBy({ choices }: { choices: readonly { readonly id: string; readonly label: string }[] }) {
  const router = useRouter();
  const by = useSearchParams().get("by") ?? "";
  return (
    <Field label="Cut by" className="w-64">
      {(ids) => (
        <Select
          {...ids}
          value={by}
          onChange={(event) =>
            router.replace(event.target.value ? `?by=${encodeURIComponent(event.target.value)}` : "?")
          }
        >
          <option value="">all together</option>
          {choices.map(({ id, label }) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}
