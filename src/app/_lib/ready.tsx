"use client";
import { useEffect } from "react";

/** Marks the document once its buttons answer: before that a click on a slow machine is lost. */
export function Ready() {
  useEffect(() => {
    document.documentElement.dataset["ready"] = "";
  }, []);
  return null;
}
