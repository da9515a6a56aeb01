import Link from "next/link";
import { freshPlan, type PlanInput } from "@/contracts";
import { NewEvent } from "@/features/plan/new-event";
import { TeamBar } from "@/features/shared/team-bar";
import { dayMs, wallTimeAt } from "@/core/time";
import { organisationOf, rulesOf } from "@/server/services/organisation/rules";
import { planFromTemplate, templatesOf } from "@/server/services/planning/templates";
import { orNotFound, pageMember } from "../../../_lib/request";
import { zoneCities } from "../../../_lib/cities";
import { askSeatsAction, findATimeAheadAction, findInBookAction, readDraftAction } from "../../house-actions";
import { signOutAction } from "../../sign-in/actions";
import { createEventAction } from "../[id]/actions";

export const metadata = { title: "Plan an event" };

async function createFromForm(
  templateId: string | null,
  input: unknown,
  people: readonly { name: string; email: string }[],
) {
  "use server";
  const done = await createEventAction(input, templateId, people);
  // a success leaves by redirect
  return done as Exclude<typeof done, { ok: true }>;
}

export default async function NewEventPage({
  searchParams,
}: {
  searchParams: Promise<{ template?: string; on?: string }>;
}) {
  const { template, on } = await searchParams;
  const { context, member } = await pageMember();
  const [organisation, templates] = await Promise.all([
    organisationOf(context, member.organisationId),
    templatesOf(context, member),
  ]);
  const now = wallTimeAt(context.clock.now(), organisation.zone).local;
  const day = /^\d{4}-\d{2}-\d{2}$/.test(on ?? "")
    ? on!
    : wallTimeAt(context.clock.now() + 14 * dayMs, organisation.zone).local.slice(0, 10);
  const startLocal = `${day}T18:00`;
  const initial: PlanInput = template
    ? await orNotFound(() => planFromTemplate(context, member, template, startLocal))
    : freshPlan(startLocal, organisation.zone, rulesOf(organisation).proposed);
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-6xl px-6 py-5">
        <h1 className="mb-2 text-title font-semibold">Plan an event</h1>
        {templates.length > 0 && (
          <nav aria-label="Templates" className="mb-4 flex flex-wrap items-center gap-3">
            <span className="text-ink-2">Start from</span>
            {templates.map((one) => (
              <Link
                key={one.id}
                href={`/events/new?template=${one.id}`}
                prefetch={false}
                aria-current={one.id === template ? "true" : undefined}
                className={one.id === template ? "font-semibold" : ""}
              >
                {one.name}
              </Link>
            ))}
            {template && (
              <Link href="/events/new" prefetch={false} className="text-ink-2">
                nothing
              </Link>
            )}
          </nav>
        )}
        <NewEvent
          key={template ?? "fresh"}
          initial={initial}
          cities={zoneCities()}
          draftKey={template ? `plan-new-${template}` : "plan-new"}
          todayLocal={now}
          occurrenceId={null}
          askSeats={askSeatsAction}
          read={readDraftAction}
          findTime={{ findContacts: findInBookAction, findTime: findATimeAheadAction }}
          create={createFromForm.bind(null, template ?? null)}
        />
      </main>
    </>
  );
}
