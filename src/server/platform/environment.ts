import { z } from "zod";
import { isLoopback } from "@/core/shared";
import { storeAddress } from "./store-address";

/** Addresses parted by spaces. */
const addresses = z
  .string()
  .default("")
  .transform((text) => text.split(/\s+/).filter(Boolean));

const settings = z.object({
  DATABASE_URL: z.string().min(1),
  /** the origin that links in mails begin with, without a slash at the end */
  STAGE_CALL_URL: z.url().default("http://127.0.0.1:3000"),
  /** 32 or more characters; links and sealed values derive from it */
  STAGE_CALL_SECRET: z.string().min(32),
  /** the one before it, while links and sealed values of its time are to be read */
  STAGE_CALL_PREVIOUS_SECRET: z.string().min(32).optional(),
  STAGE_CALL_FILES: z.string().min(1),
  /** an object store in place of that folder, which then holds only what is being worked on: see store-address */
  STAGE_CALL_OBJECT_STORE: storeAddress.optional(),
  SMTP_URL: z.string().default("smtp://127.0.0.1:2525"),
  /** mails that may leave in a second, as the mail server allows */
  STAGE_CALL_MAILS_PER_SECOND: z.coerce.number().positive().default(400),
  /** where mail that comes in is laid down (Maildir); without it none is read */
  STAGE_CALL_INBOX: z.string().optional(),
  /** who may report calls: nobody, the stand-in in this house's own pages, or a line that signs with the secret */
  STAGE_CALL_PHONE_LINE: z.enum(["off", "stand-in", "signed"]).default("off"),
  /** as Standard Webhooks has it, `whsec_…` */
  STAGE_CALL_PHONE_SECRET: z.string().min(24).optional(),
  /** where that line is asked to call somebody; without it nobody is called back */
  STAGE_CALL_PHONE_DIAL_URL: z.url().optional(),
  /** servers by which browsers on stage find one another (RFC 8445), and the secret that TURN credentials are made of */
  STAGE_CALL_STUN: addresses,
  STAGE_CALL_TURN: addresses,
  STAGE_CALL_TURN_SECRET: z.string().min(16).optional(),
  /** how the receiving mail server names itself in Authentication-Results (RFC 8601): its findings are then believed */
  STAGE_CALL_AUTHSERV_ID: z.string().optional(),
  /** tests only: a file with the milliseconds by which the clock is ahead */
  STAGE_CALL_CLOCK_FILE: z.string().optional(),
  /** how many proxies of our own stand in front: so many entries of X-Forwarded-For are believed, from the right */
  STAGE_CALL_TRUSTED_HOPS: z.coerce.number().int().min(0).max(8).default(0),
  /** tests and demos only: limits on tries a hundredfold */
  STAGE_CALL_TRIES: z.enum(["strict", "lenient"]).default("strict"),
  /** demos and tests only: whether /ui-kit answers */
  STAGE_CALL_UI_KIT: z.enum(["shown", "hidden"]).default("hidden"),
  STAGE_CALL_UPLOAD_LIMIT_MB: z.coerce.number().int().positive().default(4096),
  STAGE_CALL_STORE_LIMIT_GB: z.coerce.number().positive().default(200),
});

/** What only tests and demos may set, and what it is then set to. */
const forTests = (one: z.infer<typeof settings>) => ({
  STAGE_CALL_CLOCK_FILE: one.STAGE_CALL_CLOCK_FILE !== undefined,
  STAGE_CALL_TRIES: one.STAGE_CALL_TRIES === "lenient",
  STAGE_CALL_UI_KIT: one.STAGE_CALL_UI_KIT === "shown",
  STAGE_CALL_PHONE_LINE: one.STAGE_CALL_PHONE_LINE === "stand-in",
});

/** A house that others can reach takes no switch that is for tests: a clock of one's own, limits that limit nobody. */
const shape = settings.superRefine((one, context) => {
  if (isLoopback(new URL(one.STAGE_CALL_URL).hostname)) return;
  for (const [name, isSet] of Object.entries(forTests(one))) {
    if (isSet) context.addIssue({ code: "custom", path: [name], message: "for tests and demos only" });
  }
});

export type Environment = z.infer<typeof shape>;

/** The validated environment. @throws with the names of what is missing or wrong, never their values. */
export function readEnvironment(source: Record<string, string | undefined>): Environment {
  const parsed = shape.safeParse(source);
  if (parsed.success) return parsed.data;
  const names = parsed.error.issues.map((issue) => issue.path.join(".")).join(", ");
  throw new Error(`environment: missing or wrong: ${names}`);
}
