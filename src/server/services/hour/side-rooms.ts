import { sql } from "drizzle-orm";
import { sideRoomsFileInput, type SideRoomsRead } from "@/contracts";
import { mostSideRooms } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { type TeamMember } from "../ground/access";
import { parse, type Context } from "../ground/context";
import { readTable, type TableRow } from "../ground/read-table";
import { executeWhole, type RoomCache } from "../ground/room/commands";
import { deskEntry } from "./entry";

const mostRows = 5000;

interface Wanted {
  readonly line: number;
  readonly room: string;
  readonly email: string;
}

/** Columns by their names, whatever else the file has. @throws bad-file where one is missing */
function wantedIn(header: readonly string[], rows: readonly TableRow[]): readonly Wanted[] {
  const at = (name: string): number => {
    const index = header.findIndex((cell) => cell.toLowerCase() === name);
    if (index < 0) throw new Refusal({ code: "bad-file", reason: "missing-column", column: name });
    return index;
  };
  const [room, email] = [at("room"), at("email")];
  return rows.map(({ line, cells }) => ({
    line,
    room: (cells[room] ?? "").trim().slice(0, 60),
    email: (cells[email] ?? "").trim().toLowerCase(),
  }));
}

async function ticketsByAddress(db: Db, occurrenceId: string, emails: readonly string[]) {
  const { rows } = await db.execute(sql`
    select t.id, lower(p.email) as email from tickets t join people p on p.id = t.person_id
    where t.occurrence_id = ${occurrenceId} and t.role in ('attendee', 'test-guest') and t.status = 'registered'
      and t.revoked_at is null and lower(p.email) = any(${sql.param([...emails])}::text[])`);
  return new Map(rows.map((row) => [String(row["email"]), String(row["id"])]));
}

/** Rooms that are numbered already keep their numbers; names count in the order in which the file has them. */
const namesOf = (wanted: readonly Wanted[]): readonly string[] => {
  const rooms = [...new Set(wanted.map((one) => one.room).filter((room) => room !== ""))];
  const numbers = rooms.map(Number);
  if (!numbers.every((one) => Number.isInteger(one) && one >= 1 && one <= mostSideRooms)) return rooms;
  return Array.from({ length: Math.max(0, ...numbers) }, (_, i) => String(i + 1));
};

/**
 * Side rooms from a file, `room,email`: the rooms that it names are made, people put into them. Rows that cannot be
 * placed are told with their line; nothing else is changed by them.
 */
export async function bringSideRooms(
  context: Context,
  cache: RoomCache,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  input: unknown,
): Promise<SideRoomsRead> {
  const { text } = parse(sideRoomsFileInput, input);
  const { ticketId: actorId, actor } = await deskEntry(context, member, eventId, occurrenceId);
  const { header, rows } = readTable(text.replace(/^\uFEFF/, ""), mostRows);
  const wanted = wantedIn(header, rows);
  const names = namesOf(wanted);
  if (names.length > mostSideRooms) throw new Refusal({ code: "too-many-rows", most: mostSideRooms });
  const known = await ticketsByAddress(context.db, occurrenceId, [...new Set(wanted.map((one) => one.email))]);
  const places = new Map<string, number>();
  const bad: { line: number; why: SideRoomsRead["bad"][number]["why"] }[] = [];
  for (const { line, room, email } of wanted) {
    const ticketId = known.get(email);
    if (room === "") bad.push({ line, why: "no-room" });
    else if (!ticketId) bad.push({ line, why: "unknown-address" });
    else if (places.has(ticketId)) bad.push({ line, why: "twice" });
    else places.set(ticketId, names.indexOf(room) + 1);
  }
  const say = (command: Parameters<typeof executeWhole>[3]["command"]) =>
    executeWhole(context, cache, { actorId, actor, occurrenceId }, { commandId: context.ids.id(), command });
  const own = names.map((name, i) => (name === String(i + 1) ? "" : name));
  await say({ type: "sideRooms.make", count: names.length, names: own });
  if (places.size > 0) await say({ type: "sideRooms.place", places: [...places] });
  return { placed: places.size, rooms: names.length, bad };
}
