import { and, sql, type SQL } from "drizzle-orm";

const mostWords = 8;
const likeText = (word: string): string => `%${word.replace(/[\\%_]/g, "\\$&")}%`;

/** A text as it is searched: in one case, without accents (Unicode NFKD, its marks left out), in the database. */
const foldedSql = (text: SQL): SQL => sql`regexp_replace(normalize(lower(${text}), NFKD), '[\u0300-\u036f]', '', 'g')`;
const folded = (text: string): string =>
  text
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[\u0300-\u036f]/g, "");

/** Rows whose text holds all of these words, in any order, whatever their accents; undefined for no word at all. */
export function holdsWords(text: SQL, words: string | undefined): SQL | undefined {
  const wanted = folded(words ?? "")
    .split(/\s+/)
    .filter(Boolean)
    .slice(0, mostWords);
  return wanted.length === 0 ? undefined : and(...wanted.map((word) => sql`${foldedSql(text)} like ${likeText(word)}`));
}
