import { z } from "zod";
import { chatReaches, questionViews } from "@/core/people";
import { id } from "./shared";

const questions = z.object({ on: z.boolean(), othersSee: z.enum(questionViews) });
const polls = z.object({ on: z.boolean() });
const chat = z.object({ to: z.enum(chatReaches), isHeld: z.boolean() });

const hands = z.object({ on: z.boolean() });
const signals = z.object({ on: z.boolean() });

const set = z.discriminatedUnion("name", [
  z.object({ name: z.literal("questions"), value: questions }),
  z.object({ name: z.literal("polls"), value: polls }),
  z.object({ name: z.literal("chat"), value: chat }),
  z.object({ name: z.literal("hands"), value: hands }),
  z.object({ name: z.literal("signals"), value: signals }),
]);

export const hourCommands = [
  z.object({ type: z.literal("hour.open-backstage") }),
  z.object({ type: z.literal("hour.close-backstage") }),
  z.object({ type: z.literal("hour.open-doors") }),
  z.object({ type: z.literal("hour.hold-doors") }),
  z.object({ type: z.literal("hour.release-doors") }),
  z.object({ type: z.literal("hour.raise-curtain"), moves: z.int().min(0).optional() }),
  z.object({ type: z.literal("hour.drop-curtain") }),
  z.object({ type: z.literal("hour.strike-curtain"), index: z.int().min(0), isStruck: z.boolean() }),
  z.object({ type: z.literal("hour.set-switch"), set, seen: z.union([questions, chat, polls]) }),
  z.object({ type: z.literal("hour.show-out"), ticketId: id }),
  z.object({ type: z.literal("hour.let-back"), ticketId: id }),
  z.object({ type: z.literal("hour.end") }),
] as const;
