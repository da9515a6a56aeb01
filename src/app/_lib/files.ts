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
