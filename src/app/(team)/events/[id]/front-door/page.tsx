import type { Registrant } from "@/server/services/way-in/registrants";
import { messagesFor } from "@/contracts/messages";
import { groupBy } from "@/core/shared";
import { cityOf, clockTime, longDate } from "@/core/time";
import { DoorEditor } from "@/features/front-door/door-editor";
import { VisitorFiles } from "@/features/front-door/visitor-files";
import { Pending } from "@/features/front-door/pending";
import { TestGuest } from "@/features/front-door/test-guest";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { roleMay } from "@/core/rights";
import { filesOf } from "@/server/services/way-in/front/files";
import { frontDoorDraft } from "@/server/services/way-in/front/look";
import { organisationOf, rulesOf } from "@/server/services/organisation/rules";
import { segmentsOf } from "@/server/services/planning/run-sheets";
import { cleanHtml } from "@/server/services/ground/sanitise";
import { registrantsOf } from "@/server/services/way-in/registrants";
import { Table, Button } from "@/ui";
import { workspace, type DateQuery } from "../../../../_lib/workspace";
import { signOutAction } from "../../../sign-in/actions";
import { mendAction, publishAction, removeFileAction, saveFrontDoorAction, testGuestAction } from "../actions";
import { decideRegistrationAction } from "../people-actions";

export const metadata = { title: "Front door" };
const shown = 200;

function Registrants({
  count,
  id,
  sources,
  registrants,
}: {
  count: (status: string) => number;
  id: string;
  sources: (readonly [string, number])[];
  registrants: readonly Registrant[];
}) {
  return (
    <section className="mt-6">
      <h2 className="text-head font-semibold">
        Registrants <span className="mono text-ink-2">{count("registered")}</span>
      </h2>
      <p className="text-ink-2">
        {count("waiting")} on the waiting list · {count("cancelled")} cancelled ·{" "}
        <a href={`/events/${id}/registrants.csv`}>registrants.csv</a> ·{" "}
        <a href={`/events/${id}/invitees.csv`}>invitees.csv</a>
      </p>
      {sources.length > 0 && (
        <p className="text-ink-2">
          Came by:{" "}
          {sources.map(([source, n], i) => (
            <span key={source}>
              {i > 0 && " · "}
              {source} <span className="mono">{n}</span>
            </span>
          ))}
        </p>
      )}
      {registrants.length === 0 ? (
        <p className="mt-2 text-ink-2">Nobody has registered yet.</p>
      ) : (
        <Table className="mt-2 w-full max-w-4xl text-left">
          <thead className="text-label text-ink-2">
            <tr>
              <th className="py-1 font-medium">Name</th>
              <th className="font-medium">Address</th>
              <th className="font-medium">State</th>
              <th className="font-medium">Came by</th>
            </tr>
          </thead>
          <tbody>
            {registrants
              .slice(-shown)
              .reverse()
              .map(({ ticket, name, email }) => (
                <tr key={ticket.id} className="border-t border-rule">
                  <td className="max-w-60 truncate py-1" dir="auto">
                    {name}
                  </td>
                  <td className="truncate">{email}</td>
                  <td className="text-ink-2">{ticket.status}</td>
                  <td className="text-ink-2">{ticket.source ?? ""}</td>
                </tr>
              ))}
          </tbody>
        </Table>
      )}
      {registrants.length > shown && (
        <p className="mt-1 text-label text-ink-2">The last {shown}; all of them are in the file.</p>
      )}
    </section>
  );
}

export default async function FrontDoorEditPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<DateQuery>;
}) {
  const { id } = await params;
  const { context, member, loaded, spine } = await workspace(id, (await searchParams).date ?? null);
  const { event, access } = loaded;
  const registrants = roleMay(access.actor, "event.exports") ? await registrantsOf(context, id) : [];
  const count = (status: string) => registrants.filter((one) => one.ticket.status === status).length;
  const bySource = groupBy(
    registrants.filter((one) => one.ticket.status === "registered"),
    (one) => one.ticket.source ?? "no tag",
  );
  const sources = [...bySource]
    .map(([source, rows]) => [source, rows.length] as const)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 12);
  const pending = registrants
    .filter((one) => one.ticket.status === "pending")
    .slice(0, shown)
    .map((one) => ({
      ticketId: one.ticket.id,
      name: one.name,
      email: one.email,
      answers: Object.values(one.ticket.answers ?? {}).join(" · "),
    }));
  const [draft, files, sheet, organisation] = await Promise.all([
    frontDoorDraft(context, member, id),
    filesOf(context, id),
    loaded.occurrence ? segmentsOf(context.db, loaded.occurrence.id) : [],
    organisationOf(context, event.organisationId),
  ]);
  const rules = rulesOf(organisation);
  const mayEdit = roleMay(access.actor, "event.plan");
  const { occurrence } = loaded;
  const facts = {
    title: event.title,
    organisation: organisation.name,
    when: occurrence
      ? `${longDate(occurrence.startAt, occurrence.zone)}, ${clockTime(occurrence.startAt, occurrence.zone)} in ${cityOf(occurrence.zone)}`
      : "No fixed time",
    descriptionHtml: cleanHtml(event.descriptionHtml),
    agenda: sheet.map((segment) => segment.title),
    names: Object.fromEntries(draft.names),
    files,
    words: messagesFor("en").front,
  };
  const address = `${context.environment.STAGE_CALL_URL}/front/${event.slug}`;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={spine} place="front-door" mend={mendAction.bind(null, id)}>
        <section id="publish" className="flex items-center gap-4">
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
        <Registrants count={count} id={id} sources={sources} registrants={registrants} />
      </Workspace>
    </>
  );
}
