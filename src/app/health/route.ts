import { sql } from "drizzle-orm";
import { app } from "@/server/compose";

export async function GET(): Promise<Response> {
  try {
    const { context } = await app();
    await context.db.execute(sql`select 1`);
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false }, { status: 503 });
  }
}
