import type { ReactNode } from "react";
import type { Registrant } from "@/server/services/way-in/registrants";
import { messagesFor, namesIn } from "@/contracts/messages";
import { groupBy } from "@/core/shared";
import { isOver } from "@/core/people";
import { cityOf, clockTime, localWords, longDate } from "@/core/time";
import { datesOf, type OccurrenceRow } from "@/server/services/planning/dates/load";
import { DoorEditor } from "@/features/front-door/door-editor";
import { VisitorFiles } from "@/features/front-door/visitor-files";
import { Pending } from "@/features/front-door/pending";
import { Registrants } from "@/features/front-door/registrants";
import { TestGuest } from "@/features/front-door/test-guest";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { roleMay } from "@/core/rights";
import { filesOf } from "@/server/services/way-in/front/files";
import { besidesOf } from "../../../../(public)/_lib/besides";
import { frontDoorDraft } from "@/server/services/way-in/front/look";
import { organisationOf, rulesOf } from "@/server/services/organisation/rules";
import { agendaOf } from "@/server/services/way-in/front/agenda";
import { cleanHtml } from "@/server/services/ground/sanitise";
import { registrantsOf } from "@/server/services/way-in/registrants";
import { Button } from "@/ui";
import { workspace, type DateQuery } from "../../../../_lib/workspace";
import { signOutAction } from "../../../sign-in/actions";
import { mendAction, publishAction, removeFileAction, saveFrontDoorAction, testGuestAction } from "../actions";
import { decideRegistrationAction } from "../people-actions";
import {
  cancelForAction,
  correctAddressAction,
  keepNoteAction,
  moveToDateAction,
  replaceLinkAction,
  sendLinkAgainAction,
} from "../registrant-actions";

export const metadata = { title: "Public page" };
const shown = 200;
const listed = 2000;

/** The last registrants as lines of the table, their answers by the question's own words. */
function linesOf(registrants: readonly Registrant[], fields: readonly { id: string; label: string }[]) {
  const questionOf = (fieldId: string) => fields.find((field) => field.id === fieldId)?.label ?? fieldId;
  return registrants
    .slice(-listed)
    .reverse()
    .map(({ ticket, name, email, note }) => ({
      ticketId: ticket.id,
      name,
      email,
      status: ticket.status,
      source: ticket.source ?? "",
      registeredAt: ticket.registeredAt,
      dateId: ticket.occurrenceId ?? "",
      note,
      answers: Object.entries(ticket.answers ?? {}).map(([id, answer]) => ({ question: questionOf(id), answer })),
    }));
}

/** Registrations that wait for somebody to decide. */
const waitingOf = (registrants: readonly Registrant[]) =>
  registrants
    .filter((one) => one.ticket.status === "pending")
    .slice(0, shown)
    .map((one) => ({
      ticketId: one.ticket.id,
      name: one.name,
      email: one.email,
      answers: Object.values(one.ticket.answers ?? {}).join(" · "),
    }));

/** By which links the registered came, the most frequent first. */
function sourcesOf(registrants: readonly Registrant[]) {
  const registered = registrants.filter((one) => one.ticket.status === "registered");
  return [...groupBy(registered, (one) => one.ticket.source ?? "no tag")]
    .map(([source, rows]) => [source, rows.length] as const)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 12);
}

/** Everyone who registered, with the ways by which they came. */
function RegistrantSection({
  count,
  id,
  sources,
  children,
}: {
  count: (status: string) => number;
  id: string;
  sources: (readonly [string, number])[];
  children: ReactNode;
}) {
  return (
    <section className="mt-6" id="registrants" aria-label="Registrants">
      <h2 className="text-head font-semibold">
        Registrants <span className="mono text-ink-2">{count("registered")}</span>
      </h2>
      <p className="text-ink-2">
        {count("waiting")} on the waiting list · {count("cancelled")} cancelled ·{" "}
        <a href={`/events/${id}/registrants.csv`}>registrants.csv</a> ·{" "}
        <a href={`/events/${id}/invitees.csv`}>invitees.csv</a>
        {sources.length > 0 && <> · came by {sources.map(([source, n]) => `${source} ${n}`).join(", ")}</>}
      </p>
      {children}
    </section>
  );
}

/** What can be done for one registrant. */
const registrantActs = (eventId: string) => ({
  sendAgain: sendLinkAgainAction.bind(null, eventId),
  newLink: replaceLinkAction.bind(null, eventId),
  cancel: cancelForAction.bind(null, eventId),
  correct: correctAddressAction.bind(null, eventId),
  move: moveToDateAction.bind(null, eventId),
  note: keepNoteAction.bind(null, eventId),
});

/** The dates ahead that a registrant can be put on. */
const optionsOf = (dates: readonly OccurrenceRow[]) =>
  dates
    .filter((date) => !isOver(date.phase) && date.kind === "show")
    .map((date) => ({ id: date.id, words: localWords(date.startLocal) }));

const whenOf = (date: { readonly startAt: number; readonly zone: string } | null): string =>
  date
    ? `${longDate(date.startAt, date.zone)}, ${clockTime(date.startAt, date.zone)} in ${cityOf(date.zone)}`
    : "No fixed time";

export default async function FrontDoorEditPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<DateQuery>;
}) {
  const { id } = await params;
  const { context, member, loaded, spine } = await workspace(id, (await searchParams).date ?? null);
  const { event, access, occurrence } = loaded;
  const registrants = roleMay(access.actor, "event.exports") ? await registrantsOf(context, id) : [];
  const count = (status: string) => registrants.filter((one) => one.ticket.status === status).length;
  const [sources, pending] = [sourcesOf(registrants), waitingOf(registrants)];
  const lines = linesOf(registrants, event.formFields);
  const [draft, files, agenda, organisation] = await Promise.all([
    frontDoorDraft(context, member, id),
    filesOf(context, id),
    occurrence ? agendaOf(context.db, occurrence) : [],
    organisationOf(context, event.organisationId),
  ]);
  const dateOptions = event.shape === "series" ? optionsOf(await datesOf(context.db, id)) : [];
  const rules = rulesOf(organisation);
  const mayEdit = roleMay(access.actor, "event.plan");
  const facts = {
    title: event.title,
    organisation: organisation.name,
    when: whenOf(occurrence),
    descriptionHtml: cleanHtml(event.descriptionHtml),
    agenda: agenda.map(({ title, at, leaders }) => ({
      title,
      at,
      withLeader: leaders.length > 0 ? `with ${namesIn(leaders, "en")}` : "",
    })),
    zone: occurrence?.zone ?? "UTC",
    besides: besidesOf(event, "en"),
    names: Object.fromEntries(draft.names),
    files,
    words: messagesFor("en").front,
  };
  const address = `${context.environment.STAGE_CALL_URL}/front/${event.slug}`;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={spine} place="front-door" mend={mendAction.bind(null, id)}>
        <section id="publish" className="flex flex-wrap items-center gap-4">
          <a href={address} target="_blank" rel="noreferrer" className="mono">
            {address}
          </a>
          {roleMay(access.actor, "event.plan") && (
            <form action={publishAction.bind(null, id, event.publishedAt === null)}>
              <Button type="submit" weight={event.publishedAt === null ? "act" : "quiet"}>
                {event.publishedAt === null ? "Publish" : "Unpublish"}
              </Button>
            </form>
          )}
        </section>
        <p className="mt-1 text-ink-2">
          {event.publishedAt === null
            ? "Closed: nobody sees the page."
            : event.isPrivate
              ? "Open behind its access code."
              : "Published."}
        </p>
        <TestGuest make={testGuestAction.bind(null, id)} />
        <DoorEditor
          key={event.id}
          eventId={id}
          version={draft.version}
          initial={draft.input}
          facts={facts}
          mayEdit={mayEdit}
          save={saveFrontDoorAction.bind(null, id)}
          files={
            <VisitorFiles
              eventId={id}
              files={facts.files}
              remove={removeFileAction.bind(null, id)}
              warnsOfGuests={rules.guestsFromOutside}
            />
          }
        />
        {roleMay(access.actor, "event.people") && pending.length > 0 && (
          <Pending waiting={pending} decide={decideRegistrationAction.bind(null, id)} />
        )}
        <RegistrantSection count={count} id={id} sources={sources}>
          <Registrants
            lines={lines}
            total={registrants.length}
            zone={occurrence?.zone ?? "UTC"}
            dates={dateOptions}
            acts={roleMay(access.actor, "event.people") ? registrantActs(id) : null}
          />
        </RegistrantSection>
      </Workspace>
    </>
  );
}
