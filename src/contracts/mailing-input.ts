import { issue } from "@/core/shared";
import { z } from "zod";
import { audienceStandings, composedKinds, mergeFields } from "@/core/mailings";
import { localeCodes } from "./messages/locales";
import { emailText } from "./people-input";

const oneLine = (max: number) =>
  z
    .string()
    .max(max)
    .transform((text) => text.replace(/[\u0000-\u001f\u007f]+/g, " ").trim());
const href = z
  .string()
  .max(2000)
  .regex(/^(https?:\/\/|mailto:)/i, issue("not-a-link"));

const inline = z.discriminatedUnion("type", [
  z.object({
    type: z.literal("text"),
    text: z.string().max(20_000),
    bold: z.boolean().optional(),
    italic: z.boolean().optional(),
    href: href.optional(),
  }),
  z.object({ type: z.literal("field"), field: z.enum(mergeFields) }),
  z.object({ type: z.literal("break") }),
]);
const words = z.array(inline).max(2000);
const items = z.array(words).max(200);

/** A mail's words as the editor lays them out. */
export const mailDocInput = z
  .array(
    z.discriminatedUnion("type", [
      z.object({ type: z.literal("paragraph"), words }),
      z.object({ type: z.literal("heading"), words }),
      z.object({ type: z.literal("quote"), words }),
      z.object({ type: z.literal("bullets"), items }),
      z.object({ type: z.literal("numbers"), items }),
      z.object({ type: z.literal("table"), rows: z.array(z.array(words).min(1).max(12)).min(1).max(60) }),
      z.object({ type: z.literal("join-details") }),
    ]),
  )
  .min(1, issue("mail-without-words"))
  .max(500);

export const audienceInput = z.object({
  // audiences kept before dates could be chosen are about the coming one
  dateId: z.uuid().nullable().default(null),
  standing: z.array(z.enum(audienceStandings)).max(10),
  groups: z.array(z.string().max(80)).max(100),
  tags: z.array(z.string().max(80)).max(100).default([]),
  personIds: z.array(z.uuid()).max(5000),
  except: z.array(z.string().max(254)).max(5000).default([]),
  pasted: z.string().max(500_000, issue("list-too-long")),
  past: z.array(z.object({ eventId: z.uuid(), who: z.enum(["registered", "came", "missed"]) })).max(20),
});

const afterMinutes = z
  .int()
  .min(5, issue("follow-up-too-soon"))
  .max(60 * 24 * 60, issue("follow-up-too-late"));

const subject = oneLine(200).pipe(z.string().min(1, issue("subject-empty")));

/** The same mailing in another language: for readers who chose it. */
const versionInput = z.object({ locale: z.enum(localeCodes), subject, doc: mailDocInput });
export type MailingVersion = z.infer<typeof versionInput>;

/** A mailing as the composer sends it. */
export const mailingInput = z.object({
  kind: z.enum(composedKinds),
  subject,
  doc: mailDocInput,
  /** what readers of these languages get in place of subject and words */
  versions: z
    .array(versionInput)
    .max(localeCodes.length)
    .refine((list) => new Set(list.map((one) => one.locale)).size === list.length, issue("language-twice"))
    .default([]),
  audience: audienceInput,
  senderName: oneLine(120),
  replyTo: z.union([z.literal(""), emailText]),
  /** follow-ups: minutes after the end */
  afterMinutes: afterMinutes.nullable(),
});
export type MailingInput = z.infer<typeof mailingInput>;

/** The words of a kind that is set off by what happens, in this event. */
export const kindWordsInput = z.object({
  subject,
  doc: mailDocInput,
});

/** A follow-up moved along the track, or switched. */
export const followUpInput = z.object({ afterMinutes: afterMinutes.optional(), isOff: z.boolean().optional() });

export const reminderOffsetsInput = z
  .array(
    z
      .int()
      .min(5, issue("reminder-too-late"))
      .max(60 * 24 * 60),
  )
  .max(8, issue("too-many-reminders"));

/** A board: a group's page, with or without a web hook. */
export const boardInput = z.object({
  name: oneLine(80).pipe(z.string().min(1, issue("board-unnamed"))),
  hookUrl: z
    .string()
    .trim()
    .max(500)
    .refine((url) => url === "" || /^https?:\/\/[^\s]+$/i.test(url), issue("not-a-web-hook"))
    .transform((url) => (url === "" ? null : url)),
});
export const postInput = z.object({
  boardId: z.uuid(),
  text: z.string().trim().min(1, issue("post-without-words")).max(2000),
});
