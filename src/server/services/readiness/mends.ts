import { and, eq, isNull } from "drizzle-orm";
import { pictures } from "@/core/house";
import { type Duty } from "@/core/people";
import { roleMay } from "@/core/rights";
import { Refusal } from "@/core/shared";
import { events, mailings, segments, tickets } from "../../db/schema";
import { accessFor, type EventAccess, type TeamMember } from "../access";
import { audit } from "../audit";
import { notFound, type Context } from "../context";
import { dateOf, type OccurrenceRow } from "../dates/load";
import { type EventRow } from "../events";
import { publishEvent } from "../event-life";
import { standardWords } from "../mail/render";
import { pollsOf, segmentsOf } from "../run-sheets";
import { setDuties } from "../stage-people";
import { inviteStagePeople } from "../stage-invitations";

interface Scene {
  readonly context: Context;
  readonly member: TeamMember;
  readonly access: EventAccess;
  readonly date: OccurrenceRow;
}

/** Asks for consent where a plan has no words of its own. */
export const standardConsent =
  "This hour is recorded and may be published. Your voice and picture are in it if you take the floor.";

/** Changes the event's own row; its version grows, so that an open editor sees it. */
async function change({ context, access }: Scene, values: Partial<EventRow>): Promise<void> {
  const { id, version } = access.event;
  await context.db
    .update(events)
    .set({ ...values, version: version + 1 })
    .where(eq(events.id, id));
}

async function giveDuty({ context, member, access }: Scene, duty: Duty): Promise<string> {
  const crew = await context.db
    .select()
    .from(tickets)
    .where(and(eq(tickets.eventId, access.event.id), eq(tickets.role, "crew"), isNull(tickets.revokedAt)));
  const one = crew.find((ticket) => !ticket.duties.includes(duty));
  if (!one) throw new Refusal({ code: "not-found", what: "crew member" });
  await setDuties(context, member, access.event.id, one.id, [...one.duties, duty]);
  return "The duty is given.";
}

async function inviteAll({ context, member, access }: Scene): Promise<string> {
  const open = await context.db
    .select({ id: tickets.id })
    .from(tickets)
    .where(
      and(
        eq(tickets.eventId, access.event.id),
        isNull(tickets.occurrenceId),
        isNull(tickets.revokedAt),
        isNull(tickets.invitedAt),
      ),
    );
  const sent = await inviteStagePeople(
    context,
    member,
    access.event.id,
    open.map((one) => one.id),
  );
  return `Sent to ${sent}.`;
}

async function placePoll({ context, date }: Scene): Promise<string> {
  const [sheet, polls] = [await segmentsOf(context.db, date.id), await pollsOf(context.db, date.id)];
  const lost = polls.find((poll) => !sheet.some((segment) => segment.pollId === poll.id));
  const free = sheet.find((segment) => segment.pollId === null);
  if (!lost || !free) throw new Refusal({ code: "not-found", what: "free segment" });
  await context.db.update(segments).set({ pollId: lost.id }).where(eq(segments.id, free.id));
  return `“${lost.question}” belongs to “${free.title}” now.`;
}

const said = (words: string) => (done: Promise<unknown>) => done.then(() => words);

/** The one act that mends a finding, where there is one. Each says what it did. */
const mends: Readonly<Record<string, (scene: Scene) => Promise<string>>> = {
  "not-published": ({ context, member, access }) =>
    said("The front door is open.")(publishEvent(context, member, access.event.id, true)),
  "panelist-not-invited": inviteAll,
  "access-code-weak": (scene) =>
    said("A new code is set; mails carry it from now on.")(
      change(scene, {
        accessCodeSealed: scene.context.secrets.seal(`${scene.context.ids.code(4)}-${scene.context.ids.code(4)}`),
      }),
    ),
  "join-block-missing": ({ context, access }) =>
    said("The standard words are back.")(
      context.db
        .update(mailings)
        .set({ ...standardWords("invitation", "en"), doc: null })
        .where(and(eq(mailings.eventId, access.event.id), eq(mailings.kind, "invitation"))),
    ),
  "recording-without-consent": (scene) =>
    said("The standard words ask for consent.")(change(scene, { consentText: standardConsent })),
  "credit-without-registration": (scene) =>
    said("Who comes registers first.")(change(scene, { entryBy: "registration" })),
  "nothing-to-do": (scene) => said("Questions are on.")(change(scene, { questionsOn: true })),
  "phone-without-number": (scene) => said("Sound comes by computer.")(change(scene, { soundBy: "computer" })),
  "heavy-picture": (scene) =>
    said("A lighter picture is chosen.")(
      change(scene, { picture: pictures[Math.max(0, Math.min(2, pictures.indexOf(scene.access.event.picture) - 1))]! }),
    ),
  "limit-far-beyond-house": (scene) =>
    said("The limit is twice the house.")(change(scene, { registrationLimit: scene.access.event.houseSize * 2 })),
  "poll-in-no-segment": placePoll,
  "nobody-for-questions": (scene) => giveDuty(scene, "questions"),
  "doors-held-by-one": (scene) => giveDuty(scene, "doors-and-curtain"),
};

/** Mends one finding of one date, if the member may change what it is about. */
export async function mendFinding(
  context: Context,
  member: TeamMember,
  eventId: string,
  dateId: string,
  check: string,
): Promise<string> {
  const access = await accessFor(context, member, eventId, "event.plan");
  if (!roleMay(access.actor, "event.people")) throw new Refusal({ code: "not-allowed", action: "event.people" });
  const mend = mends[check];
  if (!mend) throw notFound("act");
  const date = await dateOf(context.db, eventId, context.clock.now(), dateId);
  const words = await mend({ context, member, access, date });
  await audit(context, context.db, {
    organisationId: access.event.organisationId,
    actorId: member.userId,
    action: "readiness.mend",
    eventId,
    occurrenceId: dateId,
    facts: { check },
  });
  return words;
}
