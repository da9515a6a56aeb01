import { overflowReaches } from "@/core/programme";
import { sceneKinds } from "@/core/room";
import { issue } from "@/core/shared";
import { defaultSwitches } from "@/core/people";
import { z } from "zod";
import { pollInput } from "./poll-input";
import { switchesInput } from "./switches-input";
import { dependingOnLater, fieldKinds, type FormField } from "@/core/front-door";
import { pictures } from "@/core/organisation";
import { frequencies, isLocalDateTime, isZone, weekdayCodes } from "@/core/time";

const localMoment = z.string().refine(isLocalDateTime, issue("unreadable-moment"));
const languageTag = z.string().regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/, issue("not-a-language"));

/** A recurrence rule as the planner builds it. What it makes is checked by the core. */
export const ruleInput = z.object({
  freq: z.enum(frequencies),
  interval: z.coerce.number().int().min(1).max(99),
  count: z.coerce.number().int().min(1, issue("no-date-at-all")).max(1000).nullable(),
  until: localMoment.nullable(),
  byMonth: z.array(z.int().min(1).max(12)).max(12),
  byMonthDay: z.array(z.int().min(-31).max(31)).max(31),
  byDay: z.array(z.object({ weekday: z.enum(weekdayCodes), ordinal: z.int().min(-5).max(5).nullable() })).max(20),
  wkst: z.enum(weekdayCodes),
});

export const formFieldInput = z.object({
  id: z.string().min(1).max(40),
  label: z.string().trim().min(1, issue("question-without-words")).max(200),
  kind: z.enum(fieldKinds),
  isRequired: z.boolean(),
  options: z.array(z.string().trim().min(1).max(120)).max(30),
  /** where the words that are agreed to stand; the fixed value of a hidden field */
  link: z.string().trim().max(500).optional(),
  shownIf: z
    .object({ fieldId: z.string().max(40), answer: z.string().max(120) })
    .nullable()
    .optional(),
});

/** The questions of a registration form, in their order. */
export const formFieldsInput = z
  .array(formFieldInput)
  .max(20, issue("too-many-questions"))
  .superRefine((fields, check) => {
    for (const i of dependingOnLater(fields as readonly FormField[])) {
      check.addIssue({ code: "custom", path: [i, "shownIf"], message: issue("depends-on-later") });
    }
  });

/** The plan of an event with one date, as the form sends it: one schema in browser and server. */
export const planInput = z
  .object({
    title: z.string().trim().min(1, issue("title-needed")).max(200, issue("title-too-long")),
    descriptionHtml: z.string().max(50_000, issue("description-too-long")),
    shape: z.enum(["one-date", "series", "standing", "slots"]),
    startLocal: localMoment,
    /** a series' rule; null for the other shapes */
    rule: ruleInput.nullable(),
    zone: z.string().refine(isZone, issue("unknown-zone")),
    durationMinutes: z.coerce.number().int().min(5, issue("too-short-a-time")).max(1440, issue("longer-than-a-day")),
    callMinutes: z.coerce.number().int().min(0).max(240, issue("call-too-early")),
    houseSize: z.coerce.number().int().min(1, issue("no-seat-at-all")).max(100_000, issue("too-many-seats")),
    registrationLimit: z.coerce.number().int().min(1).max(1_000_000).nullable(),
    isPrivate: z.boolean(),
    accessCode: z.string().trim().max(64).nullable(),
    // templates kept before a switch was thought of begin with its default
    switches: switchesInput.default(defaultSwitches),
    entryBy: z.enum(["registration", "open-link"]),
    approval: z.enum(["at-once", "by-hand"]),
    approvedDomains: z
      .array(
        z
          .string()
          .trim()
          .toLowerCase()
          .regex(/^[a-z0-9.-]+\.[a-z]{2,}$/, issue("not-a-domain")),
      )
      .max(50)
      .default([]),
    provesAddress: z.boolean().default(false),
    foyerOn: z.boolean(),
    earlyEntry: z.boolean(),
    stageMicrophonesOpen: z.boolean(),
    stageCamerasOpen: z.boolean(),
    soundBy: z.enum(["computer", "phone", "both"]),
    overflow: z.enum(overflowReaches),
    isRecorded: z.boolean(),
    consentText: z.string().trim().max(1000),
    place: z.string().trim().max(300).default(""),
    interpretationInto: z.array(languageTag).max(12),
    picture: z.enum(pictures),
    creditPoints: z.coerce
      .number()
      .min(0.01, issue("too-few-points"))
      .max(1000, issue("too-many-points"))
      .refine((points) => Math.abs(points * 100 - Math.round(points * 100)) < 1e-6, issue("too-many-decimals"))
      .nullable(),
    creditIsPartial: z.boolean().default(false),
    creditChecks: z.coerce.number().int().min(1).max(50).nullable().default(null),
    creditThresholdPercent: z.coerce.number().int().min(1).max(100).default(75),
    formFields: formFieldsInput,
  })
  .refine((plan) => plan.shape !== "series" || plan.rule !== null, {
    path: ["rule"],
    message: issue("rule-needed"),
  })
  .refine((plan) => !plan.isPrivate || (plan.accessCode ?? "").length > 0, {
    path: ["accessCode"],
    message: issue("access-code-needed"),
  });
export type PlanInput = z.infer<typeof planInput>;

/** What a new plan begins with, before anything is typed. */
export const freshPlan = (
  startLocal: string,
  zone: string,
  proposed: { durationMinutes: number; houseSize: number; callMinutes: number },
): PlanInput => ({
  title: "",
  descriptionHtml: "",
  shape: "one-date",
  startLocal,
  rule: null,
  zone,
  ...proposed,
  registrationLimit: null,
  isPrivate: false,
  accessCode: null,
  switches: defaultSwitches,
  entryBy: "registration",
  approval: "at-once",
  approvedDomains: [],
  provesAddress: false,
  foyerOn: true,
  earlyEntry: true,
  stageMicrophonesOpen: false,
  stageCamerasOpen: false,
  soundBy: "computer",
  overflow: "nobody",
  isRecorded: false,
  consentText: "",
  place: "",
  interpretationInto: [],
  picture: "cards",
  creditPoints: null,
  creditChecks: null,
  creditIsPartial: false,
  creditThresholdPercent: 75,
  formFields: [],
});

export const partInput = z.object({
  id: z.uuid(),
  title: z.string().trim().min(1, issue("part-untitled")).max(200),
  startLocal: localMoment,
  lengthMinutes: z.coerce.number().int().min(1).max(1440),
  leaderTicketId: z.uuid().nullable(),
});
export const segmentInput = z.object({
  id: z.uuid(),
  title: z.string().trim().min(1, issue("segment-untitled")).max(200),
  lengthMinutes: z.coerce.number().int().min(1, issue("no-minute-at-all")).max(1440),
  fixedStartLocal: z.string().refine(isLocalDateTime, issue("unreadable-fixed-start")).nullable(),
  leaderTicketId: z.uuid().nullable(),
  /** whoever leads beside them */
  besideTicketIds: z.array(z.uuid()).max(10).default([]),
  pollId: z.uuid().nullable(),
  /** its deck, which opens with its cue, and at which page */
  deckId: z.uuid().nullable().default(null),
  deckPage: z.coerce.number().int().min(1).max(500).default(1),
  /** how the picture is arranged when it begins */
  scene: z.enum(sceneKinds).nullable().default(null),
  /** credit is for being there in it; where none carries it, it is for the whole show */
  carriesCredit: z.boolean().default(false),
});
export const runSheetInput = z.object({
  segments: z.array(segmentInput).max(100, issue("too-many-segments")),
  polls: z.array(pollInput).max(50, issue("too-many-polls")),
  parts: z.array(partInput).max(30, issue("too-many-parts")),
});
export type RunSheetInput = z.infer<typeof runSheetInput>;
