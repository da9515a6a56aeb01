"use client";
import { createContext, useContext, useMemo, type ReactNode } from "react";
import { sayIn, type Say, type SayTable } from "@/contracts/say";

const SayContext = createContext<{ readonly locale: string; readonly table: SayTable }>({ locale: "en", table: {} });

/** Words of the team's live screens in the reader's language; without one around them they are English. */
export const SayIn = (props: { locale: string; table: SayTable; children: ReactNode }) => {
  const { locale, table } = props;
  const value = useMemo(() => ({ locale, table }), [locale, table]);
  return <SayContext value={value}>{props.children}</SayContext>;
};

/** Says an English sentence in the reader's language: say`Let ${count} in`. */
export function useSay(): Say {
  const { locale, table } = useContext(SayContext);
  return useMemo(() => sayIn(locale, table), [locale, table]);
}
