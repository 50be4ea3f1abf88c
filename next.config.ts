import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["mysql2", "pino", "@react-pdf/renderer"],
  poweredByHeader: false,
  devIndicators: false,
  // The test command checks the types, of the whole at once.
  typescript: { ignoreBuildErrors: true },
};

export default config;
