import { z } from "zod";
import {
  drawReaches,
  inkColours,
  inkSpan,
  inkTools,
  mostDrawers,
  mostStrokePoints,
  mostTextLength,
  type InkAct,
  type InkBody,
  type Mark,
  type Surface,
} from "@/core/room";
import { id } from "./shared";

const along = z.int().min(0).max(inkSpan);
const surface = z.object({ id, page: z.int().min(0).max(500) }) satisfies z.ZodType<Surface>;
const mark = z
  .object({
    tool: z.enum(inkTools),
    colour: z.enum(inkColours),
    width: z.int().min(1).max(500),
    points: z
      .array(along)
      .min(2)
      .max(mostStrokePoints * 2)
      .readonly(),
    text: z
      .string()
      .max(mostTextLength)
      .regex(/^[^\0]*$/),
  })
  .refine(({ points }) => points.length % 2 === 0)
  .refine(({ tool, text }) => (tool === "text") === (text.trim() !== "")) satisfies z.ZodType<Mark>;

const body = z.discriminatedUnion("do", [
  z.object({ do: z.literal("draw"), mark, continues: id.nullable() }),
  z.object({ do: z.literal("erase"), ids: z.array(id).min(1).max(300).readonly() }),
  z.object({ do: z.literal("clear") }),
  z.object({ do: z.literal("undo") }),
  z.object({ do: z.literal("redo") }),
]) satisfies z.ZodType<InkBody>;

export const boardTitleInput = z
  .string()
  .max(80)
  .regex(/^[^\0]*$/)
  .trim();

export const boardCommands = [
  z.object({ type: z.literal("board.make"), title: boardTitleInput }),
  z.object({ type: z.literal("board.open"), boardId: id, seen: id.nullable() }),
  z.object({ type: z.literal("board.close") }),
  z.object({
    type: z.literal("board.let-draw"),
    reach: z.enum(drawReaches),
    drawerIds: z.array(id).max(mostDrawers),
  }),
] as const;

export const boardFacts = [z.object({ type: z.literal("board.draw"), surface, body })] as const;

const trace = { surface, mark: mark.nullable(), x: along, y: along };
export const boardWhispers = [
  z.object({ type: z.literal("board.trace"), ...trace }),
  z.object({ type: z.literal("board.trace-behind"), ...trace }),
] as const;

/** Which surface is read, of whoever asks. */
export const surfaceInput = z.object({ id, page: z.coerce.number().int().min(0).max(500) });

/** One act as the feeds carry it. */
export interface InkRow extends InkAct {
  readonly surface: Surface;
}
