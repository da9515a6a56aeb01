import { issue } from "@/core/shared";
import { z } from "zod";

export const id = z.uuid();
/** Words that are not empty, up to so many characters. */
export const words = (max: number) => z.string().trim().min(1, issue("no-words")).max(max);
