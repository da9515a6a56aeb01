// What the live edge is measured against: a Node server that writes one message to every open stream with
// `response.write`, and does nothing else. POST /say sends an event of `?bytes=` to all; who comes gets one of FIRST_BYTES.
// The guests are the very same: they give it their signs of life as well, which it answers and forgets.
// BARE_ROWS=stay: whoever comes, and each message, is written down first by one plain insert, as a room's are.
import { createServer } from "node:http";
import { randomUUID } from "node:crypto";
import pg from "pg";

const open = new Set();
/** One event of an event stream that carries so many bytes. */
const event = (name, bytes) => `event: ${name}\ndata: ${"x".repeat(Math.max(1, bytes))}\n\n`;
const firstBytes = Number(process.env.FIRST_BYTES);
const pool = process.env.BARE_ROWS ? new pg.Pool({ connectionString: process.env.DATABASE_URL, max: 20 }) : null;
await pool?.query(`create table if not exists bare_stay (id uuid primary key, ticket uuid not null, at timestamptz not null);
  create index if not exists bare_stay_ticket on bare_stay (ticket)`);
const insert = "insert into bare_stay (id, ticket, at) values ($1, $2, now())";
const writtenDown = (ticket) => pool?.query({ name: "come", text: insert, values: [randomUUID(), ticket] });

const server = createServer(async (request, response) => {
  const url = new URL(request.url, "http://bare");
  if (url.pathname === "/say") {
    const payload = Buffer.from(event("change", Number(url.searchParams.get("bytes"))));
    if (pool) await writtenDown(randomUUID());
    for (const one of open) one.write(payload);
    return void response.end("{}");
  }
  if (request.method === "POST") return void request.resume().on("end", () => response.end("{}"));
  if (pool) await writtenDown(url.searchParams.get("as"));
  response.writeHead(200, { "content-type": "text/event-stream" });
  response.write(`event: follow\ndata: {"connectionId":"bare"}\n\n${event("snapshot", firstBytes)}`);
  open.add(response);
  response.on("close", () => open.delete(response));
});
server.listen(Number(process.env.PORT), "127.0.0.1", 4096, () => console.log("ready"));
