import { framedBytes } from "../platform/wire";
import type { StreamEvent, StreamMessages } from "@/contracts";

/** One message as the event stream carries it: serialised once for all who get it. */
export const messageText = <E extends StreamEvent>(event: E, message: StreamMessages[E]): string =>
  `event: ${event}\ndata: ${JSON.stringify(message)}\n\n`;

/** What somebody follows from now on. @param topics the list as JSON: the same for a whole house */
export const followText = (topics: string, now: number, connectionId: string): string =>
  `event: follow\ndata: {"topics":${topics},"now":${now},"connectionId":${JSON.stringify(connectionId)}}\n\n`;

/** Text as one chunk: the same bytes for every socket. */
export const framed = (text: string): Buffer => framedBytes(Buffer.from(text));

/** That a line lives, as a message that a page is told of: comments are not. */
export const beat = framed(messageText("beat", {}));
export const keepAlive = framed(": still here\n\n");
export { lastChunk } from "../platform/wire";
