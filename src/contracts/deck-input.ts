import { issue } from "@/core/shared";
import { z } from "zod";

/** BCP 47 as far as a language is named by it: letters, digits and hyphens. */
const language = z.string().regex(/^[A-Za-z]{2,3}(-[A-Za-z0-9]{1,8})*$/, issue("unreadable"));

/** The largest file of slides (rule 20). */
export const mostDeckBytes = 100_000_000;

/** What is said of slides when they are brought. */
export const deckInput = z.object({
  title: z.string().trim().min(1, issue("needed")).max(160),
  language,
  /** the deck that they are another language of */
  versionOfId: z.uuid().nullable().default(null),
  notes: z.string().trim().max(4000).default(""),
});
export type DeckInput = z.infer<typeof deckInput>;
