export { handOutChange, handOutName, mostHandOutBytes, mostHandOuts, type HandOutChange } from "./hand-outs";
export type { CaptionRow } from "./room/captions";
export { boardTitleInput, surfaceInput, type InkRow } from "./room/board";
export type { ChatLineView, OwnLine } from "./room/chat";
export type { Done } from "./done";
export type { ExtentConsequences } from "./views/extent";
export type { SlotGrid } from "./views/slot-grid";
export { bookingInput, slotPlanInput, type SlotPlanInput } from "./slots-input";
export { frontDoorInput, type FrontDoorInput } from "./look-input";
export {
  audienceInput,
  boardInput,
  postInput,
  kindWordsInput,
  mailDocInput,
  mailingInput,
  followUpInput,
  reminderOffsetsInput,
  type MailingInput,
  type MailingVersion,
} from "./mailing-input";
export { entryMappingInput, type EntriesImported, type EntriesPreview } from "./entries-input";
export {
  contactInput,
  contactQuery,
  markContactsInput,
  mappingInput,
  mergeInput,
  type MergeInput,
  type ContactInput,
  type ContactQuery,
  type ImportLine,
} from "./contacts-input";
export {
  callInput,
  callReport,
  callReportEveryMs,
  ownNumber,
  pickedUp,
  type CallReport,
  type CallState,
} from "./phone-input";
export { mostOutlets, outletInput, type OutletInput, type OutletLine } from "./outlet-input";
export { recordStoreInput, type RecordStoreInput, type StatementPost } from "./record-store";
export { hookOutcomeFrom, hookOutcomes, hookOutcomeText, type HookOutcome } from "./hook-outcome";
export { fieldIssuesOf, issuesOf } from "./issues";
export { wordsOfIssue } from "./issue-words";
export { httpStatusOf } from "./failure-http";
export { wordsOf } from "./failure-words";
export {
  dutiesInput,
  emailText,
  personName,
  openEntryInput,
  ownDetailsInput,
  registerForm,
  registrationInput,
  stagePersonInput,
  type RegisterForm,
  type RegistrationInput,
  type StagePersonInput,
} from "./people-input";
export {
  formFieldInput,
  freshPlan,
  partInput,
  ruleInput,
  planInput,
  runSheetInput,
  segmentInput,
  type PlanInput,
  type RunSheetInput,
} from "./plan-input";
export { areSame, readyPollInput, type PollPlanInput } from "./poll-input";
export {
  commandInput,
  factTypes,
  whisperTypes,
  type FactBody,
  type AsideBody,
  type WhisperBody,
  type JournalledBody,
  type CommandAnswer,
  type CommandBody,
  type CommandInput,
} from "./room/command";
export {
  earlierInput,
  watchingInput,
  earlierPage,
  type EarlierPage,
  haveText,
  readHave,
  beatEveryMs,
  lineLostAfterMs,
  signEveryMs,
  signLostAfterMs,
  logEpoch,
  type LogRow,
  type StreamEvent,
  type StreamMessages,
} from "./stream";
export {
  extentInput,
  rehearsalInput,
  seatQuestionInput,
  slotQuestionAheadInput,
  slotQuestionInput,
  type ExtentInput,
  type SeatQuestion,
  type SlotQuestion,
  type SlotQuestionAhead,
} from "./dates-input";
export {
  houseRulesInput,
  joinTeamInput,
  licencesInput,
  newPasswordInput,
  seatDecisionInput,
  seatRequestInput,
  shortestPassword,
  standingInput,
  teamInviteInput,
} from "./organisation-input";
export { deckInput, mostDeckBytes, type DeckInput } from "./deck-input";
export { templateBody, type TemplateBody } from "./template-body";
export type { Contact, ImportPreview } from "./views/contact";
export type { SeatAnswer, SeatRequestLine } from "./views/seats";
export type { SeasonDate } from "./views/season-date";
export type { TrackMark } from "./views/track-mark";
export type { LatePerson, LetIn } from "./views/late-person";
export type { InvitationLine, TeamLine } from "./views/team";
export type { EventDraft, UnreadPart } from "./views/event-draft";
export { mostSideRoomsFileBytes, sideRoomsFileInput, type SideRoomsRead } from "./side-rooms-input";
export {
  publicationInput,
  recordingEditInput,
  screeningInput,
  type PublicationInput,
  type RecordingEditInput,
} from "./recording-input";
export { mostPlaysAtOnce, playsInput, type PlaysInput } from "./plays-input";
export {
  chosenPeopleInput,
  creditChangeInput,
  entryCorrectionInput,
  mergeLinesInput,
  mostSurveyQuestions,
  noteOnPeopleInput,
  stretchInput,
  summaryLinkInput,
  surveyAnswersInput,
  surveyInput,
  testInput,
  type CreditChangeInput,
  type SurveyInput,
} from "./report-input";
export type { ComparedDate, Comparison, OfferedDate } from "./views/compared-date";
export type { EntryOfPerson, PersonOfDate, PersonPage } from "./views/person-of-date";
export type { Series, SeriesDate } from "./views/series";
export type { Forecast, Year, YearDate } from "./views/year";
