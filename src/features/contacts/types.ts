export type Done<T> = { ok: true; value: T } | { ok: false; words: string };
