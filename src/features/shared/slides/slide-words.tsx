"use client";
import type { ReactNode } from "react";
import { IntlProvider } from "use-intl";
import type { Messages } from "@/contracts/messages";

/** The words of slides, boards and files for pages of the team, which have no catalogue of their own. */
export function SlideWords({
  words,
  children,
}: {
  words: Pick<Messages, "slides" | "board" | "files" | "picture" | "captions" | "stage" | "signals">;
  children: ReactNode;
}) {
  return (
    <IntlProvider locale="en" messages={words as never} timeZone="UTC">
      {children}
    </IntlProvider>
  );
}
