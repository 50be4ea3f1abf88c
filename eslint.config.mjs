import { defineConfig, globalIgnores } from "eslint/config";
import next from "eslint-config-next/core-web-vitals";
import typescript from "eslint-config-next/typescript";

// Imports run one way: app -> ui -> workers -> core; app -> server -> devices -> core.
const layer = (files, barred, why) => ({
  files,
  rules: {
    "no-restricted-imports": ["error", { patterns: [{ regex: barred, message: why, allowTypeImports: false }] }],
  },
});

export default defineConfig([
  ...next,
  ...typescript,
  globalIgnores([
    ".next/**",
    ".unzo/**",
    "build/**",
    "test-results/**",
    "node_modules/**",
    "next-env.d.ts",
    "src/server/migrations/**",
  ]),
  {
    rules: {
      "@typescript-eslint/no-unused-vars": [
        "error",
        { argsIgnorePattern: "^_", varsIgnorePattern: "^_", ignoreRestSiblings: true },
      ],
    },
  },
  layer(
    ["src/core/**"],
    "^(react|next|drizzle|mysql2|node:|fs|path|crypto|comlink)|/(server|ui|app|workers|devices)/",
    "Core is pure: it knows no screen, no database and no platform.",
  ),
  {
    files: ["src/core/**"],
    rules: {
      "no-restricted-globals": [
        "error",
        "Date",
        "performance",
        "fetch",
        "window",
        "document",
        "process",
        "setTimeout",
        "setInterval",
        "crypto",
      ],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "Randomness is passed in." },
      ],
    },
  },
  layer(["src/workers/**"], "/(server|ui|app|devices)/", "Workers know core only."),
  // Screens may name the shapes that the server hands them, and nothing that runs there.
  {
    files: ["src/ui/**"],
    rules: {
      "@typescript-eslint/no-restricted-imports": [
        "error",
        {
          patterns: [
            {
              regex: "/(server|devices)/",
              allowTypeImports: true,
              message: "Screens draw; the server is reached through routes.",
            },
            { regex: "/app/", message: "The application imports screens, not the other way." },
          ],
        },
      ],
    },
  },
  layer(["src/devices/**"], "^(react|next|drizzle|mysql2)|/(server|ui|app|workers)/", "Devices know core only."),
  layer(["src/server/**"], "/(ui|app)/", "The server knows core, and the desk that it runs in threads of its own."),
]);
