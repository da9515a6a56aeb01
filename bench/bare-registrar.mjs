// What registrations are measured against: Node and PostgreSQL, one transaction of plain inserts a request, as many
// rows as a registration writes (person, ticket, consent, three messages, two counted tries), and nothing else.
import { createServer } from "node:http";
import { randomUUID } from "node:crypto";
import pg from "pg";

const pool = new pg.Pool({ connectionString: process.env.DATABASE_URL, max: 20 });
const tables = ["bare_person", "bare_ticket", "bare_consent", "bare_message", "bare_try"];
for (const table of tables) {
  await pool.query(`drop table if exists ${table}`);
  await pool.query(
    `create table ${table} (id uuid primary key, about uuid not null, words text not null, at timestamptz not null)`,
  );
  await pool.query(`create index on ${table} (about)`);
}
// BARE_ROWS=ballot: one row a request, as a vote writes
const rows =
  process.env.BARE_ROWS === "ballot"
    ? [["bare_ticket", 1]]
    : [
        ["bare_try", 2],
        ["bare_person", 1],
        ["bare_ticket", 1],
        ["bare_consent", 1],
        ["bare_message", 3],
      ];
async function keep(words) {
  const about = randomUUID();
  const client = await pool.connect();
  try {
    await client.query("begin");
    for (const [table, n] of rows) {
      const values = Array.from({ length: n }, (_, i) => `($${i * 3 + 1}, $${i * 3 + 2}, $${i * 3 + 3}, now())`);
      const given = Array.from({ length: n }, () => [randomUUID(), about, words]).flat();
      await client.query({ name: table, text: `insert into ${table} values ${values.join(", ")}`, values: given });
    }
    await client.query("commit");
  } finally {
    client.release();
  }
}
createServer((request, response) => {
  let body = "";
  request.on("data", (chunk) => (body += chunk));
  request.on("end", () =>
    keep(body.slice(0, 200)).then(
      () => response.end('{"status":"answered"}'),
      () => response.writeHead(503).end(),
    ),
  );
}).listen(Number(process.env.PORT), "127.0.0.1", 4096, () => console.log("ready"));
