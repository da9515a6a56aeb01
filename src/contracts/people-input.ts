import { z } from "zod";
import { duties } from "@/core/people";

export const emailText = z.string().trim().toLowerCase().max(254).pipe(z.email("This is not a mail address."));
export const personName = z
  .string()
  .trim()
  .min(1, "A name is needed.")
  .max(200, "The name may have 200 characters.")
  .transform((name) => name.replace(/[\u0000-\u001f\u007f]+/g, " "));

const languageTag = z
  .string()
  .trim()
  .regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/, "A language is written as in: es, pt-BR (BCP 47).");

/** What a crew member may do, as the form sends it. */
export const dutiesInput = z
  .array(z.enum(duties))
  .max(duties.length)
  .transform((list) => [...new Set(list)]);

export const stagePersonInput = z
  .object({
    name: personName,
    email: emailText,
    role: z.enum(["crew", "panelist", "interpreter", "captioner"]),
    duties: z.array(z.enum(duties)),
    /** an interpreter's pair, from and to (BCP 47) */
    languages: z.tuple([languageTag, languageTag]).nullable(),
  })
  .refine((person) => person.role !== "interpreter" || person.languages !== null, {
    path: ["languages"],
    message: "An interpreter needs a language pair.",
  });
export type StagePersonInput = z.infer<typeof stagePersonInput>;

export const registrationInput = z.object({
  name: personName,
  email: emailText,
  zone: z.string().max(64).nullable(),
  hasConsented: z.literal(true, { error: "Without your consent we may not keep your registration." }),
  source: z.string().max(60).nullable(),
  locale: z.string().max(20).optional(),
  answers: z.record(z.string(), z.string().max(2000)),
});
/** Coming in by the open link: a name, and the same consent. */
export const openEntryInput = z.object({
  name: personName,
  hasConsented: z.literal(true, { error: "Without your consent we may not keep your name." }),
});

export type RegistrationInput = z.infer<typeof registrationInput>;
