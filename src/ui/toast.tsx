"use client";
import { Toaster as Base } from "sonner";

export { toast } from "sonner";

const look = {
  background: "var(--sheet)",
  color: "var(--ink)",
  border: "1px solid var(--rule)",
  borderInlineStart: "4px solid var(--action)",
  borderRadius: "4px",
  fontFamily: "var(--font-sans)",
  fontSize: "15px",
};

/** Where passing words appear, in the house's own look. */
export const Toaster = () => <Base position="bottom-left" closeButton toastOptions={{ style: look }} />;
