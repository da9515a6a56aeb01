import { isAddress, issue } from "@/core/shared";
import { z } from "zod";
import { duties } from "@/core/people";

export const emailText = z.string().trim().toLowerCase().max(254).refine(isAddress, issue("not-an-address"));
export const personName = z
  .string()
  .trim()
  .min(1, issue("name-needed"))
  .max(200, issue("name-too-long"))
  .transform((name) => name.replace(/[\u0000-\u001f\u007f]+/g, " "));

const languageTag = z
  .string()
  .trim()
  .regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/, issue("not-a-language"));

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
    message: issue("languages-needed"),
  });
export type StagePersonInput = z.infer<typeof stagePersonInput>;

export const registrationInput = z.object({
  name: personName,
  email: emailText,
  zone: z.string().max(64).nullable(),
  hasConsented: z.literal(true, { error: issue("consent-to-register") }),
  source: z.string().max(60).nullable(),
  locale: z.string().max(20).optional(),
  answers: z.record(z.string(), z.string().max(2000)),
});
/** What registrants mend of themselves. */
export const ownDetailsInput = z.object({ name: personName, email: emailText });
/** Coming in by the open link: a name, and the same consent. */
export const openEntryInput = z.object({
  name: personName,
  hasConsented: z.literal(true, { error: issue("consent-to-enter") }),
});

/** The public form as the browser's script sends it: every field as typed, whatever its length (the form says what is wrong with it), and how somebody came. */
export const registerForm = z.object({
  typed: z.record(z.string(), z.string()),
  source: z.string().max(60).nullable(),
  invitedBy: z.string().max(300).nullable(),
  dateId: z.string().max(36).nullable(),
});

export type RegisterForm = z.infer<typeof registerForm>;
export type RegistrationInput = z.infer<typeof registrationInput>;
