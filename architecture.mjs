// Who may import whom: the one table from which the lint rules are made. A layer knows those that are named beside
// it, and nothing else.

/** Modules of core, each a folder of `src/core`, the ground first. */
export const CORE = {
  quantity: [],
  circuit: [],
  lamp: [],
  "sleep-current": ["quantity"],
  instrument: ["quantity"],
  model: ["quantity", "circuit", "lamp", "instrument"],
  simulate: ["quantity", "circuit", "instrument", "model"],
  safety: ["instrument", "model", "simulate"],
  diagnose: ["quantity", "instrument", "model", "simulate", "safety"],
  schedule: ["model", "simulate", "diagnose"],
  workbench: ["quantity", "model", "simulate", "diagnose"],
  journal: ["quantity", "instrument", "model", "simulate", "safety", "diagnose"],
  repair: ["quantity", "instrument", "model", "simulate", "safety", "diagnose", "workbench", "journal"],
  history: ["quantity", "instrument", "model", "journal"],
  learn: ["model", "journal"],
  paper: ["model", "journal", "repair", "learn"],
  "plan-day": ["model", "journal", "repair"],
  visit: ["model", "repair"],
  figures: ["model", "diagnose", "journal", "repair", "learn"],
};

/** The rungs of the search, each a folder of `src/core/diagnose`: one knows those below it only. */
export const RUNGS = ["hypotheses", "reading", "evidence", "dictionary", "belief", "planning", "advice"];

/** Folders of `src`. Core is pure: it knows no screen, no database and no platform. */
export const LAYERS = {
  // Every sentence a person reads, by language: a sentence is a constant, or a function of its data. Reached as
  // `#words/...`, which package.json sets to one language; it knows nothing else.
  words: [],
  core: ["words"],
  workers: ["words", "core"],
  // What browser and server say to each other: the one thing that both know.
  contract: ["words", "core"],
  devices: ["words", "core", "contract"],
  server: ["words", "core", "contract", "workers", "devices"],
  ui: ["words", "core", "contract", "workers"],
  app: ["words", "core", "contract", "server", "ui"],
};

/** Packages that a layer must not know. */
export const FOREIGN = {
  core: "^(react|next|drizzle|mysql2|node:|fs|path|crypto|comlink)",
  devices: "^(react|next|drizzle|mysql2)",
};
