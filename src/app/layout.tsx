import type { Metadata, Viewport } from "next";
import { connection } from "next/server";
import type { ReactNode } from "react";
import { Queries } from "../ui/engine/Queries";
import "bootstrap/dist/css/bootstrap.min.css";
import "bootstrap-icons/font/bootstrap-icons.min.css";
import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/atkinson-hyperlegible-mono";
import "../ui/shell/theme.css";

export const metadata: Metadata = {
  description: "Finds the fault in a machine from the model of the machine.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Each answer has a nonce of its own, so that no page can be made ahead, not even the one for what is not there.
  await connection();
  return (
    <html lang="en">
      <body>
        <Queries>{children}</Queries>
      </body>
    </html>
  );
}
