import { directionOf, messagesFor } from "@/contracts/messages";
import { sayTables } from "@/contracts/say/tables";
import { PageLanguage } from "@/features/shared/page-language";
import { RoomWords } from "@/features/shared/room-words";
import { roleMay } from "@/core/rights";
import { CopyLink } from "@/features/desk/copy-link";
import { Desk } from "@/features/desk/desk";
import { deskEntry } from "@/server/services/hour/entry";
import {
  bringSideRoomsAction,
  emptyRehearsalAction,
  extendDateAction,
  fillRehearsalAction,
  findLateAction,
  keepSwitchesAction,
  letLateInAction,
} from "../../actions";
import { removeDeckAction, setHandOutAction } from "../../deck-actions";
import { changeHandOutAction, handOutAsDeckAction, removeHandOutAction } from "../../hand-out-actions";
import { setDutiesAction } from "../../people-actions";
import { deskLocale } from "../../../../../_lib/locale";
import { chooseDeskLanguageAction } from "../../desk-language-action";
import { orNotFound, pageMember } from "../../../../../_lib/request";

export const metadata = { title: "Desk" };

export default async function DeskPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string; date: string }>;
  searchParams: Promise<{ link?: string }>;
}) {
  const { id, date } = await params;
  const { context, member } = await pageMember();
  const entry = await orNotFound(() => deskEntry(context, member, id, date));
  const locale = await deskLocale();
  const frontUrl = `${context.environment.STAGE_CALL_URL}/front/${entry.eventSlug}`;
  return (
    <div lang={locale} dir={directionOf(locale)}>
      <PageLanguage locale={locale} direction={directionOf(locale)} />
      <RoomWords words={messagesFor(locale)} locale={locale} table={sayTables[locale]}>
        <Desk
          occurrenceId={date}
          language={locale}
          chooseLanguage={chooseDeskLanguageAction}
          ticketId={entry.ticketId}
          actor={entry.actor}
          frontUrl={frontUrl}
          backUrl={`/events/${id}/plan`}
          roomCode={entry.roomCode}
          extend={extendDateAction.bind(null, id, date)}
          keepSwitches={roleMay(entry.actor, "event.plan") ? keepSwitchesAction.bind(null, id, date) : null}
          decks={
            roleMay(entry.actor, "event.run-sheet") ? { remove: removeDeckAction, setHandOut: setHandOutAction } : null
          }
          handOuts={
            roleMay(entry.actor, "event.run-sheet")
              ? { change: changeHandOutAction, remove: removeHandOutAction, asSlides: handOutAsDeckAction }
              : null
          }
          boards={
            roleMay(entry.actor, "event.exports")
              ? { saved: `/events/${id}/dates/${date}`, upload: `/upload/board/${id}/${date}` }
              : null
          }
          outletsUrl={`/events/${id}/outlets.json`}
          bringSideRooms={bringSideRoomsAction.bind(null, id, date)}
          late={
            roleMay(entry.actor, "event.people")
              ? { find: findLateAction.bind(null, id, date), letIn: letLateInAction.bind(null, id, date) }
              : null
          }
          setDuties={roleMay(entry.actor, "event.people") ? setDutiesAction.bind(null, id) : null}
          crowd={
            roleMay(entry.actor, "event.people")
              ? { fill: fillRehearsalAction.bind(null, id, date), empty: emptyRehearsalAction.bind(null, id, date) }
              : null
          }
        />
        {(await searchParams).link === "copy" && <CopyLink url={frontUrl} code={entry.roomCode} />}
      </RoomWords>
    </div>
  );
}
