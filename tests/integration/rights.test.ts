import { planScreening } from "@/server/services/afterwards/screenings";
import { houseActs } from "../support/house-acts";
import { outletActs } from "../support/outlet-acts";
import { reportActs } from "../support/report-acts";
import { routeActs, someHandOut } from "../support/route-acts";
import { changeHandOut, handOutAsDeck, removeHandOut } from "@/server/services/hour/hand-outs";
import { readFileSync } from "node:fs";
import { randomUUID } from "node:crypto";
import { resolve } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { duties, roles, type Actor } from "@/core/people";
import { roleMay, type Action } from "@/core/rights";
import type { CommandBody } from "@/contracts";
import type { TeamMember } from "@/server/services/ground/access";
import { createEvent, loadPlan } from "@/server/services/planning/events";
import { savePlan } from "@/server/services/planning/save-plan";
import { deleteEvent, hearersOfEvent, publishEvent, restoreEvent } from "@/server/services/planning/event-life";
import { deleteMailing, saveKindWords, saveMailing } from "@/server/services/mailings/compose";
import { previewMailing, testMailing } from "@/server/services/mailings/preview";
import {
  goOnMailing,
  remindUnanswered,
  sendMailing,
  stopMailing,
  summariseAudience,
} from "@/server/services/mailings/send";
import { setFollowUp, setReminders } from "@/server/services/mailings/track";
import { saveEdit } from "@/server/services/afterwards/edit-recording";
import { deleteRecording, restoreRecording } from "@/server/services/afterwards/bin-recording";
import { joinAgain } from "@/server/services/afterwards/join-recordings";
import { publishRecording, takeOffRecording } from "@/server/services/afterwards/publish-recording";
import { setDuration } from "@/server/services/afterwards/recordings";
import { makeTestGuest } from "@/server/services/way-in/registration";
import {
  cancelFor,
  correctAddress,
  replaceLink,
  sendLinkAgain,
  keepNote,
  moveToDate,
} from "@/server/services/way-in/registrant-acts";
import { decideRegistrations } from "@/server/services/way-in/registration-changes";
import { executeWhole as execute } from "@/server/services/ground/room/commands";
import { removeFile } from "@/server/services/way-in/front/files";
import { saveFrontDoor } from "@/server/services/way-in/front/look";
import { postOnBoard } from "@/server/services/afterwards/boards";
import { tryAgain } from "@/server/services/mailings/outbox";
import { emptyRehearsal, fillRehearsal } from "@/server/services/hour/crowd";
import { deskEntry } from "@/server/services/hour/entry";
import { bringSideRooms } from "@/server/services/hour/side-rooms";
import { keepSwitches } from "@/server/services/hour/keep-switches";
import { extendDate } from "@/server/services/hour/extend";
import { findLate, letLateIn } from "@/server/services/hour/late-people";
import { addBusyCalendar } from "@/server/services/people/busy-calendar";
import { findATime } from "@/server/services/people/find-a-time";
import { applyExtent, previewExtent, undoChange } from "@/server/services/planning/dates/extents";
import { openStanding } from "@/server/services/planning/dates/open-now";
import { addRehearsal, cancelRehearsal, inviteToRehearsal } from "@/server/services/planning/dates/rehearsals";
import { requestSeats } from "@/server/services/planning/seat-requests";
import { nobody } from "@/core/mailings";
import { findContacts, readAudience } from "@/server/services/mailings/read-audience";
import { mendFinding } from "@/server/services/overview/readiness/mends";
import { duplicateEvent, saveTemplate } from "@/server/services/planning/templates";
import { bringFact, requireRight } from "@/server/services/hour/facts";
import { copyRunSheet, saveRunSheet } from "@/server/services/planning/run-sheets";
import { addStagePerson, removeStagePerson, setDuties, setReply } from "@/server/services/people/stage-people";
import { inviteStagePeople, previewStageInvitation } from "@/server/services/mailings/stage-invitations";
import { decks, messages, recordings, tickets } from "@/server/db/schema";
import { removeDeck, saveNotes, setHandOut } from "@/server/services/hour/decks";
import { composed } from "../support/mailing";
import {
  addMember,
  addOrganisation,
  addTicket,
  goodPlan,
  makeEvent,
  makeWorld,
  type MadeEvent,
  type World,
} from "../support/world";
import { commands } from "../support/commands";
import { codeOf } from "../support/code-of";

let world: World;
let event: MadeEvent;
let ticketId: string;
const [shown, roomsFile] = [randomUUID(), { text: "room,email\n1,x@example.org" }] as const;
beforeAll(async () => {
  world = await makeWorld();
  event = await makeEvent(world);
  ticketId = await addTicket(world, event, "crew", "Colleague");
  mailingId = (await saveMailing(world.context, world.owner, event.eventId, null, 0, composed("note"))).id;
  const file = { fileName: "x.media", mediaType: "video/webm" as const, sizeBytes: 1, uploadedAt: world.clock.now() };
  await world.context.db.insert(recordings).values({
    id: shown,
    organisationId: world.organisationId,
    occurrenceId: event.occurrenceId,
    slug: "x",
    title: "x",
    ...file,
  });
});
afterAll(() => world.close());

/** Slides that nobody has made pages of yet. */
async function someDeck(): Promise<string> {
  const id = randomUUID();
  const { organisationId } = world;
  const row = { id, organisationId, occurrenceId: event.occurrenceId, title: "x", language: "en", sizeBytes: 1 };
  await world.context.db.insert(decks).values({ ...row, createdAt: world.clock.now() });
  return id;
}

type Call = (member: TeamMember) => Promise<unknown>;
const ofDeck = (call: (member: TeamMember, id: string) => Promise<unknown>) =>
  ({ needs: "event.run-sheet", call: async (m: TeamMember) => call(m, await someDeck()) }) as const;
const ofFile = (call: (member: TeamMember, id: string) => Promise<unknown>) =>
  ({ needs: "event.run-sheet", call: async (m: TeamMember) => call(m, await someHandOut(world, event)) }) as const;
let mailingId: string;

/** Every server action of the workspace with the right it needs. A new one fails here until it is put in. */
const actions: Readonly<Record<string, { needs: Action | "standing"; call: Call }>> = {
  createEventAction: { needs: "standing", call: (m) => createEvent(world.context, m, goodPlan()) },
  savePlanAction: {
    needs: "event.plan",
    call: (m) => savePlan(world.context, m, event.eventId, -1, goodPlan(), false),
  },
  currentPlanAction: { needs: "event.read", call: (m) => loadPlan(world.context, m, event.eventId) },
  publishAction: { needs: "event.plan", call: (m) => publishEvent(world.context, m, event.eventId, true) },
  deleteAction: { needs: "event.plan", call: (m) => deleteEvent(world.context, m, event.eventId) },
  hearersAction: { needs: "event.plan", call: (m) => hearersOfEvent(world.context, m, event.eventId) },
  restoreAction: { needs: "event.plan", call: (m) => restoreEvent(world.context, m, event.eventId) },
  addPersonAction: {
    needs: "event.people",
    call: (m) =>
      addStagePerson(world.context, m, event.eventId, {
        name: "N",
        email: `${randomUUID()}@example.org`,
        role: "panelist",
        duties: [],
        languages: null,
      }),
  },
  setDutiesAction: { needs: "event.people", call: (m) => setDuties(world.context, m, event.eventId, ticketId, []) },
  removePersonAction: { needs: "event.people", call: (m) => removeStagePerson(world.context, m, event.eventId, shown) },
  previewStageAction: {
    needs: "event.people",
    call: (m) => previewStageInvitation(world.context, m, event.eventId, ticketId),
  },
  inviteStageAction: {
    needs: "event.people",
    call: (m) => inviteStagePeople(world.context, m, event.eventId, [ticketId]),
  },
  removeDeckAction: ofDeck((member, id) => removeDeck(world.context, { member }, id)),
  setHandOutAction: ofDeck((member, id) => setHandOut(world.context, member, id, true)),
  saveNotesAction: ofDeck((member, id) => saveNotes(world.context, { member }, id, 1, "x")),
  changeHandOutAction: ofFile((member, id) => changeHandOut(world.context, { member }, id, { isShown: true })),
  handOutAsDeckAction: ofFile((member, id) => handOutAsDeck(world.context, { member }, id, "en")),
  removeHandOutAction: ofFile((member, id) => removeHandOut(world.context, { member }, id)),
  saveRunSheetAction: {
    needs: "event.run-sheet",
    call: (m) => saveRunSheet(world.context, m, event.eventId, { segments: [], polls: [], parts: [] }),
  },
  testGuestAction: { needs: "event.mailings", call: (m) => makeTestGuest(world.context, m, event.eventId) },
  saveMailingAction: {
    needs: "event.mailings",
    call: (m) => saveMailing(world.context, m, event.eventId, null, 0, composed("note")),
  },
  saveKindWordsAction: {
    needs: "event.mailings",
    call: (m) => saveKindWords(world.context, m, event.eventId, "reminder", null),
  },
  previewMailingAction: {
    needs: "event.mailings",
    call: (m) => previewMailing(world.context, m, event.eventId, {}, null),
  },
  testMailingAction: { needs: "event.mailings", call: (m) => testMailing(world.context, m, event.eventId, {}) },
  readAudienceAction: {
    needs: "event.mailings",
    call: (m) => readAudience(world.context, m, event.eventId, "note", { ...nobody }, ""),
  },
  findContactsAction: { needs: "event.mailings", call: (m) => findContacts(world.context, m, event.eventId, "an") },
  countAudienceAction: {
    needs: "event.mailings",
    call: (m) => summariseAudience(world.context, m, event.eventId, "note", nobody),
  },
  sendMailingAction: { needs: "event.mailings", call: (m) => sendMailing(world.context, m, event.eventId, mailingId) },
  postOnBoardAction: { needs: "event.mailings", call: (m) => postOnBoard(world.context, m, event.eventId, {}) },
  stopMailingAction: { needs: "event.mailings", call: (m) => stopMailing(world.context, m, event.eventId, mailingId) },
  goOnMailingAction: { needs: "event.mailings", call: (m) => goOnMailing(world.context, m, event.eventId, mailingId) },
  deleteMailingAction: { needs: "event.mailings", call: (m) => deleteMailing(world.context, m, event.eventId, shown) },
  remindUnansweredAction: { needs: "event.mailings", call: (m) => remindUnanswered(world.context, m, event.eventId) },
  setRemindersAction: { needs: "event.mailings", call: (m) => setReminders(world.context, m, event.eventId, [60]) },
  tryAgainAction: { needs: "event.mailings", call: async (m) => tryAgain(world.context, m, await anyMessage()) },
  setFollowUpAction: {
    needs: "event.mailings",
    call: (m) => setFollowUp(world.context, m, event.eventId, mailingId, {}),
  },
  sendLinkAgainAction: { needs: "event.people", call: (m) => sendLinkAgain(world.context, m, event.eventId, shown) },
  replaceLinkAction: { needs: "event.people", call: (m) => replaceLink(world.context, m, event.eventId, randomUUID()) },
  cancelForAction: { needs: "event.people", call: (m) => cancelFor(world.context, m, event.eventId, randomUUID()) },
  moveToDateAction: {
    needs: "event.people",
    call: (m) => moveToDate(world.context, m, event.eventId, randomUUID(), randomUUID()),
  },
  keepNoteAction: {
    needs: "event.people",
    call: (m) => keepNote(world.context, m, event.eventId, randomUUID(), { note: "" }),
  },
  correctAddressAction: {
    needs: "event.people",
    call: (m) => correctAddress(world.context, m, event.eventId, shown, {}),
  },
  saveFrontDoorAction: { needs: "event.plan", call: (m) => saveFrontDoor(world.context, m, event.eventId, -1, {}) },
  removeFileAction: { needs: "event.plan", call: (m) => removeFile(world.context, m, event.eventId, randomUUID()) },
  publishRecordingAction: { needs: "recording.upload", call: (m) => publishRecording(world.context, m, shown, 0) },
  takeOffRecordingAction: { needs: "recording.upload", call: (m) => takeOffRecording(world.context, m, shown) },
  deleteRecordingAction: { needs: "recording.upload", call: (m) => deleteRecording(world.context, m, shown) },
  restoreRecordingAction: { needs: "recording.upload", call: (m) => restoreRecording(world.context, m, shown) },
  planScreeningAction: { needs: "event.plan", call: (m) => planScreening(world.context, m, shown, {}) },
  joinAgainAction: { needs: "recording.upload", call: (m) => joinAgain(world.context, m, shown) },
  saveEditAction: { needs: "recording.edit", call: (m) => saveEdit(world.context, m, shown, {}) },
  setDurationAction: { needs: "recording.upload", call: (m) => setDuration(world.context, m, shown, 1) },
  strikeCurtainAction: {
    needs: "hour.strike-curtain",
    call: (m) => fromWorkspace(m, { type: "hour.strike-curtain", index: 0, isStruck: true }),
  },
  findLateAction: {
    needs: "event.people",
    call: (m) => findLate(world.context, m, event.eventId, event.occurrenceId, "somebody"),
  },
  letLateInAction: {
    needs: "event.people",
    call: (m) => letLateIn(world.context, m, event.eventId, event.occurrenceId, { ticketId: randomUUID() }),
  },
  fillRehearsalAction: {
    needs: "event.people",
    call: (m) => fillRehearsal(world.context, m, event.eventId, event.occurrenceId, { size: 3, temper: "calm" }),
  },
  emptyRehearsalAction: {
    needs: "event.people",
    call: (m) => emptyRehearsal(world.context, m, event.eventId, event.occurrenceId),
  },
  bringSideRoomsAction: {
    needs: "sideRooms.make",
    call: (m) => bringSideRooms(world.context, world.cache, m, event.eventId, event.occurrenceId, roomsFile),
  },
  ...outletActs(() => ({ context: world.context, about: event })),
  ...reportActs(() => ({ context: world.context, about: event })),
  keepSwitchesAction: {
    needs: "event.plan",
    call: (m) => keepSwitches(world.context, m, event.eventId, event.occurrenceId),
  },
  extendDateAction: {
    needs: "hour.end",
    call: (m) => extendDate(world.context, m, event.eventId, event.occurrenceId, 5, 0),
  },
  answerByMailAction: {
    needs: "questions.answer",
    call: (m) => fromWorkspace(m, { type: "questions.answer", questionId: randomUUID(), how: "to-one", text: "x" }),
  },
  copyRunSheetAction: {
    needs: "event.run-sheet",
    call: (m) => copyRunSheet(world.context, m, event.eventId, event.occurrenceId),
  },
  mendAction: {
    needs: "event.plan",
    call: (m) => mendFinding(world.context, m, event.eventId, event.occurrenceId, "front-door-closed"),
  },
  saveTemplateAction: { needs: "event.plan", call: (m) => saveTemplate(world.context, m, event.eventId, "T") },
  copyEventAction: { needs: "event.plan", call: (m) => duplicateEvent(world.context, m, event.eventId) },
  duplicateAction: { needs: "event.plan", call: (m) => duplicateEvent(world.context, m, event.eventId) },
  requestSeatsAction: {
    needs: "event.plan",
    call: (m) => requestSeats(world.context, m, event.eventId, { wantedSize: 500, note: "" }),
  },
  setReplyAction: { needs: "event.people", call: (m) => setReply(world.context, m, event.eventId, ticketId, "coming") },
  addBusyCalendarAction: {
    needs: "event.people",
    call: (m) => addBusyCalendar(world.context, m, event.eventId, ticketId, "c.ics", new Uint8Array()),
  },
  findATimeAction: { needs: "event.people", call: (m) => findATime(world.context, m, event.eventId, {}) },
  decideRegistrationAction: {
    needs: "event.people",
    call: (m) => decideRegistrations(world.context, m, event.eventId, [randomUUID()], true),
  },
  previewExtentAction: { needs: "event.plan", call: (m) => previewExtent(world.context, m, event.eventId, moveOne()) },
  applyExtentAction: {
    needs: "event.plan",
    call: (m) => applyExtent(world.context, m, event.eventId, moveOne(), false),
  },
  undoChangeAction: { needs: "event.plan", call: (m) => undoChange(world.context, m, event.eventId, randomUUID()) },
  addRehearsalAction: { needs: "event.plan", call: (m) => addRehearsal(world.context, m, event.eventId, {}) },
  inviteToRehearsalAction: {
    needs: "event.people",
    call: (m) => inviteToRehearsal(world.context, m, event.eventId, shown),
  },
  cancelRehearsalAction: {
    needs: "event.plan",
    call: (m) => cancelRehearsal(world.context, m, event.eventId, randomUUID()),
  },
  openStandingAction: { needs: "event.plan", call: (m) => openStanding(world.context, m, event.eventId) },
};

/** A message of the event. */
async function anyMessage(): Promise<string> {
  const about = {
    organisationId: world.organisationId,
    eventId: event.eventId,
    occurrenceId: event.occurrenceId,
    personId: world.owner.personId,
  };
  const id = randomUUID();
  await world.context.db.insert(messages).values({
    id,
    ...about,
    kind: "note",
    state: "sent",
    plannedDueAt: world.clock.now(),
    dueAt: world.clock.now(),
    createdAt: world.clock.now(),
    messageId: id,
    mailingId: id,
  });
  return id;
}

const moveOne = () => ({ markedIds: [event.occurrenceId], change: { kind: "call-off" as const } });

const houseActions = houseActs(() => world.context);

async function fromWorkspace(member: TeamMember, command: CommandBody): Promise<unknown> {
  const { actor, ticketId: actorId } = await deskEntry(world.context, member, event.eventId, event.occurrenceId);
  return execute(
    world.context,
    world.cache,
    { actor, actorId, occurrenceId: event.occurrenceId },
    { commandId: randomUUID(), command },
  );
}

async function crewWith(duty: (typeof duties)[number] | null): Promise<TeamMember> {
  const member = await addMember(world.context, world.organisationId, "crew", "Crew");
  const row = {
    id: randomUUID(),
    organisationId: world.organisationId,
    eventId: event.eventId,
    personId: member.personId,
    role: "crew" as const,
  };
  await world.context.db
    .insert(tickets)
    .values({ ...row, duties: duty ? [duty] : [], registeredAt: world.clock.now() });
  return member;
}

describe("rule 6: every act of the workspace asks the table", () => {
  it("knows every server action", () => {
    const files = [
      "events/[id]/actions.ts",
      "events/[id]/dates-actions.ts",
      "events/[id]/people-actions.ts",
      "events/[id]/registrant-actions.ts",
      "events/[id]/mailing-actions.ts",
      "events/[id]/deck-actions.ts",
      "events/[id]/hand-out-actions.ts",
      "events/[id]/report-actions.ts",
      "events/[id]/outlet-actions.ts",
      "house-actions.ts",
      "recordings/actions.ts",
      "organisation/team-actions.ts",
      "contacts/actions.ts",
      "slots/actions.ts",
      "outbox/actions.ts",
    ];
    const text = files
      .map((file) => readFileSync(resolve(import.meta.dirname, "../../src/app/(team)", file), "utf8"))
      .join("\n");
    const names = [...text.matchAll(/export async function (\w+)/g)].map((match) => match[1]!);
    expect(names.sort()).toEqual([...Object.keys(actions), ...Object.keys(houseActions)].sort());
  });

  it("lets crew do nothing to the house", async () => {
    const crew = await crewWith("people");
    for (const [name, { needs, call }] of Object.entries(houseActions))
      expect([name, (await codeOf(call(crew))) === "not-allowed"]).toEqual([name, needs !== "anyone"]);
  });

  it("lets whoever plans not change what the house owns", async () => {
    const planner = await addMember(world.context, world.organisationId, "producer", "Planner");
    for (const [name, { needs, call }] of Object.entries(houseActions))
      expect([name, (await codeOf(call(planner))) === "not-allowed"]).toEqual([name, needs === "owner"]);
  });

  it("tells another organisation's owner that there is nothing, whatever the act", async () => {
    const stranger = await addMember(
      world.context,
      await addOrganisation(world.context, `${randomUUID()}.example.org`),
      "owner",
      "Stranger",
    );
    for (const [name, { needs, call }] of Object.entries({ ...actions, ...routeActs(world, event) }))
      if (needs !== "standing") expect([name, await codeOf(call(stranger))]).toEqual([name, "not-found"]);
  });

  it("refuses a member who is not on the event's list", async () => {
    const outsider = await addMember(world.context, world.organisationId, "crew", "Outsider");
    for (const [name, { call }] of Object.entries({ ...actions, ...routeActs(world, event) }))
      expect([name, ["not-allowed", "not-found"]]).toEqual([
        name,
        expect.arrayContaining([await codeOf(call(outsider))]),
      ]);
  });

  it.each([null, ...duties])("gives a crew member with the duty %s exactly what it holds", async (duty) => {
    const member = await crewWith(duty);
    const actor: Actor = { role: "crew", duties: duty ? [duty] : [] };
    for (const [name, { needs, call }] of Object.entries({ ...actions, ...routeActs(world, event) })) {
      if (name === "restoreAction") continue; // answered with not-found: it looks for the producer's own
      const may = needs !== "standing" && roleMay(actor, needs);
      const code = await codeOf(call(member));
      expect([name, code === "not-allowed"]).toEqual([name, !may]);
    }
  });
});

describe("rule 6: every command of the room asks the table", () => {
  it("refuses each command to every role and duty that the table does not list", async () => {
    const actors: Actor[] = [
      ...roles.map((role) => ({ role, duties: [] })),
      ...duties.map((duty) => ({ role: "crew" as const, duties: [duty] })),
    ];
    for (const command of Object.values(commands)) {
      if (command.type === "sign" || command.type === "goodbye") continue; // the caller's own connection, checked by its cookie
      const action: Action = command.type;
      for (const actor of actors) {
        if (roleMay(actor, action)) continue;
        const who = {
          actor,
          actorId: ticketId,
          organisationId: world.organisationId,
          occurrenceId: event.occurrenceId,
        };
        const sent =
          command.type === "polls.vote" || command.type === "questions.vote" || command.type === "chat.say"
            ? bringFact(world.context, who, command)
            : command.type === "stage.level"
              ? requireRight(world.context, who, command.type, null)
              : execute(world.context, world.cache, who, { commandId: randomUUID(), command });
        expect([command.type, actor.role, actor.duties, await codeOf(sent)]).toEqual([
          command.type,
          actor.role,
          actor.duties,
          "not-allowed",
        ]);
      }
    }
  });
});
