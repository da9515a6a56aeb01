import type { Metadata } from "next";
import { messagesFor, translatorFor } from "@/contracts/messages";
import { InLanguage } from "@/features/shared/language";
import { app } from "@/server/compose";
import { unsubscribePerson } from "@/server/services/way-in/registration";
import { Button } from "@/ui";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, orNotFound } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";

/** The title in the visitor's language. */
export async function generateMetadata(): Promise<Metadata> {
  return { title: messagesFor(await visitorLocale()).unsubscribe.title, robots: { index: false } };
}

export default async function UnsubscribePage({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ done?: string }>;
}) {
  const { token } = await params;
  const { context } = await app();
  await orNotFound(async () => unsubscribePerson(context, token));
  const locale = await visitorLocale();
  const words = messagesFor(locale).unsubscribe;
  const organisation = await currentOrganisation();
  const isDone = (await searchParams).done !== undefined;
  return (
    <InLanguage locale={locale} label={messagesFor(locale).front.language} choose={chooseLanguageAction}>
      <main className="mx-auto max-w-md px-4 py-24">
        <h1 className="text-title font-semibold">{words.title}</h1>
        <p className="mt-2" role="status">
          {isDone ? words.done : translatorFor(locale, "unsubscribe")("explain", { organisation: organisation.name })}
        </p>
        {!isDone && (
          <form method="post" action={`/unsubscribe/${token}`} className="mt-4">
            <input type="hidden" name="page" value="1" />
            <Button type="submit" weight="act">
              {words.act}
            </Button>
          </form>
        )}
      </main>
    </InLanguage>
  );
}
