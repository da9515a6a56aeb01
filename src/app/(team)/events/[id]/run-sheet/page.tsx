import { messagesFor } from "@/contracts/messages";
import { DateFiles } from "@/features/run-sheet/date-files";
import { DateSlides } from "@/features/run-sheet/date-slides";
import { dateDecks } from "@/server/services/hour/decks";
import { dateHandOuts } from "@/server/services/hour/hand-outs";
import { storeUse } from "@/server/services/ground/store-room";
import { changeHandOutAction, removeHandOutAction } from "../hand-out-actions";
import { removeDeckAction, saveNotesAction, setHandOutAction } from "../deck-actions";
import { RunSheetEditor } from "@/features/run-sheet/run-sheet-editor";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { loadRunSheet } from "@/server/services/planning/run-sheets";
import { listStagePeople } from "@/server/services/people/stage-people";
import { workspace, type DateQuery } from "../../../../_lib/workspace";
import { signOutAction } from "../../../sign-in/actions";
import { copyRunSheetAction, mendAction, saveRunSheetAction } from "../actions";

export const metadata = { title: "Run sheet" };

export default async function RunSheetPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<DateQuery>;
}) {
  const { id } = await params;
  const { context, member, spine, loaded } = await workspace(id, (await searchParams).date ?? null);
  if (!loaded.occurrence) {
    return (
      <>
        <TeamBar signOut={signOutAction} />
        <Workspace spine={spine} place="run-sheet">
          <p className="text-ink-2">The room has a run sheet once it is opened.</p>
        </Workspace>
      </>
    );
  }
  const [{ occurrence, runSheet, tag, mayEditSegments }, people, decks] = await Promise.all([
    loadRunSheet(context, member, id, loaded.occurrence.id),
    listStagePeople(context, member, id),
    dateDecks(context, loaded.occurrence.id),
  ]);
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={spine} place="run-sheet" mend={mendAction.bind(null, id)}>
        <RunSheetEditor
          initial={runSheet}
          tag={tag}
          draftKey={`run-sheet-${occurrence.id}`}
          startAt={occurrence.startAt}
          endAt={occurrence.endAt}
          startLocal={occurrence.startLocal}
          zone={occurrence.zone}
          leaders={people.map((person) => ({ id: person.ticketId, name: person.name }))}
          givesCredit={loaded.event.creditPoints !== null}
          decks={Object.entries(decks)
            .filter(([, deck]) => deck.versionOfId === null && deck.state !== "failed")
            .map(([deckId, { title, pageCount }]) => ({ id: deckId, title, pageCount }))}
          mayEdit={mayEditSegments}
          key={occurrence.id}
          hasLaterDates={spine.dates.some((date) => date.startAt > occurrence.startAt)}
          copy={copyRunSheetAction.bind(null, id, occurrence.id)}
          save={saveRunSheetAction.bind(null, id, occurrence.id)}
        />
        <DateSlides
          decks={decks}
          dateId={occurrence.id}
          words={messagesFor("en")}
          acts={
            mayEditSegments
              ? { remove: removeDeckAction, setHandOut: setHandOutAction, saveNotes: saveNotesAction }
              : null
          }
        />
        <DateFiles
          files={await dateHandOuts(context, occurrence.id)}
          dateId={occurrence.id}
          words={messagesFor("en")}
          space={await storeUse(context, member.organisationId)}
          acts={mayEditSegments ? { change: changeHandOutAction, remove: removeHandOutAction } : null}
        />
      </Workspace>
    </>
  );
}
