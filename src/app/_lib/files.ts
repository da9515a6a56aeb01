import { Readable } from "node:stream";

/** A calendar file's response. */
export const calendarResponse = (text: string): Response =>
  new Response(text, {
    headers: {
      "content-type": "text/calendar; charset=utf-8",
      "content-disposition": 'attachment; filename="calendar.ics"',
    },
  });

/** A delimited file's response. */
export const csvResponse = (text: string, name: string): Response =>
  new Response(text, {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });

/** A picture as a file of its own: never shown as a page, whatever stands in it. */
export const pictureResponse = (bytes: Uint8Array, name: string, mediaType: string): Response =>
  new Response(Buffer.from(bytes), {
    headers: {
      "content-type": mediaType,
      "content-disposition": `attachment; filename="${name}"`,
      "content-security-policy": "default-src 'none'; style-src 'unsafe-inline'; sandbox",
      "cache-control": "no-store",
    },
  });

/** Captions or chapters as a file (W3C WebVTT). */
export const vttResponse = (text: string, name: string): Response =>
  new Response(text, {
    headers: {
      "content-type": "text/vtt; charset=utf-8",
      "content-disposition": `inline; filename="${name}"`,
      "cache-control": "no-store",
    },
  });

/** A PDF as a file of its own. */
export const pdfResponse = (bytes: Uint8Array, name: string): Response =>
  new Response(Buffer.from(bytes), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="${name}"`,
      "cache-control": "no-store",
    },
  });

/** A file of data for programs. */
export const jsonResponse = (text: string, name: string): Response =>
  new Response(text, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });

/** A file that is made while it is sent. */
export const streamResponse = (body: Readable, name: string, mediaType: string): Response =>
  new Response(Readable.toWeb(body) as ReadableStream<Uint8Array>, {
    headers: {
      "content-type": mediaType,
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
