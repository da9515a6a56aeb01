import type { Failure } from "@/core/shared";

/** Why an act of the hour was refused: to the house, the stage, and a desk in another language than English. By the failure's code. */
export const refused = {
  "not-allowed": "Your role here does not include this.",
  "already-done": "This was already done.",
  overtaken: "Somebody else changed this in the same moment. Look again.",
  "cue-moved": "Somebody else gave the cue first. Nothing was skipped.",
  "segment-gone": "The running segment is no longer on the run sheet. Choose the next one by its name.",
  "page-turned": "Somebody else turned first. Nothing was skipped.",
  "curtain-moved": "Somebody else moved the curtain in this moment. Look again.",
  "too-early": "Backstage opens at the team call.",
  barred: "The desk has closed this room to you.",
  "not-inside": "Only people in the room can take part.",
  "too-many-streams": "This link is open in four places already. Close one of them.",
  "too-fast": "That was too fast. Wait a moment, then do it again.",
  "too-large": "That was too long to be sent. Nothing was lost; make it shorter.",
  "switched-off": "This is switched off for now.",
  "answer-incomplete": "The answer is not complete yet. Your vote was not counted.",
  "vote-locked": "You have answered already; in this poll the first answer stays.",
  "poll-was-open": "This poll was open already: what people answered stays with its words.",
  "comments-full": "This question has as many comments as it can hold.",
  "floor-full": "As many people have the floor as can have it. Take it back from one of them first.",
  "screens-full": "As many screens are shared as can be. Take the place of one of them.",
  "too-many-boards": "There are as many boards as there can be.",
  "board-full": "This board is full. Open another one; what is drawn stays.",
  "not-a-board": "This file is no board that was saved here. Nothing was made of it.",
  "consent-missing": "Not everybody on the stage side has agreed to be recorded. Nothing is recorded.",
  "channel-taken": "Somebody else interprets on this channel. Say when you take it, and they hand over.",
  "sides-not-open": "The side rooms are not open.",
  "sides-open": "People are in their side rooms. Call them back first.",
  "no-allotment": "These wishes for the side rooms cannot all be met. Nobody was moved.",
  "no-lease": "Somebody else makes the picture just now.",
  "disk-full": "There is no space left for files here. Nothing was kept.",
  "not-signed-in": "You are signed out. Sign in and do it again.",
  "edited-meanwhile": "Somebody else changed this in the meantime. Look again, then do it once more.",
} as const satisfies Partial<Record<Failure["code"], string>>;

export type RefusedMessages = Readonly<Record<keyof typeof refused, string>>;
