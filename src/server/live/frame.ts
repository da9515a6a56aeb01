import type { StreamEvent, StreamMessages } from "@/contracts";

/** One message as the event stream carries it: serialised once for all who get it. */
export const messageText = <E extends StreamEvent>(event: E, message: StreamMessages[E]): string =>
  `event: ${event}\ndata: ${JSON.stringify(message)}\n\n`;

/** Text as one chunk of an HTTP/1.1 body (RFC 9112 §7.1): the same bytes for every socket. */
export function framed(text: string): Buffer {
  const body = Buffer.from(text);
  return Buffer.concat([Buffer.from(`${body.length.toString(16)}\r\n`), body, Buffer.from("\r\n")]);
}

/** That a line lives, as a message that a page is told of: comments are not. */
export const beat = framed(messageText("beat", {}));
export const keepAlive = framed(": still here\n\n");
export const lastChunk = Buffer.from("0\r\n\r\n");
