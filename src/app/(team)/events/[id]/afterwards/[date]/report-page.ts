import "server-only";
import { roleMay } from "@/core/rights";
import { workspace } from "../../../../../_lib/workspace";

export interface ReportParams {
  readonly params: Promise<{ readonly id: string; readonly date: string }>;
}

/** What every part of a date's report begins with. */
export async function reportPage({ params }: ReportParams) {
  const { id, date } = await params;
  const found = await workspace(id, date);
  const { actor } = found.loaded.access;
  const { phase } = found.loaded.occurrence!;
  return {
    ...found,
    id,
    date,
    occurrence: found.loaded.occurrence!,
    event: found.loaded.event,
    base: `/events/${id}/afterwards/${date}`,
    isOver: phase === "ended" || phase === "not-held",
    mayRead: (action: Parameters<typeof roleMay>[1]) => roleMay(actor, action),
  };
}
