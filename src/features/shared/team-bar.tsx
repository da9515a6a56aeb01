import { TextButton } from "@/ui";
import Link from "next/link";
import type { ReactNode } from "react";
import { TeamLinks } from "./team-links";

/** The organisation's own places, in one quiet line; acts that begin something at its end. */
export function TeamBar({ signOut, children }: { signOut: () => Promise<void>; children?: ReactNode }) {
  return (
    <nav
      aria-label="Organisation"
      className="flex min-h-11 flex-wrap items-center gap-x-5 border-b border-rule px-6 py-1.5"
    >
      <span className="font-semibold">Stage Call</span>
      <TeamLinks />
      <span className="ms-auto flex items-center gap-3">
        <Link href="/account" prefetch={false} className="text-ink-2 no-underline hover:underline">
          Account
        </Link>
        <form action={signOut}>
          <TextButton type="submit" className="text-ink-2 hover:underline">
            Sign out
          </TextButton>
        </form>
        {children}
      </span>
    </nav>
  );
}
