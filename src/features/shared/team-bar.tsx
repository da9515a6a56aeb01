import { TextButton } from "@/ui";
import Link from "next/link";
import type { ReactNode } from "react";

/** The organisation's own places, in one quiet line. */
export function TeamBar({ signOut, children }: { signOut: () => Promise<void>; children?: ReactNode }) {
  const places = [
    ["/season", "Events"],
    ["/contacts", "Contacts"],
    ["/slots", "Slots"],
    ["/organisation", "Organisation"],
    ["/recordings", "Recordings"],
    ["/outbox", "Mail"],
    ["/help", "Help"],
  ] as const;
  return (
    <nav aria-label="Organisation" className="flex items-center gap-5 border-b border-rule px-6 py-2">
      <span className="font-semibold">Stage Call</span>
      {places.map(([href, words]) => (
        <Link key={href} href={href} prefetch={false} className="no-underline hover:underline">
          {words}
        </Link>
      ))}
      <span className="ml-auto flex items-center gap-4">
        {children}
        <form action={signOut}>
          <TextButton type="submit" className="text-ink-2 hover:underline">
            Sign out
          </TextButton>
        </form>
      </span>
    </nav>
  );
}
