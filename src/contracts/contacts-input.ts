import { isAddress, issue } from "@/core/shared";
import { z } from "zod";
import { readableFields } from "@/core/contacts";
import { isZone } from "@/core/time";

const words = (max: number) =>
  z
    .string()
    .max(max)
    .transform((text) =>
      text
        .replace(/[\u0000-\u001f\u007f]+/g, " ")
        .replace(/ +/g, " ")
        .trim(),
    );
const names = z.array(words(80).pipe(z.string().min(1))).max(50);

/** A contact as the form sends it. */
export const contactInput = z.object({
  name: words(200),
  email: z.string().trim().toLowerCase().refine(isAddress, issue("not-an-address")),
  company: words(200),
  phone: words(60),
  note: z.string().trim().max(2000),
  zone: z.string().refine(isZone, issue("unknown-zone")).nullable(),
  tags: names,
  groups: names,
});
export type ContactInput = z.infer<typeof contactInput>;

/** Which of two a merged contact keeps each word of: what is not named stays the kept one's. */
export const mergeInput = z
  .object({
    keepId: z.uuid(),
    goneId: z.uuid(),
    takeFromGone: z.array(z.enum(["name", "email", "company", "phone", "zone"])).max(5),
  })
  .refine((choice) => choice.keepId !== choice.goneId, issue("one-person-already"));
export type MergeInput = z.infer<typeof mergeInput>;

/** Which column of a file holds what; null: left out. */
export const mappingInput = z
  .array(z.enum(readableFields).nullable())
  .max(200)
  .refine((mapping) => mapping.includes("email"), issue("address-column-needed"));

/** The book, narrowed. */
export const contactQuery = z.object({
  words: z.string().trim().max(100).default(""),
  tag: z.string().max(80).default(""),
  group: z.string().max(80).default(""),
  state: z.enum(["all", "unsubscribed", "bounced"]).default("all"),
  sort: z.enum(["name", "email", "company", "added"]).default("name"),
  desc: z.enum(["", "1"]).default(""),
  page: z.coerce.number().int().min(0).max(100_000).default(0),
});
export type ContactQuery = z.infer<typeof contactQuery>;

/** Tags and groups put on many contacts at once, or taken off them. */
export const markContactsInput = z.object({
  ids: z.array(z.uuid()).min(1).max(500),
  kind: z.enum(["tag", "group"]),
  name: z.string().trim().min(1).max(80),
  isOn: z.boolean(),
});

/** What an import says while it runs and when it is done, one JSON line each. */
export type ImportLine =
  | { type: "progress"; done: number; total: number }
  | {
      type: "done";
      added: number;
      changed: number;
      unchanged: number;
      bad: readonly { line: number; reason: string }[];
      badCount: number;
    }
  | { type: "refused"; words: string };
