import { freshAccessCode } from "../../planning/access-codes";
import { and, eq, isNull } from "drizzle-orm";
import { messagesFor } from "@/contracts/messages";
import { pictures } from "@/core/organisation";
import { type Duty } from "@/core/people";
import { pollTitle } from "@/core/polls";
import { isMendable, type Finding, type MendableCheck } from "@/core/readiness";
import { roleMay } from "@/core/rights";
import { Refusal } from "@/core/shared";
import { events, mailings, segments, tickets } from "../../../db/schema";
import { isEventWide } from "../../../db/queries/event-wide";
import { accessFor, type EventAccess, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { notFound, type Context } from "../../ground/context";
import { dateOf, type OccurrenceRow } from "../../planning/dates/load";
import { type EventRow } from "../../planning/events";
import { publishEvent } from "../../planning/event-life";
import { standardWords } from "../../mailings/render";
import { pollsOf } from "../../planning/polls";
import { segmentsOf } from "../../planning/run-sheets";
import { setDuties } from "../../people/stage-people";
import { inviteStagePeople } from "../../mailings/stage-invitations";

type Facts = Finding["facts"];

interface Scene {
  readonly context: Context;
  readonly member: TeamMember;
  readonly access: EventAccess;
  readonly date: OccurrenceRow;
}

/** Changes the event's own row; its version grows, so that an open editor sees it. */
async function change({ context, access }: Scene, values: Partial<EventRow>): Promise<void> {
  const { id, version } = access.event;
  await context.db
    .update(events)
    .set({ ...values, version: version + 1 })
    .where(eq(events.id, id));
}

async function giveDuty({ context, member, access }: Scene, duty: Duty): Promise<Facts> {
  const crew = await context.db
    .select()
    .from(tickets)
    .where(and(eq(tickets.eventId, access.event.id), eq(tickets.role, "crew"), isNull(tickets.revokedAt)));
  const one = crew.find((ticket) => !ticket.duties.includes(duty));
  if (!one) throw new Refusal({ code: "not-found", what: "crew member" });
  await setDuties(context, member, access.event.id, one.id, [...one.duties, duty]);
  return {};
}

async function inviteAll({ context, member, access }: Scene): Promise<Facts> {
  const open = await context.db
    .select({ id: tickets.id })
    .from(tickets)
    .where(and(eq(tickets.eventId, access.event.id), isEventWide(), isNull(tickets.invitedAt)));
  const sent = await inviteStagePeople(
    context,
    member,
    access.event.id,
    open.map((one) => one.id),
  );
  return { count: sent };
}

async function placePoll({ context, date }: Scene): Promise<Facts> {
  const [sheet, polls] = [await segmentsOf(context.db, date.id), await pollsOf(context.db, date.id)];
  const lost = polls.find((poll) => !sheet.some((segment) => segment.pollId === poll.id));
  const free = sheet.find((segment) => segment.pollId === null);
  if (!lost || !free) throw new Refusal({ code: "not-found", what: "free segment" });
  await context.db.update(segments).set({ pollId: lost.id }).where(eq(segments.id, free.id));
  return { question: pollTitle(lost), title: free.title };
}

/** For an act whose words need no facts. */
const done = (act: Promise<unknown>): Promise<Facts> => act.then(() => ({}));

/** The one act that mends a finding, where there is one. Each answers what the words about it need. */
const mends: Readonly<Record<MendableCheck, (scene: Scene) => Promise<Facts>>> = {
  "not-published": ({ context, member, access }) => done(publishEvent(context, member, access.event.id, true)),
  "panelist-not-invited": inviteAll,
  "access-code-weak": (scene) =>
    done(change(scene, { accessCodeSealed: scene.context.secrets.seal(freshAccessCode(scene.context)) })),
  "join-block-missing": ({ context, access }) =>
    done(
      context.db
        .update(mailings)
        .set({ ...standardWords("invitation", "en"), doc: null })
        .where(and(eq(mailings.eventId, access.event.id), eq(mailings.kind, "invitation"))),
    ),
  "recording-without-consent": (scene) => done(change(scene, { consentText: messagesFor("en").recordingConsent })),
  "credit-without-registration": (scene) => done(change(scene, { entryBy: "registration" })),
  "nothing-to-do": (scene) => {
    const { switches } = scene.access.event;
    return done(change(scene, { switches: { ...switches, questions: { ...switches.questions, on: true } } }));
  },
  "phone-without-number": (scene) => done(change(scene, { soundBy: "computer" })),
  "heavy-picture": (scene) =>
    done(
      change(scene, { picture: pictures[Math.max(0, Math.min(2, pictures.indexOf(scene.access.event.picture) - 1))]! }),
    ),
  "limit-far-beyond-house": (scene) => done(change(scene, { registrationLimit: scene.access.event.houseSize * 2 })),
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
): Promise<{ check: MendableCheck; facts: Facts }> {
  const access = await accessFor(context, member, eventId, "event.plan");
  if (!roleMay(access.actor, "event.people")) throw new Refusal({ code: "not-allowed", action: "event.people" });
  if (!isMendable(check)) throw notFound("act");
  const date = await dateOf(context.db, eventId, context.clock.now(), dateId);
  const facts = await mends[check]({ context, member, access, date });
  await audit(context, context.db, {
    organisationId: access.event.organisationId,
    actorId: member.userId,
    action: "readiness.mend",
    eventId,
    occurrenceId: dateId,
    facts: { check },
  });
  return { check, facts };
}
