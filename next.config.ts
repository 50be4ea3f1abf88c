import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["mysql2"],
  poweredByHeader: false,
  devIndicators: false,
  // The test command checks the types itself, of the whole at once.
  typescript: { ignoreBuildErrors: process.env.UNZO_TYPES_APART === "1" },
};

export default config;
