import type { Metadata } from "next";
import { messagesFor } from "@/contracts/messages";
import { InLanguage } from "@/features/shared/language";
import { app } from "@/server/compose";
import { ownFileOwner } from "@/server/services/way-in/own-file";
import { Button } from "@/ui";
import { holderLocale, visitorLocale } from "../../../_lib/locale";
import { orNotFound } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";

/** The title in the visitor's language. */
export async function generateMetadata(): Promise<Metadata> {
  return { title: messagesFor(await visitorLocale()).ownData.title, robots: { index: false } };
}

/** Shows on GET, gives on POST: mail scanners follow links, and this one works once. */
export default async function OwnDataPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const { context } = await app();
  const owner = await orNotFound(() => ownFileOwner(context, token));
  const locale = await holderLocale(owner.locale);
  const { ownData: words, front } = messagesFor(locale);
  return (
    <InLanguage locale={locale} label={front.language} choose={chooseLanguageAction}>
      <main className="mx-auto max-w-xl px-4 py-10">
        <h1 className="text-title font-semibold">{words.title}</h1>
        <form method="post" action={`/own-data/${token}/person.json`} className="mt-4 bg-sheet p-5">
          <p>
            <bdi>{words.lead.replace("{name}", owner.name)}</bdi>
          </p>
          <Button type="submit" weight="act" className="mt-4">
            {words.save}
          </Button>
        </form>
      </main>
    </InLanguage>
  );
}
