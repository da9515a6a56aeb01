import { plainPoll } from "../polls";
import { defaultSwitches, type Actor } from "../people";
import {
  decide,
  emptyRoom,
  noFigures,
  type By,
  type RoomCommand,
  type RoomDirectory,
  type RoomFigures,
  type RoomState,
  type Scene,
} from ".";

/** What the tests of the room share: a scene, people with names that are easily found, and a way to play acts. */
export const at = Date.parse("2026-11-26T18:00:00Z");
export const producer: Actor = { role: "producer", duties: [] };
export const attendee: Actor = { role: "attendee", duties: [] };

export const scene = (part: Partial<Scene> = {}): Scene => ({
  actor: producer,
  times: { startAt: at, endAt: at + 3_600_000, callAt: at - 1_200_000 },
  switches: { ...defaultSwitches, questions: { ...defaultSwitches.questions, othersSee: "answered" } },
  earlyEntry: true,
  stageMicrophonesOpen: false,
  stageCamerasOpen: false,
  segmentIds: ["s1", "s2", "s3"],
  pollIds: new Set(["v1"]),
  stageTicketIds: new Set(["p", "t1"]),
  deckPages: new Map([["d1", 3]]),
  segmentScenes: new Map(),
  hasEventPage: true,
  pictureFileIds: new Set(["f3"]),
  interpreting: { into: [], pairs: new Map() },
  segmentSlides: new Map([
    ["s1", { leaderIds: ["t1"], deckId: null, page: 1 }],
    ["s2", { leaderIds: ["t1"], deckId: "d1", page: 2 }],
  ]),
  about: null,
  ...part,
});

export interface Act {
  readonly by?: string;
  readonly at?: number;
  readonly scene?: Partial<Scene>;
}
export type Acted = readonly [RoomCommand, Act?];
const byOf = (act: Act): By => ({ ticketId: act.by ?? "p", at: act.at ?? at });
const attempt = (room: RoomState, [command, act = {}]: Acted) => decide(room, command, scene(act.scene), byOf(act));

/** The room after these acts. @throws for one that is refused */
export const play = (room: RoomState, ...acts: Acted[]): RoomState =>
  acts.reduce((state, act) => {
    const decided = attempt(state, act);
    if (!decided.ok) throw new Error(`${act[0].type}: ${JSON.stringify(decided.failure)}`);
    return decided.value.next;
  }, room);
/** The code with which an act is refused; "done" where it is not. */
export const refusal = (room: RoomState, command: RoomCommand, act: Act = {}): string => {
  const decided = attempt(room, [command, act]);
  return decided.ok ? "done" : decided.failure.code;
};

export const asAttendee = (by: string): Act => ({ by, scene: { actor: attendee } });
export const open = play(emptyRoom, [{ type: "stage.enter" }], [{ type: "hour.open-doors" }]);

export const words: RoomDirectory = {
  event: {
    title: "Tides",
    zone: "Europe/Lisbon",
    times: scene().times,
    houseSize: 50,
    isRehearsal: false,
    screening: null,
    crowdSize: 0,
    hasPlannedEnd: true,
    interpretedInto: [],
    look: { colour: "#0E5A5A", pictureId: null },
    path: "/front/tides",
    isRecorded: false,
    consentText: "",
    switches: { ...defaultSwitches, questions: { ...defaultSwitches.questions, othersSee: "answered" } },
  },
  segments: [{ id: "s1", title: "SECRET-SEGMENT", lengthMinutes: 5, fixedStartAt: null, leaderId: "t1", pollId: "v1" }],
  people: new Map(
    (
      [
        ["p", "PRODUCER-NAME", "producer"],
        ["t1", "STAGE-NAME", "panelist"],
        ["a1", "ASKER-NAME", "attendee"],
        ["x1", "TESTER-NAME", "test-guest"],
      ] as const
    ).map(([ticketId, name, role]) => [ticketId, { ticketId, name, role, duties: [] }]),
  ),
  questions: new Map([["q1", { id: "q1", text: "SECRET-QUESTION", answer: "SECRET-ANSWER" }]]),
  polls: new Map([
    [
      "v1",
      {
        id: "v1",
        ...plainPoll,
        questions: [
          {
            id: "q1",
            kind: "quiz",
            text: "SECRET-POLL",
            options: [
              { id: "o1", label: "yes" },
              { id: "o2", label: "no" },
            ],
            rightIds: ["o2"],
          },
        ],
      },
    ],
  ]),
  decks: new Map(
    (
      [
        ["d1", "en", null, 3],
        ["d2", "pt", "d1", 2],
      ] as const
    ).map(([id, language, versionOfId, pageCount]) => [
      id,
      {
        id,
        title: "DECK-TITLE",
        language,
        versionOfId,
        state: "ready" as const,
        failure: null,
        isHandOut: false,
        pageCount,
        pictureIds: Array.from({ length: pageCount }, (_, i) => `${id}-PICTURE-${i + 1}`),
        notesIds: Array.from({ length: pageCount }, (_, i) => `${id}-SECRET-NOTES-${i + 1}`),
        failedPages: [],
        missingFonts: [],
      },
    ]),
  ),
  files: new Map([
    [
      "f1",
      {
        name: "SHOWN-FILE.pdf",
        sizeBytes: 9,
        isShown: true,
        takenCount: 3,
        ticketId: null,
        position: 1,
        isPicture: false,
      },
    ],
    [
      "f2",
      {
        name: "SECRET-FILE.pdf",
        sizeBytes: 9,
        isShown: false,
        takenCount: 0,
        ticketId: "t1",
        position: 2,
        isPicture: true,
      },
    ],
    [
      "f3",
      {
        name: "SHOWN-PICTURE.png",
        sizeBytes: 9,
        isShown: true,
        takenCount: 0,
        ticketId: null,
        position: 3,
        isPicture: true,
      },
    ],
  ]),
  notes: new Map(),
};
export const figures: RoomFigures = {
  ...noFigures,
  present: new Map([
    ["t1", "stage"],
    ["a1", "house"],
    ["x1", "house"],
  ]),
  callers: new Map([["t1", 40]]),
  votes: new Map([["q1", 3]]),
  tallies: new Map([["v1", { q1: { voters: 7, counts: { o1: 7 } } }]]),
};
