import { SummarySheet } from "@/features/afterwards/summary/summary-sheet";
import { app } from "@/server/compose";
import { dateData } from "@/server/services/afterwards/summary";
import { summaryBehind } from "@/server/services/afterwards/summary-links";
import { orNotFound } from "../../../_lib/request";
import { summarySheet } from "../../../_lib/summary-sheet";

export const metadata = { title: "Report of a date", robots: { index: false } };

/** A report's summary, read only: for whoever has its link. */
export default async function SummaryPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const { context } = await app();
  const { event, occurrence, withNames } = await orNotFound(() => summaryBehind(context, token));
  const data = await dateData(context, event, occurrence);
  return (
    <main className="mx-auto max-w-5xl px-4 py-6">
      <SummarySheet {...await summarySheet(context, data, withNames)} />
    </main>
  );
}
