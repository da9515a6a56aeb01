import Link from "next/link";
import { classes } from "@/ui";

const places = [
  ["", "The hour"],
  ["people", "People"],
  ["credit", "Credit"],
  ["survey", "Survey"],
  ["compare", "Compare"],
  ["series", "All dates"],
  ["summary", "Summary"],
] as const;
export type AfterPlace = (typeof places)[number][0];

/** The parts of a date's report. */
export function AfterNav({ base, place, note }: { base: string; place: AfterPlace; note?: string | null }) {
  return (
    <nav aria-label="Parts of the report" className="mb-4 flex flex-wrap items-baseline gap-x-6 border-b border-rule">
      {places.map(([path, words]) => (
        <Link
          key={path}
          href={path === "" ? base : `${base}/${path}`}
          aria-current={path === place ? "page" : undefined}
          className={classes(
            "-mb-px border-b-2 py-1.5 no-underline hover:text-ink",
            path === place ? "border-action font-medium text-ink" : "border-transparent text-ink-2",
          )}
        >
          {words}
        </Link>
      ))}
      {note && <span className="ms-auto text-attention">{note}</span>}
    </nav>
  );
}
