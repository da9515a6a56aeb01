import type { Capability, Sight } from "../capability";
import { isInFoyer, isInHouse, isOfTheStage } from "../standing";
import type { CountItem, DeskStatusItem, EventItem, Section, StageStatusItem, StatusItem } from "../views";
import type { TurnedItem } from "./items";
import type { HourShape } from "./shape";
import { screeningItem } from "./screening";
import { isCurtainUp, showStartedAt, type HourState } from "./state";

type HourSight = Sight<HourState>;
const one = <T>(item: T): Section<T> => ({ it: item });

function event({ words, switches }: HourSight): Section<EventItem> {
  const { title, zone, hasPlannedEnd, times, isRehearsal, crowdSize } = words.event;
  return one({
    title,
    zone,
    startAt: times.startAt,
    endAt: times.endAt,
    questionsOn: switches.questions.on,
    pollsOn: switches.polls.on,
    chatTo: switches.chat.to,
    handsOn: switches.hands.on,
    signalsOn: switches.signals.on,
    mayAskUnnamed: switches.questions.anonymous,
    questionVotesOn: switches.questions.votes,
    questionCommentsOn: switches.questions.comments,
    tellsNotTaken: switches.questions.tellsNotTaken,
    renameOn: switches.rename.on,
    hasPlannedEnd,
    isRehearsal,
    crowdSize,
  });
}

/** Counted once for each list of who is there: an act changes what is shown, seldom who is there. */
const counted = new WeakMap<object, { readonly of: object; readonly counts: Section<CountItem> }>();

/** Test guests stand in the lists and never in a figure. */
function counts({ words: { people }, figures: { present } }: HourSight): Section<CountItem> {
  const known = counted.get(present);
  if (known?.of === people) return known.counts;
  const out = { foyer: 0, house: 0, stage: 0 };
  for (const [ticketId, place] of present) if (people.get(ticketId)?.role !== "test-guest") out[place] += 1;
  const counts = { foyer: { count: out.foyer }, house: { count: out.house }, stage: { count: out.stage } };
  counted.set(present, { of: people, counts });
  return counts;
}

/** For the desk, those who watch without a seat as well. */
const deskCounts = (sight: HourSight): Section<CountItem> => ({
  ...counts(sight),
  overflow: { count: sight.figures.overflow },
});

/** How many are there, where the house may read it. */
const shownCount = (sight: HourSight): Section<CountItem> =>
  sight.switches.count.on ? { house: counts(sight)["house"]! } : {};

const houseStatus = ({ own: hour, words }: HourSight): StatusItem => ({
  phase: hour.phase,
  isCurtainUp: isCurtainUp(hour),
  hasBegun: showStartedAt(hour) !== null,
  ...(words.event.screening && { screening: screeningItem(hour, words.event.screening) }),
});
const stageStatus = (sight: HourSight): StageStatusItem => ({
  ...houseStatus(sight),
  showStartedAt: showStartedAt(sight.own),
});
const deskStatus = (sight: HourSight): DeskStatusItem => ({
  ...stageStatus(sight),
  ...deskHour(sight),
});
const deskHour = ({ own, words }: HourSight) => ({
  areDoorsHeld: own.areDoorsHeld,
  doorsOpenedAt: own.doorsOpenedAt,
  curtainMoves: own.curtainSpans.length,
  endedAt: own.endedAt,
  callAt: words.event.times.callAt,
  houseSize: words.event.houseSize,
});
const barredPeople = ({ own, words }: HourSight) =>
  Object.fromEntries([...own.barred].map(([id]) => [id, { name: words.people.get(id)?.name ?? "" }]));

/** Which switches were turned during the hour, by whom and when. */
const turnedSwitches = ({ own, words }: HourSight): Section<TurnedItem> =>
  Object.fromEntries(
    Object.entries(own.turnedBy ?? {}).map(([name, { byId, at }]) => [
      name,
      { byName: words.people.get(byId)?.name ?? "", at },
    ]),
  );

export const hourViews: Capability<HourShape>["views"] = {
  "hour:desk": {
    isFor: (standing) => standing.isAtDesk,
    reads: ["event", "people", "present", "overflow"],
    make: (sight) => ({
      event: event(sight),
      status: one(deskStatus(sight)),
      figures: deskCounts(sight),
      switches: one(sight.switches),
      turned: turnedSwitches(sight),
      barred: barredPeople(sight),
    }),
  },
  "hour:stage": {
    isFor: (standing) => isOfTheStage(standing) && !standing.isAtDesk,
    reads: ["event", "people", "present"],
    make: (sight) => ({ event: event(sight), status: one(stageStatus(sight)), figures: counts(sight) }),
  },
  "hour:house": {
    isFor: isInHouse,
    reads: ["event", "people", "present"],
    make: (sight) => ({ event: event(sight), status: one(houseStatus(sight)), figures: shownCount(sight) }),
  },
  "hour:foyer": {
    isFor: isInFoyer,
    reads: ["event"],
    make: (sight) => ({ event: event(sight), status: one({ phase: sight.own.phase }) }),
  },
};
