import { issue } from "@/core/shared";
import { z } from "zod";
import { chatTargets, cleanLine, graphemesIn, mostGraphemes } from "@/core/room";
import { id } from "./shared";

/** A line of a chat: cleaned, not empty, as long as a reader may count. The bound before it keeps counting cheap. */
const line = z
  .string()
  .max(8000)
  .transform(cleanLine)
  .refine((text) => text !== "", issue("no-words"))
  .refine((text) => graphemesIn(text) <= mostGraphemes, `A line has at most ${mostGraphemes} characters.`);

export const chatCommands = [
  z.object({ type: z.literal("chat.let-through"), lineId: id }),
  z.object({ type: z.literal("chat.take-away"), lineId: id }),
  z.object({ type: z.literal("chat.make-question"), lineId: id }),
  z.object({ type: z.literal("chat.clear"), seen: z.int().min(0) }),
  z.object({ type: z.literal("chat.hold-person"), ticketId: id, isHeld: z.boolean() }),
  z.object({ type: z.literal("chat.set-entry-note"), text: z.string().max(8000).transform(cleanLine) }),
] as const;

export const chatFacts = [
  z.object({
    type: z.literal("chat.say"),
    to: z.enum(chatTargets),
    withId: id.nullable(),
    text: line,
    /** a question to the people of one's side room */
    isAsked: z.boolean().optional(),
  }),
  z.object({ type: z.literal("chat.settle"), lineId: id, isAnswered: z.boolean() }),
] as const;

/** One line as screens get it. */
export interface ChatLineView {
  readonly authorId: string;
  readonly name: string;
  readonly role: string;
  readonly text: string;
  readonly at: number;
  readonly to: (typeof chatTargets)[number];
  /** of a note: whom it is with */
  readonly withId: string | null;
  readonly withName: string | null;
  /** shown to all as a question too */
  readonly isQuestion: boolean;
  /** of a side room's question that somebody has called answered */
  readonly answeredAt?: number | null;
}
/** A line of one's own that others do not see yet, and words between oneself and the desk. */
export interface OwnLine {
  readonly id: string;
  readonly text: string;
  readonly at: number;
  readonly isMine: boolean;
  readonly state: "note" | "held";
}
