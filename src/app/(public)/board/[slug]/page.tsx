import Link from "next/link";
import { messagesFor } from "@/contracts/messages";
import { hourWords } from "@/contracts/messages/cities";
import { InLanguage } from "@/features/shared/language";
import { DayAndHour } from "@/features/shared/times";
import { app } from "@/server/compose";
import { boardPage } from "@/server/services/afterwards/boards";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, orNotFound } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";

export const metadata = { title: "Board" };

/** A group's board: what was put on it, newest first. */
export default async function BoardPage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const { context } = await app();
  const organisation = await currentOrganisation();
  const board = await orNotFound(() => boardPage(context, organisation, slug));
  const locale = await visitorLocale();
  const words = messagesFor(locale).front;
  return (
    <InLanguage locale={locale} label={words.language} choose={chooseLanguageAction}>
      <main className="mx-auto max-w-3xl px-4 py-8">
        <p className="text-label text-ink-2">{organisation.name}</p>
        <h1 className="text-title font-semibold">
          <bdi>{board.name}</bdi>
        </h1>
        {board.posts.length === 0 && <p className="mt-3 text-ink-2">{words.noneComing}</p>}
        <ul>
          {board.posts.map((post) => (
            <li key={post.id} className="border-b border-rule py-4">
              <Link
                href={`/front/${post.slug}?via=board`}
                prefetch={false}
                className="text-lead font-medium no-underline hover:underline"
              >
                <bdi>{post.title}</bdi>
              </Link>
              <p className="mt-1 max-w-prose whitespace-pre-line" dir="auto">
                {post.text}
              </p>
              <p className="mt-1 text-label text-ink-2">
                <DayAndHour at={post.postedAt} zone={organisation.zone} words={hourWords(locale, organisation.zone)} />
              </p>
            </li>
          ))}
        </ul>
        <p className="mt-6 text-label">
          <a href={`/board/${slug}/feed.xml`}>Atom</a>
        </p>
      </main>
    </InLanguage>
  );
}
