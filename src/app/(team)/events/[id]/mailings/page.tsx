import type { MailingLine } from "@/server/services/mailings/compose";
import type { OccurrenceRow } from "@/server/services/planning/dates/load";
import Link from "next/link";
import { namesOfContacts } from "@/server/services/people/contacts/find";
import type { MailingInput } from "@/contracts";
import { composedKinds, wordedKinds, type WordedKind } from "@/core/mailings";
import { roleMay } from "@/core/rights";
import { Composer } from "@/features/mailings/composer";
import { kindWords, subjectWords } from "@/features/mailings/field-words";
import { KindWords } from "@/features/mailings/kind-words";
import { MailingList } from "@/features/mailings/mailing-list";
import { PostOnBoard } from "@/features/mailings/post-on-board";
import { Replies } from "@/features/mailings/replies";
import { Track } from "@/features/mailings/track";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { boardsOf } from "@/server/services/afterwards/boards";
import { audienceChoices, copyTexts, repliesOf } from "@/server/services/mailings/around";
import { draftOf, kindWordsOf, mailingsOf } from "@/server/services/mailings/compose";
import { trackOf } from "@/server/services/mailings/track";
import { buttonClass } from "@/ui";
import { isUuid, orNotFound } from "../../../../_lib/request";
import { workspace, type DateQuery } from "../../../../_lib/workspace";
import { signOutAction } from "../../../sign-in/actions";
import { mendAction } from "../actions";
import {
  countAudienceAction,
  findContactsAction,
  readAudienceAction,
  deleteMailingAction,
  goOnMailingAction,
  postOnBoardAction,
  previewMailingAction,
  remindUnansweredAction,
  saveKindWordsAction,
  saveMailingAction,
  sendMailingAction,
  setFollowUpAction,
  setRemindersAction,
  stopMailingAction,
  testMailingAction,
} from "../mailing-actions";

export const metadata = { title: "Mailings" };

type Query = DateQuery & { mailing?: string; write?: string; words?: string };

/** The event's own words for a mail that goes by itself. */
async function Words({ eventId, kind }: { eventId: string; kind: WordedKind }) {
  const { context, member } = await workspace(eventId, null);
  const words = await kindWordsOf(context, member, eventId, kind);
  return (
    <section className="mt-6 border-t-2 border-ink pt-3">
      <header className="mb-3 flex items-center gap-4">
        <h2 className="text-head font-semibold">{kindWords[kind]}</h2>
        <Link href="?" scroll={false} className="ml-auto">
          Close
        </Link>
      </header>
      <KindWords key={kind} kind={kind} {...words} save={saveKindWordsAction.bind(null, eventId, kind)} />
    </section>
  );
}

async function Compose({ eventId, query }: { eventId: string; query: Query }) {
  const { context, member, loaded } = await workspace(eventId, query.date ?? null);
  const kind = composedKinds.find((one) => one === query.write) ?? "invitation";
  const [draft, choices, copy] = await Promise.all([
    orNotFound(() => draftOf(context, member, eventId, isUuid(query.mailing) ? query.mailing : null, kind)),
    audienceChoices(context, member, eventId),
    loaded.occurrence ? copyTexts(context, member, eventId) : null,
  ]);
  const contacts = await namesOfContacts(context, member.organisationId, draft.audience.personIds);
  const acts = {
    save: saveMailingAction.bind(null, eventId),
    preview: previewMailingAction.bind(null, eventId),
    test: testMailingAction.bind(null, eventId),
    count: countAudienceAction.bind(null, eventId),
    read: readAudienceAction.bind(null, eventId),
    find: findContactsAction.bind(null, eventId),
    send: sendMailingAction.bind(null, eventId),
  };
  return (
    <section className="mt-6 border-t-2 border-ink pt-3">
      <header className="mb-3 flex items-center gap-4">
        <h2 className="text-head font-semibold">{kindWords[draft.kind]}</h2>
        <Link href="?" scroll={false} className="ml-auto">
          Close
        </Link>
      </header>
      <Composer
        key={draft.id ?? kind}
        draft={draft as MailingInput & { id: string | null; version: number }}
        choices={{ ...choices, contacts }}
        acts={acts}
        copy={draft.kind === "invitation" ? copy : null}
      />
    </section>
  );
}

function NewMailing({ mayEdit, occurrence }: { mayEdit: boolean; occurrence: OccurrenceRow | null }) {
  return (
    <header className="mb-2 flex flex-wrap items-center gap-2">
      <h2 className="mr-2 text-head font-semibold">Mailings</h2>
      {mayEdit &&
        occurrence &&
        composedKinds.map((kind) => (
          <Link key={kind} href={`?write=${kind}`} scroll={false} prefetch={false} className={buttonClass("quiet")}>
            {kindWords[kind]}
          </Link>
        ))}
    </header>
  );
}

function AutomaticWords({ list }: { list: readonly MailingLine[] }) {
  return (
    <p className="mt-3 flex flex-wrap gap-x-4 gap-y-1">
      <span className="text-ink-2">Words of what goes by itself:</span>
      {wordedKinds.map((kind) => (
        <Link
          key={kind}
          href={`?words=${kind}`}
          scroll={false}
          prefetch={false}
          className={list.some((one) => one.kind === kind) ? "font-semibold" : ""}
        >
          {kindWords[kind]}
        </Link>
      ))}
    </p>
  );
}

export default async function MailingsPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Query>;
}) {
  const { id } = await params;
  const query = await searchParams;
  const { context, member, loaded, spine } = await workspace(id, query.date ?? null);
  const { occurrence, access } = loaded;
  const mayEdit = roleMay(access.actor, "event.mailings");
  const [boards, list, track, replies] = await Promise.all([
    boardsOf(context, member),
    mailingsOf(context, member, id),
    occurrence ? trackOf(context, member, id, occurrence) : [],
    repliesOf(context, member, id),
  ]);
  const composed = list
    .filter((one) => (composedKinds as readonly string[]).includes(one.kind))
    .map((one) => ({ ...one, subject: subjectWords(one.subject, access.event.title) }));
  const wording = mayEdit ? wordedKinds.find((kind) => kind === query.words) : undefined;
  const isWriting = mayEdit && occurrence && (query.write !== undefined || isUuid(query.mailing));
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={spine} place="mailings" mend={mendAction.bind(null, id)}>
        <section id="reminders" aria-label="The track">
          <h2 className="text-head font-semibold">What goes when</h2>
          {occurrence ? (
            <div className="mt-2">
              <Track
                lines={track}
                startAt={occurrence.startAt}
                endAt={occurrence.endAt}
                zone={occurrence.zone}
                now={context.clock.now()}
                mayEdit={mayEdit}
                acts={{
                  setReminders: setRemindersAction.bind(null, id),
                  setFollowUp: setFollowUpAction.bind(null, id),
                }}
              />
            </div>
          ) : (
            <p className="text-ink-2">A room without fixed time has no reminders. Give it a date, or send its link.</p>
          )}
        </section>
        <section id="invitation" className="mt-8" aria-label="Mailings">
          <NewMailing mayEdit={mayEdit} occurrence={occurrence} />
          <MailingList
            items={composed}
            zone={occurrence?.zone ?? "UTC"}
            mayEdit={mayEdit}
            chosenId={query.mailing ?? null}
            acts={{
              stop: stopMailingAction.bind(null, id),
              goOn: goOnMailingAction.bind(null, id),
              remove: deleteMailingAction.bind(null, id),
            }}
          />
        </section>
        {mayEdit && <AutomaticWords list={list} />}
        {wording && <Words eventId={id} kind={wording} />}
        {isWriting && <Compose eventId={id} query={query} />}
        {mayEdit && occurrence && boards.length > 0 && (
          <PostOnBoard
            boards={boards}
            text={(await copyTexts(context, member, id)).post}
            post={postOnBoardAction.bind(null, id)}
          />
        )}
        {Object.keys(replies.counts).length > 0 && (
          <Replies
            lines={replies.lines}
            counts={replies.counts}
            remind={remindUnansweredAction.bind(null, id)}
            mayEdit={mayEdit}
          />
        )}
      </Workspace>
    </>
  );
}
