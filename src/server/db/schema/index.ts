export {
  auditLog,
  consents,
  contactGroups,
  groupMembers,
  members,
  organisations,
  passwordResets,
  people,
  seeded,
  teamInvitations,
  tries,
} from "./organisation";
export {
  dateChanges,
  dateRecords,
  entryWays,
  events,
  eventShapes,
  invitees,
  occurrences,
  series,
  soundWays,
  tickets,
  type DatesBefore,
  type Look,
} from "./events";
export { drawingBoards, holdingPictures, inkActs } from "./board";
export { deckFailures, deckPages, decks, deckStates } from "./decks";
export { handOuts, handOutTakings } from "./hand-outs";
export { parts, polls, segments } from "./run-sheet";
export { captionLines } from "./captions";
export { chatEntryNotes, chatLines, logHeads } from "./chat";
export { sideRoomSheets } from "./side-rooms";
export { datePlaces } from "./places";
export { busyCalendars, licences, seatRequests, templates, type StoredCalendar } from "./house";
export { boardPosts, boards, letters, mailings, messages, type AlsoAbout, type RenderedMessage } from "./mail";
export { outlets } from "./outlets";
export { overflowTotals, overflowWatchers, passedPieces, programmeFeeds, recordedPieces } from "./programme";
export { recordings } from "./recordings";
export {
  corrections,
  credits,
  dateFigures,
  recordStores,
  serverAway,
  serverSigns,
  statementPosts,
  summaryLinks,
  surveyAnswers,
  surveyReplies,
  surveys,
  visitKeys,
  visits,
  type CreditChange,
} from "./report";
export { plays, viewers } from "./watching";
export {
  admissions,
  ballots,
  callBacks,
  crowds,
  questionComments,
  journal,
  questions,
  questionVotes,
  roomCheckpoints,
  roomOutbox,
  rooms,
  stays,
} from "./room";
export { signals } from "./signals";
export { account, session, user, twoFactor, verification } from "./sign-in";
export { entryProofs, eventFiles, eventPictures, slotPlans } from "./way-in";
