import { Refusal } from "@/core/shared";
import { people } from "../../db/schema";
import { and, eq } from "drizzle-orm";
import { type TeamMember, accessFor } from "../ground/access";
import { type Context, oneOf } from "../ground/context";
import { dateOf } from "../planning/dates/load";
import { type FinishedMessage, finish, redactedLinks } from "./links";
import { loadMessage, type MessageRow } from "./load";
import { render } from "./render";
import { checked } from "./compose";

async function asFor(
  context: Context,
  eventId: string,
  rawInput: unknown,
  personId: string,
): Promise<{ facts: Awaited<ReturnType<typeof loadMessage>>; words: ReturnType<typeof checked> }> {
  const words = checked(rawInput);
  const date = await dateOf(context.db, eventId, context.clock.now());
  const message = {
    kind: words.kind,
    personId,
    occurrenceId: date.id,
    ticketId: null,
    mailingId: null,
    questionId: null,
  } as MessageRow;
  return { facts: await loadMessage(context, context.db, message), words };
}
/** The mailing as one recipient gets it: their name, their zone, their language; links are kept back. */

export async function previewMailing(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
  personId: string | null,
): Promise<FinishedMessage> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const [person] = await context.db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.id, personId ?? member.personId), eq(people.organisationId, event.organisationId)));
  const { facts, words } = await asFor(context, eventId, rawInput, oneOf(person ? [person] : [], "contact").id);
  return finish(render(facts, words, context.clock.now()), redactedLinks);
}
const asTest = <T extends { readonly subject: string }>(words: T): T => ({
  ...words,
  subject: `[Test] ${words.subject}`,
});

/** Sends the words as they stand to the member's own address, at once and beside every plan. */

export async function testMailing(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<string> {
  await accessFor(context, member, eventId, "event.mailings");
  const { facts, words } = await asFor(context, eventId, rawInput, member.personId);
  const { organisation, person } = facts;
  const mail = finish(
    render(facts, { ...asTest(words), versions: words.versions.map(asTest) }, context.clock.now()),
    redactedLinks,
  );
  const from = { name: organisation.senderName, address: organisation.senderEmail };
  const result = await context.mailer.send({
    ...mail,
    calendar: null,
    messageId: `<${context.ids.id()}@stage-call.example.org>`,
    from,
    replyTo: null,
    to: { name: person.name ?? "", address: person.email! },
    sentAt: context.clock.now(),
    unsubscribeUrl: null,
  });
  if (result.smtpCode !== 250) throw new Refusal({ code: "unavailable" });
  return person.email!;
}
