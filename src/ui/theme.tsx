"use client";
import { Direction } from "radix-ui";
import { createContext, useContext, type ReactNode } from "react";

export type ThemeName = "paper" | "desk";
const ThemeContext = createContext<{ theme: ThemeName; dir: "ltr" | "rtl" }>({ theme: "paper", dir: "ltr" });

/** The colours of what lies below it, also of what floats above the page in its name. */
export function Theme({
  theme,
  dir = "ltr",
  lang,
  className,
  children,
}: {
  theme: ThemeName;
  dir?: "ltr" | "rtl";
  lang?: string;
  className?: string;
  children: ReactNode;
}) {
  return (
    <ThemeContext.Provider value={{ theme, dir }}>
      <Direction.Provider dir={dir}>
        <div data-theme={theme} dir={dir} lang={lang} className={className}>
          {children}
        </div>
      </Direction.Provider>
    </ThemeContext.Provider>
  );
}

/** Attributes for what is drawn at the end of the document: it would lose the colours of its place. */
export function useFloating(): { "data-theme": ThemeName; dir: "ltr" | "rtl" } {
  const { theme, dir } = useContext(ThemeContext);
  return { "data-theme": theme, dir };
}
