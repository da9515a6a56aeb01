"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { classes } from "@/ui";

const places = [
  ["/season", "Events", ["/season", "/events"]],
  ["/contacts", "Contacts", ["/contacts"]],
  ["/slots", "Slots", ["/slots"]],
  ["/recordings", "Recordings", ["/recordings"]],
  ["/year", "The year", ["/year"]],
  ["/outbox", "Mail", ["/outbox"]],
  ["/organisation", "Organisation", ["/organisation", "/licences", "/boards"]],
  ["/help", "Help", ["/help"]],
] as const;

/** The organisation's own places; the one that the page belongs to stands out. */
export function TeamLinks() {
  const path = usePathname();
  return places.map(([href, words, own]) => {
    const isHere = own.some((start) => path === start || path.startsWith(`${start}/`));
    return (
      <Link
        key={href}
        href={href}
        prefetch={false}
        aria-current={isHere ? "page" : undefined}
        className={classes("no-underline hover:underline", isHere && "font-semibold text-ink")}
      >
        {words}
      </Link>
    );
  });
}
