import { randomUUID } from "node:crypto";
import { removeGroup, saveContact } from "@/server/services/people/contacts/book";
import { eraseContact } from "@/server/services/people/contacts/erase";
import { markContacts } from "@/server/services/people/contacts/mark";
import { mergeContacts } from "@/server/services/people/contacts/merge";
import { cancelBookings, closeSlots, createSlots, editSlots } from "@/server/services/way-in/slot-plans";
import { makeBoard, removeBoard } from "@/server/services/afterwards/boards";
import { findInBook } from "@/server/services/people/contacts/find";
import { findATimeAhead } from "@/server/services/people/find-a-time";
import { readDraft } from "@/server/services/planning/calendar-import/draft";
import { openRoomNow } from "@/server/services/planning/dates/open-now";
import { decideSeats } from "@/server/services/planning/seat-requests";
import { saveLicences } from "@/server/services/organisation/licences";
import { saveRecordStore } from "@/server/services/afterwards/record-store";
import { saveRules } from "@/server/services/organisation/rules";
import { removeMember, setStanding } from "@/server/services/organisation/team";
import { inviteMember, withdrawInvitation } from "@/server/services/organisation/team-invitations";
import { seatsAround } from "@/server/services/organisation/seats";
import { deleteTemplate, renameTemplate } from "@/server/services/planning/templates";
import type { TeamMember } from "@/server/services/ground/access";
import type { Context } from "@/server/services/ground/context";

/** Acts of the house: for its owner, or for whoever may plan. */
export const houseActs = (
  context: () => Context,
): Readonly<
  Record<string, { needs: "anyone" | "planner" | "owner"; call: (member: TeamMember) => Promise<unknown> }>
> => ({
  markContactsAction: { needs: "planner", call: (m) => markContacts(context(), m, {}) },
  saveContactAction: { needs: "planner", call: (m) => saveContact(context(), m, null, {}) },
  eraseContactAction: { needs: "planner", call: (m) => eraseContact(context(), m, randomUUID()) },
  mergeContactsAction: {
    needs: "planner",
    call: (m) => mergeContacts(context(), m, { keepId: randomUUID(), goneId: randomUUID(), takeFromGone: [] }),
  },
  createSlotsAction: { needs: "planner", call: (m) => createSlots(context(), m, {}) },
  editSlotsAction: { needs: "planner", call: (m) => editSlots(context(), m, randomUUID(), {}) },
  closeSlotsAction: { needs: "planner", call: (m) => closeSlots(context(), m, randomUUID(), true) },
  cancelBookingsAction: { needs: "planner", call: (m) => cancelBookings(context(), m, randomUUID(), []) },
  makeBoardAction: { needs: "planner", call: (m) => makeBoard(context(), m, {}) },
  removeBoardAction: { needs: "planner", call: (m) => removeBoard(context(), m, randomUUID()) },
  removeGroupAction: { needs: "planner", call: (m) => removeGroup(context(), m, "x") },
  askSeatsAction: { needs: "anyone", call: (m) => seatsAround(context(), m, {}) },
  findATimeAheadAction: { needs: "planner", call: (m) => findATimeAhead(context(), m, {}) },
  findInBookAction: { needs: "anyone", call: (m) => findInBook(context(), m, "an") },
  readDraftAction: { needs: "planner", call: (m) => readDraft(context(), m, null, "A title", []) },
  inviteMemberAction: { needs: "owner", call: (m) => inviteMember(context(), m, {}) },
  withdrawInvitationAction: { needs: "owner", call: (m) => withdrawInvitation(context(), m, randomUUID()) },
  setStandingAction: { needs: "owner", call: (m) => setStanding(context(), m, "nobody", "crew") },
  removeMemberAction: { needs: "owner", call: (m) => removeMember(context(), m, "nobody") },
  saveLicencesAction: { needs: "owner", call: (m) => saveLicences(context(), m, []) },
  saveRecordStoreAction: {
    needs: "owner",
    call: (m) => saveRecordStore(context(), m, { url: "", userName: "", password: "" }),
  },
  saveRulesAction: { needs: "owner", call: (m) => saveRules(context(), m, {}) },
  decideSeatsAction: {
    needs: "owner",
    call: (m) => decideSeats(context(), m, randomUUID(), { isGranted: true, answer: "" }),
  },
  renameTemplateAction: { needs: "planner", call: (m) => renameTemplate(context(), m, randomUUID(), "T") },
  deleteTemplateAction: { needs: "planner", call: (m) => deleteTemplate(context(), m, randomUUID()) },
  openRoomNowAction: { needs: "planner", call: (m) => openRoomNow(context(), m) },
});
