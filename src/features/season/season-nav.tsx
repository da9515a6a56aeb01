import Link from "next/link";
import { Input, Select, classes, Button } from "@/ui";

export interface SeasonQuery {
  readonly view: "rails" | "month" | "list";
  readonly words: string;
  readonly state: string;
  readonly producer: string;
  /** days as they were typed */
  readonly from: string;
  readonly until: string;
  readonly month: string;
  readonly page: number;
}

const views = [
  ["rails", "Timeline"],
  ["month", "Month"],
  ["list", "List"],
] as const;

/** The address of the season narrowed and shown in one way. */
export function seasonHref(query: SeasonQuery, part: Partial<SeasonQuery>): string {
  const next = { ...query, ...part };
  const pairs = Object.entries(next).filter(
    ([key, value]) =>
      value !== "" &&
      value !== 0 &&
      !(key === "view" && value === "rails") &&
      !(key === "month" && next.view !== "month"),
  );
  return pairs.length === 0
    ? "/season"
    : `/season?${new URLSearchParams(pairs.map(([key, value]) => [key, String(value)])).toString()}`;
}

/** How the season is shown, and what it is narrowed to. Works without any script. */
export function SeasonNav({
  query,
  producers,
}: {
  query: SeasonQuery;
  producers: readonly { id: string; name: string }[];
}) {
  return (
    <>
      <nav aria-label="Ways to show the events" className="flex gap-4">
        {views.map(([view, words]) => (
          <Link
            key={view}
            href={seasonHref(query, { view, page: 0 })}
            prefetch={false}
            aria-current={view === query.view ? "page" : undefined}
            className={classes(
              "no-underline",
              view === query.view ? "font-semibold text-ink" : "text-ink-2 hover:underline",
            )}
          >
            {words}
          </Link>
        ))}
      </nav>
      <form action="/season" className="ml-auto flex flex-wrap items-center gap-2">
        {query.view !== "rails" && <input type="hidden" name="view" value={query.view} />}
        <Input
          name="words"
          type="search"
          aria-label="Search events"
          placeholder="Search"
          defaultValue={query.words}
          className="w-36!"
        />
        <Select name="state" aria-label="State" defaultValue={query.state} className="w-36!">
          <option value="">any state</option>
          <option value="draft">not published</option>
          <option value="published">published</option>
          <option value="live">on now</option>
          <option value="missing">something missing</option>
        </Select>
        {producers.length > 1 && (
          <Select name="producer" aria-label="Producer" defaultValue={query.producer} className="w-36!">
            <option value="">every producer</option>
            {producers.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </Select>
        )}
        {(["from", "until"] as const).map((end) => (
          <Input
            key={end}
            name={end}
            aria-label={end === "from" ? "From day" : "Until day"}
            placeholder={end === "from" ? "from 1 Dec" : "until 24 Dec"}
            defaultValue={query[end]}
            className="w-28!"
          />
        ))}
        <Button type="submit" weight="quiet">
          Filter
        </Button>
        {(query.words || query.state || query.producer || query.from || query.until) && (
          <Link
            href={seasonHref(query, { words: "", state: "", producer: "", from: "", until: "", page: 0 })}
            prefetch={false}
            className="text-ink-2"
          >
            show all
          </Link>
        )}
      </form>
    </>
  );
}
