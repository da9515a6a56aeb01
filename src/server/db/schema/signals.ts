import { index, pgTable, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { signalKinds } from "@/core/room";
import { instant, organisationId } from "./columns";
import { tickets } from "./events";
import { rooms } from "./room";

/** Signals of the audience (rule 21): one of a kind a person each so often; shown and kept as counts. */
export const signals = pgTable(
  "signals",
  {
    roomId: uuid("room_id")
      .notNull()
      .references(() => rooms.id, { onDelete: "cascade" }),
    organisationId: organisationId(),
    kind: text("kind", { enum: signalKinds }).notNull(),
    ticketId: uuid("ticket_id")
      .notNull()
      .references(() => tickets.id, { onDelete: "cascade" }),
    at: instant("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.roomId, t.ticketId, t.kind, t.at] }), index("signals_room").on(t.roomId, t.at)],
);
