import { z } from "zod";
import type { Failure } from "@/core/shared";
import { boardCommands, boardFacts, boardWhispers } from "./board";
import { captionsCommands, captionsFacts, captionsWhispers } from "./captions";
import { channelsCommands } from "./channels";
import { chatCommands, chatFacts } from "./chat";
import { cuesCommands } from "./cues";
import { floorCommands, floorWhispers } from "./floor";
import { helpCommands, helpWhispers } from "./help";
import { hourCommands } from "./hour";
import { lookCommands } from "./look";
import { pageCommands, pageWhispers } from "./page";
import { pollsCommands, pollsFacts } from "./polls";
import { programmeWhispers } from "./programme";
import { questionsCommands, questionsFacts } from "./questions";
import { recordingCommands } from "./recording";
import { scenesCommands } from "./scenes";
import { sideRoomsCommands } from "./side-rooms";
import { signalsFacts } from "./signals";
import { id } from "./shared";
import { slidesCommands } from "./slides";
import { stageCommands, stageWhispers } from "./stage";
import { trayCommands } from "./tray";

const command = z.discriminatedUnion("type", [
  ...hourCommands,
  ...stageCommands,
  ...floorCommands,
  ...cuesCommands,
  ...questionsCommands,
  ...pollsCommands,
  ...chatCommands,
  ...trayCommands,
  ...slidesCommands,
  ...boardCommands,
  ...scenesCommands,
  ...captionsCommands,
  ...channelsCommands,
  ...sideRoomsCommands,
  ...lookCommands,
  ...pageCommands,
  ...helpCommands,
  ...recordingCommands,
]);
const facts = [
  ...questionsFacts,
  ...pollsFacts,
  ...chatFacts,
  ...signalsFacts,
  ...boardFacts,
  ...captionsFacts,
] as const;
const fact = z.discriminatedUnion("type", facts);
/** The names of the facts: they go past the room's lock. */
export const factTypes: readonly string[] = facts.map((one) => one.shape.type.value);
const whispers = [
  ...stageWhispers,
  ...floorWhispers,
  ...boardWhispers,
  ...captionsWhispers,
  ...pageWhispers,
  ...helpWhispers,
  ...programmeWhispers,
] as const;
const whisper = z.discriminatedUnion("type", whispers);
/** The names of what is said in passing: it is sent on and kept nowhere. */
export const whisperTypes: readonly string[] = whispers.map((one) => one.shape.type.value);
/** Of the connection, not of the room: a sign of life, and a goodbye. */
const presence = z.discriminatedUnion("type", [
  z.object({ type: z.literal("sign"), connectionId: id }),
  z.object({ type: z.literal("goodbye"), connectionId: id }),
]);

/** What a client posts to `/live/{occurrence}/commands`. Signs of life first: a full house sends more of them than of all the rest. */
export const commandInput = z.object({ commandId: id, command: z.union([presence, command, fact, whisper]) });
export type JournalledBody = z.infer<typeof command>;
export type WhisperBody = z.infer<typeof whisper>;
/** What is said to one person alone. */
export type AsideBody = Extract<WhisperBody, { to: string }>;
export type FactBody = z.infer<typeof fact>;
export type CommandBody = z.infer<typeof commandInput>["command"];
export type CommandInput = z.infer<typeof commandInput>;

/** The answer to a command: refused ones carry the failure as data. */
export type CommandAnswer = { ok: true; seq: number } | { ok: false; failure: Failure };
