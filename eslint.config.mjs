import { readFileSync } from "node:fs";
import { defineConfig, globalIgnores } from "eslint/config";
import next from "eslint-config-next/core-web-vitals";
import typescript from "eslint-config-next/typescript";

import { CORE, FOREIGN, LAYERS, RUNGS } from "./architecture.mjs";
import { catalogue } from "./eslint-catalogue.mjs";

const names = Object.keys(LAYERS);
const modules = Object.keys(CORE);
const others = (all, own, known) => all.filter((name) => name !== own && !known.includes(name));

/** A module of core is reached through its face; tests alone look behind it. */
const behindFaces = (own, before) => ({
  regex: `^(\\.\\./)+${before}(${others(modules, own, []).join("|")})/`,
  message: "Import it from the module's index.ts; what is not there is the module's own.",
});

/**
 * The patterns that a layer must not import: packages that are foreign to it, and layers that are not named beside
 * it.
 */
function barred(layer) {
  const known = LAYERS[layer];
  const list = others(names, layer, known);
  return [
    ...(layer === "core" ? [] : [behindFaces(null, "core/")]),
    ...(FOREIGN[layer] ? [{ regex: FOREIGN[layer], message: `${layer} does not know this package.` }] : []),
    ...(list.length > 0
      ? [
          {
            regex: `^(\\.\\./)+(${list.join("|")})/`,
            message: `${layer} knows ${known.join(", ") || "no other layer"}.`,
          },
        ]
      : []),
  ];
}

/** What a kind is stands with the kind. */
const ASKED_BY_NAME = [
  {
    selector: "MemberExpression[property.name='kind'][object.property.name='kind']",
    message: "Ask for a trait, a rating or a facet of the kind; its name is for files and for the catalogue.",
  },
  {
    selector: "TSAsExpression[expression.property.name='fields']",
    message: "Fields are read by the kind itself or through model/ratings, never by a cast.",
  },
];

/** Types of entry that screens might be tempted to make themselves. */
const EVENT_TYPES = [
  ...readFileSync(new URL("src/core/journal/events.ts", import.meta.url), "utf8").matchAll(
    /type: z\.literal\("([^"]+)"\)/g,
  ),
].map(([, type]) => type);

const rule = (files, patterns) => ({
  files,
  rules: { "@typescript-eslint/no-restricted-imports": ["error", { patterns }] },
});

/** A module of core: what its layer bars, and the modules that are not named beside it. */
function barredIn(module) {
  const list = others(modules, module, CORE[module]);
  return [
    ...barred("core"),
    behindFaces(module, ""),
    {
      regex: `^(\\.\\./)+(${list.join("|")})(/|$)`,
      message: `${module} knows ${CORE[module].join(", ") || "no other module"} (architecture.mjs).`,
    },
  ];
}

const coreModule = (module) => rule([`src/core/${module}/**`], barredIn(module));

/** A rung of the search: what its module bars, and the rungs above it. */
const rung = (name, i) => {
  const above = RUNGS.slice(i + 1);
  return rule(
    [`src/core/diagnose/${name}/**`],
    [
      ...barredIn("diagnose"),
      ...(above.length > 0
        ? [
            {
              regex: `^\\.\\./(${above.join("|")})/`,
              message: `${name} is below ${above.join(", ")} (architecture.mjs).`,
            },
          ]
        : []),
    ],
  );
};

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
      // Pictures are small, kept by hash in the shop's own store or drawn here: there is nothing to optimize on the
      // way.
      "@next/next/no-img-element": "off",
      "@typescript-eslint/no-unused-vars": [
        "error",
        { argsIgnorePattern: "^_", varsIgnorePattern: "^_", ignoreRestSiblings: true },
      ],
    },
  },
  { files: ["src/**"], rules: { "no-nested-ternary": "error" } },
  {
    files: ["src/**/*.{ts,tsx}"],
    // The demo is content, as a machine file is; what the log alone says is for whoever runs Unzo.
    ignores: ["src/words/**", "src/server/demo*.ts"],
    plugins: { catalogue },
    rules: { "catalogue/no-sentence-here": "error" },
  },
  ...names.map((layer) => rule([`src/${layer}/**`], barred(layer))),
  ...modules.map(coreModule),
  ...RUNGS.map(rung),
  {
    files: ["src/**"],
    ignores: ["src/core/model/**", "src/words/**"],
    rules: {
      "no-restricted-syntax": ["error", ...ASKED_BY_NAME],
    },
  },
  {
    files: ["src/ui/**"],
    rules: {
      "no-restricted-syntax": [
        "error",
        ...ASKED_BY_NAME,
        {
          selector: `Property[key.name='type'][value.value=/^(${EVENT_TYPES.join("|")})$/]`,
          message: "An entry of a journal is made by core/journal/bodies; a screen says what happened.",
        },
      ],
    },
  },
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
  // The truth from outside knows the shape of a machine, and nothing of what Unzo makes of it.
  {
    files: ["tests/outside/spice-*.ts", "tests/outside/ohmmeter.ts"],
    rules: {
      "@typescript-eslint/no-restricted-imports": [
        "error",
        {
          patterns: [
            { regex: "src/core", allowTypeImports: true, message: "Only types: its physics is written here." },
          ],
        },
      ],
    },
  },
]);
