import type { ReadableField } from "@/core/contacts";

/** A person of the contact book. */
export interface Contact {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly company: string;
  readonly phone: string;
  readonly note: string;
  readonly zone: string | null;
  readonly locale: string;
  readonly tags: readonly string[];
  readonly groups: readonly string[];
  readonly unsubscribedAt: number | null;
  readonly addressFailedAt: number | null;
  readonly addressFailedReason: string | null;
}

/** What a file of contacts holds and how its columns would be read. */
export interface ImportPreview {
  readonly kind: "csv" | "vcard";
  readonly header: readonly string[];
  readonly mapping: readonly (ReadableField | null)[];
  readonly sample: readonly (readonly string[])[];
  readonly rows: number;
  readonly good: number;
  readonly bad: readonly { readonly line: number; readonly reason: string }[];
}
