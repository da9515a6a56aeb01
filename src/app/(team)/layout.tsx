import type { ReactNode } from "react";
import { Toaster } from "sonner";

export default function TeamLayout({ children }: { children: ReactNode }) {
  return (
    <>
      {children}
      <Toaster position="bottom-left" closeButton />
    </>
  );
}
