import { readableText } from "@/core/shared";
import { randomBytes, randomInt, randomUUID } from "node:crypto";

/** Ids and chance are ports, so that tests and the demo can be repeated. */
export interface Ids {
  id(): string;
  /** `length` characters without those that are easily confused */
  code(length: number): string;
  /** `length` digits, the first not a zero */
  digits(length: number): string;
}

export const randomIds: Ids = {
  id: () => randomUUID(),
  digits: (length) => Array.from(randomBytes(length), (byte, i) => (i === 0 ? 1 + (byte % 9) : byte % 10)).join(""),
  code: (length) => readableText(length, () => randomInt(2 ** 32) / 2 ** 32),
};
