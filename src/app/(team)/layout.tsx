import { Toaster } from "@/ui";
import type { ReactNode } from "react";

export default function TeamLayout({ children }: { children: ReactNode }) {
  return (
    <>
      {children}
      <Toaster />
    </>
  );
}
