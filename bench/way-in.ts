import { spawn } from "node:child_process";
import { mkdtempSync, readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { and, eq } from "drizzle-orm";
import { docFromTemplate, nobody } from "../src/core/mailings";
import { wallTimeAt, dayMs } from "../src/core/time";
import { freshPlan } from "../src/contracts";
import { members, messages, occurrences, organisations } from "../src/server/db/schema";
import { smtpMailer, type Mailer } from "../src/server/mail/mailer";
import type { TeamMember } from "../src/server/services/ground/access";
import type { Context } from "../src/server/services/ground/context";
import { importContacts } from "../src/server/services/people/contacts/import";
import { createEvent } from "../src/server/services/planning/events";
import { publishEvent } from "@/server/services/planning/event-life";
import { sendDue } from "../src/server/services/mailings/deliver";
import { saveMailing } from "../src/server/services/mailings/compose";
import { sendMailing } from "../src/server/services/mailings/send";
import { createSlots } from "../src/server/services/way-in/slot-plans";
import { bookingPage, bookSlot } from "../src/server/services/way-in/slots";
import { makeContext } from "../src/server/worker";
import { say } from "./figures";

export async function owner(context: Context): Promise<TeamMember> {
  const [row] = await context.db.select().from(members).where(eq(members.standing, "owner"));
  return { organisationId: row!.organisationId, userId: row!.userId, personId: row!.personId, standing: "owner" };
}

export async function eventWith(
  context: Context,
  member: TeamMember,
  title: string,
  registrationLimit: number | null = null,
): Promise<{ eventId: string; occurrenceId: string; slug: string }> {
  const startLocal = wallTimeAt(context.clock.now() + 500 * dayMs, "Europe/Lisbon").local;
  const made = await createEvent(context, member, {
    ...freshPlan(startLocal, "Europe/Lisbon", { durationMinutes: 60, houseSize: 20, callMinutes: 20 }),
    title,
    registrationLimit,
  });
  await publishEvent(context, member, made.eventId, true);
  const [date] = await context.db.select().from(occurrences).where(eq(occurrences.eventId, made.eventId));
  const { rows } = await context.db.execute(`select slug from events where id = '${made.eventId}'`);
  return { eventId: made.eventId, occurrenceId: date!.id, slug: String(rows[0]!["slug"]) };
}

/** 5,000 mails rendered and handed to the stand-in. */
async function mails(context: Context, member: TeamMember): Promise<void> {
  const { eventId } = await eventWith(context, member, "Bench mails");
  const folder = mkdtempSync(join(tmpdir(), "stage-call-bench-"));
  const server = spawn("node", ["--conditions=react-server", "--import", "tsx", "scripts/mail-server.ts"], {
    env: { ...process.env, SMTP_PORT: "26525", MAIL_HTTP_PORT: "26526", MAIL_FOLDER: folder },
    stdio: "ignore",
  });
  while (
    !(await fetch("http://127.0.0.1:26526").then(
      () => true,
      () => false,
    ))
  )
    await new Promise((done) => setTimeout(done, 100));
  const pasted = Array.from({ length: 5000 }, (_, i) => `Person ${i} <mail${i}@example.org>`).join("\n");
  const doc = docFromTemplate(
    "Hello {{name}},\n\nwe would be glad to see you at {{event}}, {{when}}.\n\n{{join_details}}\n\n{{producer}}",
  );
  const { id } = await saveMailing(context, member, eventId, null, 0, {
    kind: "invitation",
    subject: "Come: {{event}}",
    doc,
    audience: { ...nobody, pasted },
    senderName: "",
    replyTo: "",
    afterMinutes: null,
  });
  const planFrom = performance.now();
  await sendMailing(context, member, eventId, id);
  const planned = performance.now() - planFrom;
  await context.db
    .update(messages)
    .set({ state: "held" })
    .where(and(eq(messages.state, "planned"), eq(messages.kind, "confirmation")));
  const smtp = smtpMailer("smtp://127.0.0.1:26525");
  // the heap after a full collection, at every thousandth mail: flat if nothing is kept
  const heaps: number[] = [];
  let handed = 0;
  const mailer: Mailer = {
    async send(mail) {
      const result = await smtp.send(mail);
      if (++handed % 1000 === 0) {
        global.gc!();
        heaps.push(process.memoryUsage().heapUsed / 1_000_000);
      }
      return result;
    },
    close: () => smtp.close(),
  };
  const from = performance.now();
  await sendDue({ ...context, mailer, environment: { ...context.environment, STAGE_CALL_MAILS_PER_SECOND: 100_000 } });
  const seconds = (performance.now() - from) / 1000;
  mailer.close();
  say(
    `5,000 mails: planned in ${(planned / 1000).toFixed(1)} s, rendered and handed over in ${seconds.toFixed(1)} s (aim 20 s), ${readdirSync(folder).length} arrived, heap after each thousand ${heaps.map((one) => one.toFixed(0)).join(", ")} MB`,
  );
  server.kill();
}

/** 20,000 contacts from a file. */
async function contacts(context: Context, member: TeamMember): Promise<void> {
  const text = [
    "name,email,tags,groups",
    ...Array.from(
      { length: 20_000 },
      (_, i) => `"Contact, ${i}",contact${i}@example.org,tag${i % 7};coast,Group ${i % 20}`,
    ),
  ].join("\r\n");
  for (const round of ["new", "again"]) {
    let steps = 0;
    const from = performance.now();
    await importContacts(
      context,
      member,
      new TextEncoder().encode(text),
      ["name", "email", "tags", "groups"],
      () => void (steps += 1),
    );
    say(
      `20,000 contacts taken in (${round}): ${((performance.now() - from) / 1000).toFixed(2)} s (aim 4 s), ${steps} steps told`,
    );
  }
}

/** Fifty people at the same slot. */
async function slots(context: Context, member: TeamMember): Promise<void> {
  const startLocal = `${wallTimeAt(context.clock.now() + 3 * dayMs, "Europe/Lisbon").local.slice(0, 10)}T10:00`;
  const { slug } = await createSlots(context, member, {
    title: "Bench slots",
    startLocal,
    untilClock: "12:00",
    zone: "Europe/Lisbon",
    lengthMinutes: 20,
    pauseMinutes: 0,
    capacity: 3,
    rule: null,
    forEventId: null,
  });
  const [organisation] = await context.db
    .select()
    .from(organisations)
    .where(eq(organisations.id, member.organisationId));
  const page = await bookingPage(context, organisation!, slug);
  const from = performance.now();
  const clicks = await Promise.allSettled(
    Array.from({ length: 50 }, (_, i) =>
      bookSlot(
        context,
        page,
        page.slots[0]!.startAt,
        { name: `B ${i}`, email: `book${i}@example.org`, zone: null, hasConsented: true, source: null, answers: {} },
        `b${i}`,
      ),
    ),
  );
  say(
    `50 at one slot of 3: ${clicks.filter((one) => one.status === "fulfilled").length} booked, in ${(performance.now() - from).toFixed(0)} ms`,
  );
}

const alone = (run: (context: Context, member: TeamMember) => Promise<void>) => async (): Promise<void> => {
  const { context, close } = await makeContext(process.env);
  await run(context, await owner(context));
  await close();
};

/** The way in, each part by its name. */
export const wayInBenches = {
  contacts: alone(contacts),
  slots: alone(slots),
  mails: alone(mails),
};
