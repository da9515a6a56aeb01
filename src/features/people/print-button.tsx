"use client";
import { Button } from "@/ui";

/** Prints the page, or makes a PDF of it where the browser offers that. */
export const PrintButton = () => (
  <Button className="print:hidden" onClick={() => window.print()}>
    Print or save as PDF
  </Button>
);
