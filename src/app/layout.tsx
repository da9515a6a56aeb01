import type { Metadata } from "next";
import { headers } from "next/headers";
import type { ReactNode } from "react";
import { messagesFor } from "@/contracts/messages";
import { KitIn, Nonce } from "@/ui";
import { Ready } from "./_lib/ready";
import "./globals.css";

export const metadata: Metadata = { title: { default: "Stage Call", template: "%s · Stage Call" } };
// the script policy carries a nonce, so every page is made at its request
export const dynamic = "force-dynamic";

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get("content-security-policy")?.match(/'nonce-([^']+)'/)?.[1] ?? "";
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Nonce value={nonce} />
        <KitIn words={messagesFor("en").kit}>{children}</KitIn>
        <Ready />
      </body>
    </html>
  );
}
