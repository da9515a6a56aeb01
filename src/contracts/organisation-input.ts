import { standings } from "@/core/people";
import { isAddress, issue } from "@/core/shared";
import { z } from "zod";

const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, issue("not-an-hour"));

/** Licences by size: how many of each. */
export const licencesInput = z
  .array(
    z.object({ size: z.coerce.number().int().min(1).max(100_000), count: z.coerce.number().int().min(0).max(200) }),
  )
  .max(20)
  .refine((rows) => new Set(rows.map((row) => row.size)).size === rows.length, issue("size-twice"));

export const houseRulesInput = z
  .object({
    longestMinutes: z.coerce.number().int().min(15).max(1440),
    largestHouse: z.coerce.number().int().min(1).max(100_000),
    mostOnStage: z.coerce.number().int().min(1).max(200),
    overrunMinutes: z.coerce.number().int().min(0).max(120),
    earliestStart: clock,
    latestStart: clock,
    guestsFromOutside: z.boolean(),
    ownDomains: z
      .array(
        z
          .string()
          .trim()
          .toLowerCase()
          .regex(/^[a-z0-9.-]+\.[a-z]{2,}$/, issue("not-a-domain")),
      )
      .max(50),
    proposed: z.object({
      durationMinutes: z.coerce.number().int().min(5).max(1440),
      houseSize: z.coerce.number().int().min(1).max(100_000),
      callMinutes: z.coerce.number().int().min(0).max(240),
    }),
    phoneNumbers: z
      .array(
        z.object({
          country: z.string().trim().min(1).max(60),
          number: z
            .string()
            .trim()
            .regex(/^\+[0-9 ()-]{6,24}$/, issue("not-a-phone-number")),
        }),
      )
      .max(60),
  })
  .refine((rules) => rules.earliestStart < rules.latestStart, {
    path: ["latestStart"],
    message: issue("latest-before-earliest"),
  });

/** Somebody asked into the team. */
export const teamInviteInput = z.object({
  name: z.string().trim().min(1).max(120),
  email: z.string().trim().toLowerCase().max(254).refine(isAddress, issue("unreadable")),
  standing: z.enum(standings),
});
export const standingInput = z.enum(standings);

export const shortestPassword = 12;
/** Whoever follows an invitation: their name, and the password they choose, or have where they sign in already. */
const password = z.string().min(shortestPassword, issue("password-too-short")).max(128);
export const joinTeamInput = z.object({ name: z.string().trim().min(1).max(120), password });
export const newPasswordInput = z.object({ password });

export const seatRequestInput = z.object({
  wantedSize: z.coerce.number().int().min(1).max(100_000),
  note: z.string().trim().max(500),
});
export const seatDecisionInput = z.object({ isGranted: z.boolean(), answer: z.string().trim().max(500) });
