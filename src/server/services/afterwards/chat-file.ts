import { sql } from "drizzle-orm";
import type { ChatTarget } from "@/core/room";
import type { Db } from "../../db/client";
import { csvText } from "../ground/delimited";
import { iso } from "./moments";

const toWords: Readonly<Record<ChatTarget, string>> = {
  all: "all",
  stage: "stage",
  desk: "desk",
  talkback: "talkback",
  note: "note",
  side: "side room",
};

/** Every line of a date's chat in the order of its writing, with what became of it; where a note went, to whom. */
export async function chatFile(db: Db, occurrenceId: string): Promise<string> {
  const { rows } = await db.execute(sql`
    select l.at, p.name, l.target, wp.name as with_name, l.text, l.state, l.topic
    from chat_lines l join rooms r on r.id = l.room_id and r.occurrence_id = ${occurrenceId}
      join tickets t on t.id = l.author_ticket_id join people p on p.id = t.person_id
      left join tickets wt on wt.id = l.with_ticket_id left join people wp on wp.id = wt.person_id
    where l.state <> 'moved' order by l.at, l.seq, l.line_id limit 200000`);
  const lines = (
    rows as {
      at: string;
      name: string | null;
      target: ChatTarget;
      with_name: string | null;
      text: string;
      state: string;
      topic: string;
    }[]
  ).map((row) => {
    const of =
      row.target === "note"
        ? (row.with_name ?? "")
        : row.target === "side"
          ? row.topic.replace(/^chat:side-|-asks$/g, "")
          : null;
    const to = of === null ? toWords[row.target] : `${toWords[row.target]}: ${of}`;
    return [iso(new Date(row.at).getTime()), row.name ?? "", to, row.text, row.state === "past" ? "shown" : row.state];
  });
  return csvText(["at", "name", "to", "text", "state"], lines);
}
