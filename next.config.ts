import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["mysql2"],
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
