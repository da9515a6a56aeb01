import { phoneKeys, type KeyActs } from "@/core/room";
import { issue } from "@/core/shared";
import { z } from "zod";

const digits = (min: number, max: number, words: string) =>
  z
    .string()
    .transform((text) => text.replace(/[\s#*-]/g, ""))
    .pipe(z.string().regex(new RegExp(`^\\d{${min},${max}}$`), words));

/** What a phone line reports when somebody has dialled and typed both numbers. */
export const callInput = z.object({
  /** the number that was dialled, as the house rules write it */
  number: z.string().trim().min(4).max(40),
  conferenceNumber: digits(6, 12, issue("not-a-conference-number")),
  pin: digits(6, 12, issue("not-a-pin")),
});

/** What it reports when somebody who asked to be called picks up. */
export const pickedUp = z.object({ answer: z.string().min(8).max(400) });

/** A number as it is dialled from anywhere (ITU-T E.164): "+", the country, up to 15 digits. */
export const ownNumber = z
  .string()
  .transform((text) => text.replace(/[\s()./-]/g, "").replace(/^00/, "+"))
  .pipe(z.string().regex(/^\+[1-9]\d{6,14}$/, issue("not-a-phone-number")));

/** What it reports while the call lasts. */
export const callReport = z.discriminatedUnion("type", [
  z.object({ type: z.literal("level"), level: z.int().min(0).max(100) }),
  z.object({ type: z.literal("key"), key: z.enum(phoneKeys) }),
  z.object({ type: z.literal("hung-up") }),
]);
export type CallReport = z.infer<typeof callReport>;

/** What the line says back: where the caller is, in facts; the words are the line's own. */
export interface CallState {
  readonly title: string;
  readonly name: string;
  readonly place: "foyer" | "house" | "backstage" | "standby" | "stage" | "over";
  /** null for whoever may not be heard */
  readonly isMicrophoneOpen: boolean | null;
  readonly isCurtainUp: boolean;
  /** what each key of the telephone does just now */
  readonly keys: KeyActs;
}

export const callReportEveryMs = 1000;
