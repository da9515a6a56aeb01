/** Rows in so many statements as PostgreSQL's limit of parameters asks for. */
export async function inChunks<T>(rows: readonly T[], write: (chunk: T[]) => Promise<unknown>): Promise<void> {
  for (let i = 0; i < rows.length; i += 500) await write(rows.slice(i, i + 500));
}
