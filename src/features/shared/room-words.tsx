"use client";
import type { ReactNode } from "react";
import { IntlProvider } from "use-intl";
import type { SayTable } from "@/contracts/say";
import { KitIn } from "@/ui";
import { SayIn } from "./say/say";
import type { Messages } from "@/contracts/messages";

const noTable: SayTable = {};

/**
 * The room's words for pages of the team that show parts of it: slides, boards, files, captions.
 * @param table sentences of the desk in another language than English
 */
export const RoomWords = (props: { words: Messages; locale?: string; table?: SayTable; children: ReactNode }) => {
  const { words, locale = "en", table = noTable } = props;
  return (
    <IntlProvider locale={locale} messages={words as never} timeZone="UTC">
      <KitIn words={words.kit}>
        <SayIn locale={locale} table={table}>
          {props.children}
        </SayIn>
      </KitIn>
    </IntlProvider>
  );
};
