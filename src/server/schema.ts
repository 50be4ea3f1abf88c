import {
  boolean,
  char,
  customType,
  datetime,
  index,
  int,
  json,
  longtext,
  mysqlTable,
  primaryKey,
  smallint,
  tinyint,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";

/** Compared byte by byte: what is found by a term is folded before it is kept. */
const exact = customType<{ data: string; driverData: string; config: { length: number } }>({
  dataType: (config) => `varchar(${config!.length}) character set utf8mb4 collate utf8mb4_bin`,
});
const mediumblob = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => "mediumblob" });

/**
 * Machine files as they were used: one row a version. The hash names it and says nothing more: it was made once from
 * the file as it was written (earlier ones from the file as it was read), and is never made anew. Rows are never
 * changed but for
 * `summary`.
 */
export const machines = mysqlTable(
  "machines",
  {
    hash: char("hash", { length: 64 }).primaryKey(),
    machine: varchar("machine", { length: 60 }).notNull(),
    name: varchar("name", { length: 200 }).notNull(),
    file: longtext("file").notNull(),
    addedAt: datetime("added_at", { fsp: 3 }).notNull(),
    /** What lists show of it, read from the file once. */
    summary: json("summary"),
  },
  (t) => [index("machines_machine").on(t.machine, t.addedAt)],
);

/** Which version of a machine new jobs are made with. */
export const machineHeads = mysqlTable("machine_heads", {
  machine: varchar("machine", { length: 60 }).primaryKey(),
  hash: char("hash", { length: 64 })
    .notNull()
    .references(() => machines.hash),
  /** Where it came from; null: kept before that was written down. */
  origin: varchar("origin", { length: 12 }),
  /** The shipped revision it came from. */
  base: char("base", { length: 64 }).references(() => machines.hash),
  /** A newer shipped revision that waits to be looked at. */
  offered: char("offered", { length: 64 }).references(() => machines.hash),
});

/** Journals: of a job, of a unit, of the shop. The row that is locked to give out sequence numbers. */
export const streams = mysqlTable("streams", {
  id: char("id", { length: 36 }).primaryKey(),
  kind: varchar("kind", { length: 4 }).$type<"job" | "unit" | "shop">().notNull(),
  lastSeq: int("last_seq").notNull(),
});

/** The entries. Rows are added, never changed; `seq` counts from 1 within a stream. */
export const events = mysqlTable(
  "events",
  {
    id: char("id", { length: 36 }).primaryKey(),
    stream: char("stream", { length: 36 })
      .notNull()
      .references(() => streams.id),
    seq: int("seq").notNull(),
    v: smallint("v").notNull(),
    type: varchar("type", { length: 40 }).notNull(),
    actor: varchar("actor", { length: 80 }).notNull(),
    at: datetime("at", { fsp: 3 }).notNull(),
    body: json("body").notNull(),
    /** Hash of id, version, actor and body as sent: tells a repeat from another event under the same id. */
    sent: char("sent", { length: 64 }).notNull(),
  },
  (t) => [uniqueIndex("events_stream_seq").on(t.stream, t.seq), index("events_type").on(t.type, t.stream)],
);

/** Units in the field, as their streams tell it; rebuilt from them. */
export const units = mysqlTable(
  "units",
  {
    id: char("id", { length: 36 }).primaryKey(),
    site: varchar("site", { length: 120 }).notNull(),
    serial: varchar("serial", { length: 60 }),
    /** The serial number without case and blanks; null where there is none or the unit was merged. */
    serialKey: varchar("serial_key", { length: 60 }),
    machine: varchar("machine", { length: 60 }).notNull(),
    productCode: varchar("product_code", { length: 60 }),
    productIndex: varchar("product_index", { length: 20 }),
    mergedInto: char("merged_into", { length: 36 }),
    /** How the unit stands, by the last entry of any of its jobs that says so. */
    setup: varchar("setup", { length: 60 }),
    powered: boolean("powered"),
    stoodAt: datetime("stood_at", { fsp: 3 }),
    stoodBy: varchar("stood_by", { length: 80 }),
    stoodJob: char("stood_job", { length: 36 }),
  },
  (t) => [
    uniqueIndex("units_serial").on(t.machine, t.serialKey),
    index("units_site").on(t.site, t.id),
    index("units_key").on(t.serialKey),
  ],
);

/** Jobs as their journals tell it, for lists; rebuilt from them. */
export const jobs = mysqlTable(
  "jobs",
  {
    id: char("id", { length: 36 })
      .primaryKey()
      .references(() => streams.id),
    unit: char("unit", { length: 36 })
      .notNull()
      .references(() => units.id),
    machineHash: char("machine_hash", { length: 64 })
      .notNull()
      .references(() => machines.hash),
    kind: varchar("kind", { length: 12 }).notNull(),
    openedAt: datetime("opened_at", { fsp: 3 }).notNull(),
    /** Null while the job is open. */
    closedAt: datetime("closed_at", { fsp: 3 }),
    complaint: varchar("complaint", { length: 400 }),
    /** Its code in the machine's file. */
    complaintId: varchar("complaint_id", { length: 60 }),
    actor: varchar("actor", { length: 80 }).notNull(),
    readings: int("readings").notNull(),
    result: varchar("result", { length: 400 }),
    /** When it is promised; when one drives there and how many minutes that takes. */
    promisedAt: datetime("promised_at", { fsp: 3 }),
    visitAt: datetime("visit_at", { fsp: 3 }),
    visitMinutes: smallint("visit_minutes"),
    /** Names the job in the index of terms: counts up as jobs come into this shop. */
    no: int("no").autoincrement().notNull(),
  },
  (t) => [
    uniqueIndex("jobs_no").on(t.no),
    index("jobs_closed").on(t.closedAt, t.openedAt),
    index("jobs_opened").on(t.openedAt),
    index("jobs_unit").on(t.unit, t.openedAt),
  ],
);

/**
 * What jobs are found by, as their journals tell it; rebuilt from them. Read from the last key backwards, a term gives
 * its newest jobs first.
 */
export const terms = mysqlTable(
  "terms",
  {
    term: exact("term", { length: 40 }).notNull(),
    /** `no` of the job. */
    job: int("job").notNull(),
    /** Place in `TERM_FIELDS`. */
    field: tinyint("field").notNull(),
  },
  (t) => [primaryKey({ columns: [t.term, t.job, t.field] })],
);

/** What closed repairs came to, and whether they held; rebuilt from the journals. */
export const outcomes = mysqlTable(
  "outcomes",
  {
    job: char("job", { length: 36 })
      .primaryKey()
      .references(() => jobs.id),
    unit: char("unit", { length: 36 }).notNull(),
    machine: varchar("machine", { length: 60 }).notNull(),
    complaint: varchar("complaint", { length: 60 }),
    closedAt: datetime("closed_at", { fsp: 3 }).notNull(),
    watchDays: smallint("watch_days").notNull(),
    /** When it is asked whether it held. */
    dueAt: datetime("due_at", { fsp: 3 }).notNull(),
    piece: varchar("piece", { length: 60 }).notNull(),
    part: varchar("part", { length: 60 }),
    mode: varchar("mode", { length: 60 }),
    sort: varchar("sort", { length: 120 }),
    confirmed: varchar("confirmed", { length: 20 }),
    option: varchar("option", { length: 40 }),
    noFault: boolean("no_fault").notNull(),
    minutes: int("minutes").notNull(),
    price: int("price"),
    /** The last answer to whether it held, and when. */
    answered: boolean("answered"),
    answeredAt: datetime("answered_at", { fsp: 3 }),
    held: varchar("held", { length: 12 }).notNull(),
    heldAt: datetime("held_at", { fsp: 3 }),
    /** The job by which the complaint came back. */
    againJob: char("again_job", { length: 36 }),
    /** Who closed it. */
    person: varchar("person", { length: 80 }).notNull(),
    /** The cause as the record says it. */
    causeWords: varchar("cause_words", { length: 400 }),
    /** Assemblies that were replaced while the complaint stayed, and what the steps took beside the book. */
    inVain: json("in_vain").notNull(),
    steps: json("steps").notNull(),
  },
  (t) => [
    index("outcomes_unit").on(t.unit),
    index("outcomes_due").on(t.held, t.dueAt),
    index("outcomes_machine").on(t.machine, t.closedAt),
    index("outcomes_closed").on(t.closedAt),
  ],
);

/** Odds of failure as the shop has learned them, by the hash of what they are: a job keeps those it was made with. */
export const odds = mysqlTable("odds", {
  hash: char("hash", { length: 64 }).primaryKey(),
  body: longtext("body").notNull(),
});

/** The odds that new jobs on a machine are made with. */
export const oddsHeads = mysqlTable("odds_heads", {
  machine: varchar("machine", { length: 60 }).primaryKey(),
  hash: char("hash", { length: 64 })
    .notNull()
    .references(() => odds.hash),
  at: datetime("at", { fsp: 3 }).notNull(),
});

/** By which way of reading the journals a table that follows from them was made; another way makes it anew. */
export const projections = mysqlTable("projections", {
  name: varchar("name", { length: 40 }).primaryKey(),
  version: int("version").notNull(),
});

/** What is waited for in open jobs and in the shop; rebuilt from their journals. */
export const waits = mysqlTable(
  "waits",
  {
    /** The stream whose entry began it: of a job, or of the shop. */
    job: char("job", { length: 36 })
      .notNull()
      .references(() => streams.id),
    wait: varchar("wait", { length: 80 }).notNull(),
    words: varchar("words", { length: 200 }).notNull(),
    piece: varchar("piece", { length: 60 }),
    /** Since when, until when, and whether one may go away meanwhile. */
    begun: datetime("begun", { fsp: 3 }),
    due: datetime("due", { fsp: 3 }).notNull(),
    care: varchar("care", { length: 8 }),
  },
  (t) => [primaryKey({ columns: [t.job, t.wait] }), index("waits_due").on(t.due)],
);

/**
 * Fault dictionaries of machine files, gzipped, by the engine that built them: another engine may predict otherwise.
 * Nothing is lost with them: they are built again.
 */
export const dictionaries = mysqlTable(
  "dictionaries",
  {
    machineHash: char("machine_hash", { length: 64 })
      .notNull()
      .references(() => machines.hash),
    engine: char("engine", { length: 64 }).notNull(),
    body: mediumblob("body").notNull(),
    builtAt: datetime("built_at", { fsp: 3 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.machineHash, t.engine] })],
);

/** What moves on a type of machine have taken in this shop; worked out anew when one of its jobs is closed. */
export const learnedTimes = mysqlTable("learned_times", {
  machine: varchar("machine", { length: 60 }).primaryKey(),
  times: json("times").notNull(),
  at: datetime("at", { fsp: 3 }).notNull(),
});

/** Photos, by the hash of their content. One that no entry of a journal names is taken away after a day. */
export const photos = mysqlTable(
  "photos",
  {
    hash: char("hash", { length: 64 }).primaryKey(),
    type: varchar("type", { length: 20 }).notNull(),
    size: int("size").notNull(),
    content: mediumblob("content").notNull(),
    addedAt: datetime("added_at", { fsp: 3 }).notNull(),
    used: boolean("used").notNull(),
  },
  (t) => [index("photos_used").on(t.used, t.addedAt), index("photos_size").on(t.size)],
);
