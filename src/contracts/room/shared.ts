import { z } from "zod";

export const id = z.uuid();
/** Words that are not empty, up to so many characters. */
export const words = (max: number) => z.string().trim().min(1, "There are no words in it.").max(max);
