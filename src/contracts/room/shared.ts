import { issue } from "@/core/shared";
import { z } from "zod";

export const id = z.uuid();
/** BCP 47 as far as a language is named by it. */
export const languageTag = z.string().regex(/^[A-Za-z]{2,3}(-[A-Za-z0-9]{1,8})*$/);
/** Words that are not empty, up to so many characters. */
export const words = (max: number) => z.string().trim().min(1, issue("no-words")).max(max);
