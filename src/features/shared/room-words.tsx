"use client";
import type { ReactNode } from "react";
import { IntlProvider } from "use-intl";
import type { Messages } from "@/contracts/messages";

/** The room's words for pages of the team that show parts of it: slides, boards, files, captions. */
export const RoomWords = ({ words, children }: { words: Messages; children: ReactNode }) => (
  <IntlProvider locale="en" messages={words as never} timeZone="UTC">
    {children}
  </IntlProvider>
);
