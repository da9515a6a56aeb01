import { Press, Theme } from "@/ui";
import type { ReactNode } from "react";
import { PageLanguage } from "./page-language";
import { directionOf, languageNames, locales, type Locale } from "@/contracts/messages";

/** A page in the visitor's language and direction, with the choice of another at its foot. */
export function InLanguage({
  locale,
  label,
  choose,
  children,
}: {
  locale: Locale;
  label: string;
  choose: (locale: string) => Promise<void>;
  children: ReactNode;
}) {
  return (
    <Theme theme="paper" lang={locale} dir={directionOf(locale)} className="min-h-screen">
      <PageLanguage locale={locale} direction={directionOf(locale)} />
      {children}
      <nav aria-label={label} className="mx-auto max-w-5xl px-4 py-6">
        <ul className="flex flex-wrap gap-x-4 gap-y-1 border-t border-rule pt-3">
          {locales.map((one) => (
            <li key={one}>
              <form action={choose.bind(null, one)}>
                <Press
                  type="submit"
                  lang={one}
                  aria-current={one === locale ? "true" : undefined}
                  className={one === locale ? "font-semibold" : "text-ink-2 hover:underline"}
                >
                  {languageNames[one]}
                </Press>
              </form>
            </li>
          ))}
        </ul>
      </nav>
    </Theme>
  );
}
