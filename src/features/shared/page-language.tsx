"use client";
import { useEffect } from "react";

/** Tells the document which language and direction the page is in: screen readers and browsers go by it. */
export function PageLanguage({ locale, direction }: { locale: string; direction: "ltr" | "rtl" }) {
  useEffect(() => {
    const root = document.documentElement;
    const before = { lang: root.lang, dir: root.dir };
    Object.assign(root, { lang: locale, dir: direction });
    return () => void Object.assign(root, before);
  }, [locale, direction]);
  return null;
}
