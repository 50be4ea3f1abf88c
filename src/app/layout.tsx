import type { Metadata, Viewport } from "next";
import { connection } from "next/server";
import type { ReactNode } from "react";
import { Queries } from "../ui/engine/Queries";
import "bootstrap/dist/css/bootstrap.min.css";
import "bootstrap-icons/font/bootstrap-icons.min.css";
import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/atkinson-hyperlegible-mono";
import "../ui/shell/theme.css";
import { NO_CURRENCY } from "../contract/shop";
import { shopRates } from "../server/shop";
import { Currency } from "../ui/shell/Currency";
import { Theme } from "../ui/shell/Theme";
import { say } from "#words/app";

export const metadata: Metadata = {
  description: say.findsTheFaultInA,
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Each answer has a nonce of its own, so that no page can be made ahead, not even the one for what is not there.
  await connection();
  const currency = await shopRates().then(
    (rates) => rates?.currency ?? NO_CURRENCY,
    // A lost database is said by the page that needs it.
    () => NO_CURRENCY,
  );
  return (
    <html lang="en">
      <body>
        <Theme />
        <Currency code={currency}>
          <Queries>{children}</Queries>
        </Currency>
      </body>
    </html>
  );
}
