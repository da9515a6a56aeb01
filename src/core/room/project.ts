import { isStageRole, type RoleClass } from "../people";
import { currentCue, isCurtainUp, preparedPoll, showStartedAt, arrivedBackstage, type RoomState } from "./state";
import type { DirectoryPoll, RoomDirectory, RoomFigures } from "./directory";
import type {
  AudienceItem,
  CastItem,
  CountItem,
  DeskQuestionItem,
  DeskView,
  EventItem,
  FoyerView,
  HouseQuestionItem,
  HouseView,
  PollItem,
  Section,
  SegmentItem,
  StagePersonItem,
  StageQuestionItem,
  StageView,
  TallyItem,
  ViewOf,
} from "./views";

const one = <T>(item: T): Section<T> => ({ it: item });

function eventOf(directory: RoomDirectory): Section<EventItem> {
  const { title, zone, questionsOn, pollsOn, hasPlannedEnd } = directory;
  return one({
    title,
    zone,
    startAt: directory.times.startAt,
    endAt: directory.times.endAt,
    questionsOn,
    pollsOn,
    hasPlannedEnd,
  });
}

function segmentsOf(directory: RoomDirectory): Section<SegmentItem> {
  return Object.fromEntries(directory.segments.map(({ id, ...segment }, position) => [id, { ...segment, position }]));
}

function stagePeopleOf(room: RoomState, directory: RoomDirectory, figures: RoomFigures): Section<StagePersonItem> {
  const out: Record<string, StagePersonItem> = {};
  for (const person of directory.people.values()) {
    if (!isStageRole(person.role)) continue;
    const { place, isMicrophoneOpen } = room.people[person.ticketId] ?? arrivedBackstage;
    const isPresent = figures.present.has(person.ticketId);
    const callerLevel = figures.callers.get(person.ticketId) ?? null;
    out[person.ticketId] = { name: person.name, role: person.role, place, isMicrophoneOpen, isPresent, callerLevel };
  }
  return out;
}

function audienceOf(directory: RoomDirectory, figures: RoomFigures): Section<AudienceItem> {
  const out: Record<string, AudienceItem> = {};
  for (const [ticketId, place] of figures.present) {
    const person = directory.people.get(ticketId);
    if (!person || place === "stage" || isStageRole(person.role)) continue;
    out[ticketId] = {
      name: person.name,
      place,
      isTest: person.role === "test-guest",
      callerLevel: figures.callers.get(ticketId) ?? null,
    };
  }
  return out;
}

/** Test guests stand in the lists and never in a figure. */
function figuresOf(directory: RoomDirectory, figures: RoomFigures): Section<CountItem> {
  const counts = { foyer: 0, house: 0, stage: 0 };
  for (const [ticketId, place] of figures.present) {
    if (directory.people.get(ticketId)?.role !== "test-guest") counts[place] += 1;
  }
  return { foyer: { count: counts.foyer }, house: { count: counts.house }, stage: { count: counts.stage } };
}

function deskQuestionsOf(room: RoomState, directory: RoomDirectory): Section<DeskQuestionItem> {
  const out: Record<string, DeskQuestionItem> = {};
  for (const [id, question] of Object.entries(room.questions)) {
    const words = directory.questions.get(id);
    out[id] = {
      ...question,
      text: words?.text ?? "",
      answer: words?.answer ?? null,
      askerName: directory.people.get(question.askerId)?.name ?? "",
    };
  }
  return out;
}

function stageQuestionsOf(room: RoomState, directory: RoomDirectory): Section<StageQuestionItem> {
  const out: Record<string, StageQuestionItem> = {};
  for (const [id, { state, segmentId, askerId }] of Object.entries(room.questions)) {
    if (state !== "lined-up" && state !== "on-stage") continue;
    const askerName = directory.people.get(askerId)?.name ?? "";
    out[id] = { text: directory.questions.get(id)?.text ?? "", askerName, state, segmentId };
  }
  return out;
}

/** The house sees what is on stage, what was answered to all, and the open ones where the event shows them. */
function houseQuestionsOf(room: RoomState, directory: RoomDirectory): Section<HouseQuestionItem> {
  const out: Record<string, HouseQuestionItem> = {};
  for (const [id, question] of Object.entries(room.questions)) {
    const isOnStage = question.state === "on-stage" && isCurtainUp(room);
    const isAnswered = question.state === "done" && question.answered !== "to-one" && question.answered !== null;
    const isOpen = question.state === "new" || question.state === "lined-up" || question.state === "on-stage";
    if (!isOnStage && !isAnswered && !(isOpen && directory.othersQuestionsShown)) continue;
    const words = directory.questions.get(id);
    const answer = question.answered === "to-all" ? (words?.answer ?? null) : null;
    out[id] = { text: words?.text ?? "", isOnStage, isAnswered, askedAt: question.askedAt, answer };
  }
  return out;
}

const pollItem = (room: RoomState, poll: DirectoryPoll): PollItem => {
  const { state, isRevealed } = room.polls[poll.id] ?? preparedPoll;
  return { question: poll.question, options: poll.options, state, isRevealed };
};

function pollsOf(room: RoomState, directory: RoomDirectory, shown: (item: PollItem) => boolean): Section<PollItem> {
  const items = [...directory.polls.values()].map((poll) => [poll.id, pollItem(room, poll)] as const);
  return Object.fromEntries(items.filter(([, item]) => shown(item)));
}

function talliesOf(
  figures: RoomFigures,
  polls: Section<PollItem>,
  shown: (item: PollItem) => boolean,
): Section<TallyItem> {
  const out: Record<string, TallyItem> = {};
  for (const [id, votes] of figures.tallies) if (polls[id] && shown(polls[id])) out[id] = { votes };
  return out;
}

function votesOf(figures: RoomFigures, questions: Section<unknown>): Section<CountItem> {
  const out: Record<string, CountItem> = {};
  for (const [id, count] of figures.votes) if (questions[id]) out[id] = { count };
  return out;
}

const stageStatus = (room: RoomState) => ({
  phase: room.phase,
  isCurtainUp: isCurtainUp(room),
  currentSegmentId: currentCue(room)?.segmentId ?? null,
  cuedAt: currentCue(room)?.at ?? null,
  showStartedAt: showStartedAt(room),
});

function deskView(room: RoomState, directory: RoomDirectory, figures: RoomFigures): DeskView {
  const polls = pollsOf(room, directory, () => true);
  const questions = deskQuestionsOf(room, directory);
  return {
    event: eventOf(directory),
    status: one({
      ...stageStatus(room),
      areDoorsHeld: room.areDoorsHeld,
      doorsOpenedAt: room.doorsOpenedAt,
      curtainMoves: room.curtainSpans.length,
      endedAt: room.endedAt,
      callAt: directory.times.callAt,
      houseSize: directory.houseSize,
    }),
    segments: segmentsOf(directory),
    stage: stagePeopleOf(room, directory, figures),
    audience: audienceOf(directory, figures),
    questions,
    polls,
    votes: votesOf(figures, questions),
    tallies: talliesOf(figures, polls, () => true),
    figures: figuresOf(directory, figures),
  };
}

function stageView(room: RoomState, directory: RoomDirectory, figures: RoomFigures): StageView {
  const polls = pollsOf(room, directory, (poll) => poll.state !== "prepared");
  return {
    event: eventOf(directory),
    status: one(stageStatus(room)),
    segments: segmentsOf(directory),
    stage: stagePeopleOf(room, directory, figures),
    questions: stageQuestionsOf(room, directory),
    polls,
    tallies: talliesOf(figures, polls, (poll) => poll.isRevealed),
    figures: figuresOf(directory, figures),
  };
}

function houseView(room: RoomState, directory: RoomDirectory, figures: RoomFigures): HouseView {
  const isUp = isCurtainUp(room);
  const cast: Record<string, CastItem> = {};
  if (isUp) {
    for (const [id, person] of Object.entries(stagePeopleOf(room, directory, figures))) {
      if (person.place !== "stage" || !person.isPresent) continue;
      cast[id] = { name: person.name, isMicrophoneOpen: person.isMicrophoneOpen };
    }
  }
  const current = currentCue(room)?.segmentId;
  const segmentTitle = isUp ? (directory.segments.find((segment) => segment.id === current)?.title ?? null) : null;
  const polls = pollsOf(
    room,
    directory,
    (poll) => poll.state === "open" || (poll.state === "closed" && poll.isRevealed),
  );
  const questions = houseQuestionsOf(room, directory);
  return {
    event: eventOf(directory),
    status: one({ phase: room.phase, isCurtainUp: isUp, segmentTitle }),
    cast,
    questions,
    polls,
    votes: votesOf(figures, questions),
    tallies: talliesOf(figures, polls, (poll) => poll.isRevealed),
  };
}

const foyerView = (room: RoomState, directory: RoomDirectory): FoyerView => ({
  event: eventOf(directory),
  status: one({ phase: room.phase }),
});

/** The picture that one role class gets of the room. What it may not see is not in it. */
export function project<R extends RoleClass>(
  roleClass: R,
  room: RoomState,
  directory: RoomDirectory,
  figures: RoomFigures,
): ViewOf[R] {
  const make: { [K in RoleClass]: () => ViewOf[K] } = {
    desk: () => deskView(room, directory, figures),
    stage: () => stageView(room, directory, figures),
    house: () => houseView(room, directory, figures),
    foyer: () => foyerView(room, directory),
  };
  return make[roleClass]();
}
