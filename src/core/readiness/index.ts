import { accessCodeWeak } from "./checks/access-code-weak";
import { beyondHouseLimits } from "./checks/beyond-house-limits";
import { clockChangeAtStart } from "./checks/clock-change-at-start";
import { creditWithoutRegistration } from "./checks/credit-without-registration";
import { doorsHeldByOne } from "./checks/doors-held-by-one";
import { hardTimeBroken } from "./checks/hard-time-broken";
import { heavyPicture } from "./checks/heavy-picture";
import { houseLikelyFull } from "./checks/house-likely-full";
import { interpretationWithoutInterpreter } from "./checks/interpretation-without-interpreter";
import { joinBlockMissing } from "./checks/join-block-missing";
import { leaderNotComing } from "./checks/leader-not-coming";
import { licenceMissing } from "./checks/licence-missing";
import { licenceMuchTooLarge } from "./checks/licence-much-too-large";
import { limitFarBeyondHouse } from "./checks/limit-far-beyond-house";
import { longForm } from "./checks/long-form";
import { mailsFailed } from "./checks/mails-failed";
import { noDescription } from "./checks/no-description";
import { noPanelist } from "./checks/no-panelist";
import { noTestGuest } from "./checks/no-test-guest";
import { nobodyConfirmed } from "./checks/nobody-confirmed";
import { nobodyForQuestions } from "./checks/nobody-for-questions";
import { notPublished } from "./checks/not-published";
import { nothingToDo } from "./checks/nothing-to-do";
import { panelistNotInvited } from "./checks/panelist-not-invited";
import { partOutsideTheDate } from "./checks/part-outside-the-date";
import { peopleToApprove } from "./checks/people-to-approve";
import { phoneWithoutNumber } from "./checks/phone-without-number";
import { pollInNoSegment } from "./checks/poll-in-no-segment";
import { pollWithoutOptions } from "./checks/poll-without-options";
import { publicHoliday } from "./checks/public-holiday";
import { recordingWithoutConsent } from "./checks/recording-without-consent";
import { reminderAlreadyPast } from "./checks/reminder-already-past";
import { repliesOutstanding } from "./checks/replies-outstanding";
import { runSheetEmpty } from "./checks/run-sheet-empty";
import { runSheetOverTheHour } from "./checks/run-sheet-over-the-hour";
import { runSheetShort } from "./checks/run-sheet-short";
import { seatRequestOpen } from "./checks/seat-request-open";
import { segmentWithoutLeader } from "./checks/segment-without-leader";
import { seriesCrossesClockChange } from "./checks/series-crosses-clock-change";
import { stagePersonAtNight } from "./checks/stage-person-at-night";
import { stagePersonBusy } from "./checks/stage-person-busy";
import { startOutsideHours } from "./checks/start-outside-hours";
import { techChecksOpen } from "./checks/tech-checks-open";
import type { Check, Finding, PlanFacts, Severity } from "./plan-facts";
import { stageChecks } from "./names";

export const checks: readonly Check[] = [
  accessCodeWeak,
  beyondHouseLimits,
  clockChangeAtStart,
  creditWithoutRegistration,
  doorsHeldByOne,
  hardTimeBroken,
  heavyPicture,
  houseLikelyFull,
  interpretationWithoutInterpreter,
  joinBlockMissing,
  leaderNotComing,
  licenceMissing,
  licenceMuchTooLarge,
  limitFarBeyondHouse,
  longForm,
  mailsFailed,
  noDescription,
  noPanelist,
  noTestGuest,
  nobodyConfirmed,
  nobodyForQuestions,
  notPublished,
  nothingToDo,
  panelistNotInvited,
  partOutsideTheDate,
  peopleToApprove,
  phoneWithoutNumber,
  pollInNoSegment,
  pollWithoutOptions,
  publicHoliday,
  recordingWithoutConsent,
  reminderAlreadyPast,
  repliesOutstanding,
  runSheetEmpty,
  runSheetOverTheHour,
  runSheetShort,
  seatRequestOpen,
  segmentWithoutLeader,
  seriesCrossesClockChange,
  stagePersonAtNight,
  stagePersonBusy,
  startOutsideHours,
  techChecksOpen,
];

const rank: Record<Severity, number> = { "stops-the-show": 0, "not-during-the-hour": 1, "worth-a-look": 2 };

/** All that still stands between the plan and a good hour: the gravest first, then the soonest due. */
export function readinessOf(plan: PlanFacts): readonly Finding[] {
  return checks
    .map((check) => check(plan))
    .filter((one) => one !== null)
    .filter((one) => !plan.isScreening || !stageChecks.has(one.check))
    .sort((a, b) => rank[a.severity] - rank[b.severity] || a.byAt - b.byAt || (a.check < b.check ? -1 : 1));
}

export type { Check, Finding, Place, PlanFacts, PollFacts, SegmentFacts, Severity, StageFacts } from "./plan-facts";
export { checkNames, isMendable, mendableChecks, type CheckName, type MendableCheck } from "./names";
