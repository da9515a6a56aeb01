import { roleMay } from "@/core/rights";
import type { Metadata } from "next";
import { hourWords } from "@/contracts/messages/cities";
import { dutiesIn, messagesFor, translatorFor } from "@/contracts/messages";
import { duties as allDuties, isOver as isOverPhase, isStageRole } from "@/core/people";
import { AddressProof } from "@/features/foyer/address-proof";
import { DeskWay } from "@/features/foyer/desk-way";
import { Entrance } from "@/features/foyer/entrance";
import { app } from "@/server/compose";
import { isProofOpen, isProven, needsProof } from "@/server/services/way-in/entry-proofs";
import { backstageNow, wasHere, wayIn } from "@/server/services/hour/entry";
import { hasDesk } from "@/server/services/organisation/team-invitations";
import { surveyOf } from "@/server/services/afterwards/survey-kept";
import { holderOf, phoneRowsFor, requireWayIn } from "@/server/services/way-in/tickets";
import { callMeAction } from "../../ticket/[token]/actions";
import { mayBeCalled } from "@/server/services/hour/call-back";
import { holderLocale, visitorLocale } from "../../../_lib/locale";
import { orNotFound, proofToken, holderToken } from "../../../_lib/request";
import { ownDecks } from "@/server/services/hour/decks";
import {
  askDeskAction,
  askProofAction,
  changeOwnHandOutAction,
  enterAction,
  removeOwnDeckAction,
  removeOwnHandOutAction,
  useProofAction,
} from "./actions";

/** The title in the visitor's language. */
export async function generateMetadata(): Promise<Metadata> {
  return { title: messagesFor(await visitorLocale()).foyer.welcome, robots: { index: false } };
}

/** Half of an address, so that the holder knows which and nobody else learns it. */
const veiled = (email: string): string => email.replace(/^(.).*(@.*)$/, "$1…$2");

export default async function EnterPage({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ proof?: string }>;
}) {
  const { token } = await params;
  const { context } = await app();
  const holder = await orNotFound(async () => {
    const found = await holderOf(context, token);
    requireWayIn(found);
    return found;
  });
  const now = context.clock.now();
  const locale = await holderLocale(holder.person.locale);
  if (needsProof(holder) && !(await isProven(context, holder.ticket.id, await proofToken(holder.ticket.id)))) {
    const proof = (await searchParams).proof ?? null;
    const isOpen = await isProofOpen(context, holder, proof);
    const words = messagesFor(locale).foyer;
    return (
      <AddressProof
        title={holder.event.title}
        address={veiled(holder.person.email!)}
        words={words}
        ask={askProofAction.bind(null, token, locale)}
        confirm={isOpen ? useProofAction.bind(null, token, locale, proof!) : null}
      />
    );
  }
  const way = wayIn(holder, now);
  const { duties, role } = holder.actor;
  const hasDuty = role === "producer" || (role === "crew" && duties.length > 0);
  const isOver = isOverPhase(holder.occurrence.phase);
  return (
    <>
      {hasDuty && !isOver && (
        <DeskWay
          line={translatorFor(locale, "deskWay")("line", {
            duties: dutiesIn(role === "producer" ? allDuties : duties, locale),
          })}
          words={messagesFor(locale).deskWay}
          href={
            (await hasDesk(context, holder.ticket.organisationId, holder.person.id))
              ? `/events/${holder.event.id}/desk/${holder.occurrence.id}`
              : null
          }
          ask={askDeskAction.bind(null, token, locale)}
        />
      )}
      <Entrance
        occurrenceId={holder.occurrence.id}
        ticketId={holder.ticket.id}
        isStage={isStageRole(holder.actor.role)}
        name={holder.person.name ?? ""}
        title={holder.event.title}
        zone={holder.occurrence.zone}
        startAt={holder.occurrence.startAt}
        opensAt={way.opensAt}
        isOpen={way.isOpen}
        isByDoors={way.isByDoors}
        isOver={isOver}
        isOtherDevice={(await holderToken(holder.ticket.id)) === null && (await wasHere(context, holder))}
        frontDoor={`/front/${holder.event.slug}?via=forwarded`}
        hasEntered={(await holderToken(holder.ticket.id)) === token}
        backstage={await backstageNow(context, holder)}
        phone={await phoneRowsFor(context, holder)}
        callMe={mayBeCalled(context, holder) ? callMeAction.bind(null, token, locale) : null}
        slides={
          roleMay(holder.actor, "deck.bring") && !isOver
            ? {
                acts: { token, remove: removeOwnDeckAction.bind(null, token, locale) },
                decks: await ownDecks(context, holder),
              }
            : null
        }
        handOuts={
          roleMay(holder.actor, "hand-out.bring") && !isOver
            ? {
                token,
                change: changeOwnHandOutAction.bind(null, token, locale),
                remove: removeOwnHandOutAction.bind(null, token, locale),
              }
            : null
        }
        overflowHref={holder.event.overflow === "nobody" ? null : `/watch/${holder.event.slug}`}
        surveyHref={(await surveyOf(context.db, holder.event.id))?.isOn ? `/survey/${token}` : null}
        soundBy={holder.event.soundBy}
        now={now}
        words={messagesFor(locale)}
        locale={locale}
        hour={hourWords(locale, holder.occurrence.zone)}
        look={holder.event.look}
        enter={enterAction.bind(null, token, locale)}
      />
    </>
  );
}
