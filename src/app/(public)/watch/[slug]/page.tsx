import { cookies } from "next/headers";
import { formatLocaleOf, messagesFor } from "@/contracts/messages";
import { clockTime, longDate } from "@/core/time";
import { AccessCodeForm } from "@/features/front-door/access-code-form";
import { OverflowRoom } from "@/features/overflow/overflow";
import { InLanguage } from "@/features/shared/language";
import { app } from "@/server/compose";
import { overflowPage } from "@/server/services/hour/overflow";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, heldTokens, orNotFound } from "../../../_lib/request";
import { passCookie } from "@/server/services/way-in/pass-cookie";
import { accessCodeAction } from "../../front/[slug]/actions";
import { chooseLanguageAction } from "../../language-actions";

export const metadata = { title: "Watch", robots: { index: false } };

/** The overflow page: the programme without a seat. */
export default async function WatchPage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const { context } = await app();
  const proof = { code: (await cookies()).get(passCookie(slug))?.value ?? null, tokens: await heldTokens() };
  const organisation = await currentOrganisation();
  const page = await orNotFound(() => overflowPage(context, organisation, slug, proof));
  const locale = await visitorLocale();
  const { front, overflow, watch, kit } = messagesFor(locale);
  const format = formatLocaleOf(locale);
  const when =
    page === null || page.startAt === null
      ? null
      : `${longDate(page.startAt, page.zone, format)}, ${clockTime(page.startAt, page.zone)}`;
  return (
    <InLanguage locale={locale} label={front.language} choose={chooseLanguageAction}>
      {page === null ? (
        <AccessCodeForm action={accessCodeAction.bind(null, slug)} words={front} />
      ) : (
        <OverflowRoom
          locale={locale}
          words={{ overflow, watch, kit }}
          title={page.title}
          state={page.state}
          when={when}
          media={page.media}
          eventHref={`/front/${slug}`}
        />
      )}
    </InLanguage>
  );
}
