import { chatReaches, markers, questionViews, wholeSwitches, type SwitchName, type Switches } from "@/core/people";
import { z } from "zod";

const onOff = z.object({ on: z.boolean() });

/** The audience switches; the one record of what each can be. */
export const switchInputs = {
  questions: z.object({
    on: z.boolean(),
    anonymous: z.boolean(),
    othersSee: z.enum(questionViews),
    votes: z.boolean(),
    comments: z.boolean(),
    isHeld: z.boolean(),
    tellsNotTaken: z.boolean(),
  }),
  polls: onOff,
  chat: z.object({ to: z.enum(chatReaches), isHeld: z.boolean() }),
  hands: z.object({ on: z.boolean(), endsWithSegment: z.boolean() }),
  signals: onOff,
  names: onOff,
  count: onOff,
  rename: onOff,
  paging: onOff,
  marking: z.object({ who: z.enum(markers) }),
  door: onOff,
} satisfies { readonly [K in SwitchName]: z.ZodType<Switches[K]> };

const part = Object.fromEntries(
  Object.entries(switchInputs).map(([name, one]) => [name, one.partial().optional()]),
) as unknown as { [K in SwitchName]: z.ZodOptional<z.ZodType<Partial<Switches[K]>>> };

/** Every switch, whole: what was not thought of when it was kept is as a new event begins. */
export const switchesInput = z.object(part).transform((kept): Switches => wholeSwitches(kept));

const turn = <N extends SwitchName>(name: N) =>
  z.object({ name: z.literal(name), value: part[name].unwrap() as z.ZodType<Partial<Switches[N]>> });

/** One switch turned: what is not named of it stays. */
export const switchTurned = z.discriminatedUnion("name", [
  turn("questions"),
  turn("polls"),
  turn("chat"),
  turn("hands"),
  turn("signals"),
  turn("names"),
  turn("count"),
  turn("rename"),
  turn("paging"),
  turn("marking"),
  turn("door"),
]);
/** What whoever turned it saw of it. */
export const switchSeen = z.record(z.string().max(40), z.union([z.string().max(40), z.boolean()]));
