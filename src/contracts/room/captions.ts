import { z } from "zod";
import { issue } from "@/core/shared";
import { mostCaptionLanguages, mostCaptionLetters, type CaptionLine } from "@/core/room";
import { id, languageTag as language } from "./shared";

const words = z
  .string()
  .max(4000)
  .regex(/^[^\0]*$/)
  .transform((text) => text.normalize("NFC").replace(/\s+/g, " ").trim());

export const captionsCommands = [
  z.object({
    type: z.literal("captions.set-languages"),
    languages: z.array(language).max(mostCaptionLanguages).readonly(),
  }),
] as const;

export const captionsFacts = [
  z.object({
    type: z.literal("captions.say"),
    language,
    text: words
      .refine((text) => text !== "", issue("no-words"))
      .refine((text) => text.length <= mostCaptionLetters, issue("no-words")),
    replacesId: id.nullable(),
  }),
] as const;

export const captionsWhispers = [
  z.object({ type: z.literal("captions.typing"), language, text: z.string().max(mostCaptionLetters) }),
] as const;

/** Captions as their feed carries them: one line of what was said may be several, one after the other. */
export interface CaptionRow {
  readonly language: string;
  readonly authorId: string;
  readonly text: string;
  readonly at: number;
  /** the captions that it is broken into, and how long each stands */
  readonly captions: readonly Pick<CaptionLine, "lines" | "standsMs">[];
}
