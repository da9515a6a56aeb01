import type { NextRequest } from "next/server";
import { noteVisit } from "@/server/services/way-in/visit-shelf";

/** Machines that say what they are: search engines, previews in messages, watchers. */
const machines = /bot\b|bot\/|crawl|spider|slurp|preview|monitor|curl|wget|python|java\/|go-http|facebookexternalhit/i;

/** Somebody opens an event's public page: counted, whoever makes the page. */
export function countVisit(request: NextRequest): void {
  const { pathname, searchParams } = request.nextUrl;
  const slug = /^\/front\/([^/]+)$/.exec(pathname)?.[1];
  const { headers, method } = request;
  const agent = headers.get("user-agent") ?? "";
  const isAhead = ["next-router-prefetch", "purpose", "sec-purpose", "x-stage-call-fill"].some((name) =>
    headers.has(name),
  );
  if (!slug || method !== "GET" || isAhead || agent === "" || machines.test(agent)) return;
  noteVisit({
    slug: decodeURIComponent(slug),
    host: headers.get("host") ?? "",
    remote: headers.get("x-forwarded-for") ?? "local",
    agent,
    via: (searchParams.get("via") ?? "").slice(0, 60),
  });
}
