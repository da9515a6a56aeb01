export {
  audienceStandings,
  composedKinds,
  isFollowUp,
  niceOffset,
  nobody,
  wordedKinds,
  type Audience,
  type AudienceStanding,
  type ComposedKind,
  type WordedKind,
} from "./audience";
export {
  docFromTemplate,
  docHtml,
  docText,
  templateOfDoc,
  type MailBlock,
  type MailDoc,
  type MailInline,
  type MailVersion,
} from "./doc";
export { readAddresses, type AddressList, type ListedAddress } from "./addresses";
export type { Letter } from "./letter";
export { dueAt, mailingKinds, traitsOf, reminderOffsetsMinutes, type MailingKind, type Traits } from "./kinds";
export {
  checkTemplate,
  escapeHtml,
  mergeFields,
  isMergeField,
  mergeFieldPattern,
  mergeSubject,
  plainValue,
  type MergeField,
  type MergeValue,
  type MergeValues,
} from "./merge";
export {
  changeNoticeDueAt,
  changeSettleMinutes,
  maxAttempts,
  mayReceive,
  outcomeOf,
  remindersFor,
  retryAfterMinutes,
  senderPauseMinutes,
  type DeliveryOutcome,
  type SmtpPart,
  type PlannedMessage,
  type Recipient,
} from "./plan";
export { hourFrom, hourTo, trackInstant, trackPercent, type TrackSpan } from "./track-scale";
