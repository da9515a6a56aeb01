import type { PersonFile } from "@/server/services/people/contacts/person-file";

/** One person's data as a file to keep. */
export const personFileAnswer = (file: PersonFile): Response =>
  new Response(`${JSON.stringify(file, null, 2)}\n`, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": 'attachment; filename="person.json"',
      "cache-control": "no-store",
    },
  });
