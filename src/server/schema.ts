import {
  char,
  datetime,
  index,
  int,
  json,
  longtext,
  mysqlTable,
  smallint,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";

/** Machine files as they were used: one row a version, named by the hash of its canonical JSON. Never changed. */
export const machines = mysqlTable(
  "machines",
  {
    hash: char("hash", { length: 64 }).primaryKey(),
    machine: varchar("machine", { length: 60 }).notNull(),
    name: varchar("name", { length: 200 }).notNull(),
    file: longtext("file").notNull(),
    addedAt: datetime("added_at", { fsp: 3 }).notNull(),
  },
  (t) => [index("machines_machine").on(t.machine, t.addedAt)],
);

/** Which version of a machine new jobs are made with. */
export const machineHeads = mysqlTable("machine_heads", {
  machine: varchar("machine", { length: 60 }).primaryKey(),
  hash: char("hash", { length: 64 })
    .notNull()
    .references(() => machines.hash),
});

/** Units in the field: a serial number at a site, of a machine. */
export const units = mysqlTable(
  "units",
  {
    id: char("id", { length: 36 }).primaryKey(),
    site: varchar("site", { length: 120 }).notNull(),
    serial: varchar("serial", { length: 60 }).notNull(),
    machine: varchar("machine", { length: 60 }).notNull(),
  },
  (t) => [uniqueIndex("units_serial").on(t.machine, t.serial)],
);

/** Jobs: the row that is locked to give out sequence numbers. What a job is stands in its events. */
export const jobs = mysqlTable(
  "jobs",
  {
    id: char("id", { length: 36 }).primaryKey(),
    unit: char("unit", { length: 36 })
      .notNull()
      .references(() => units.id),
    machineHash: char("machine_hash", { length: 64 })
      .notNull()
      .references(() => machines.hash),
    openedAt: datetime("opened_at", { fsp: 3 }).notNull(),
    lastSeq: int("last_seq").notNull(),
    /** Projections for the start screen; rebuilt from the events. */
    complaint: varchar("complaint", { length: 400 }).notNull(),
    actor: varchar("actor", { length: 80 }).notNull(),
    readings: int("readings").notNull(),
    result: varchar("result", { length: 400 }),
  },
  (t) => [index("jobs_opened").on(t.openedAt)],
);

/** The journal. Rows are added, never changed; `seq` counts from 1 within a job. */
export const events = mysqlTable(
  "events",
  {
    id: char("id", { length: 36 }).primaryKey(),
    job: char("job", { length: 36 })
      .notNull()
      .references(() => jobs.id),
    seq: int("seq").notNull(),
    v: smallint("v").notNull(),
    actor: varchar("actor", { length: 80 }).notNull(),
    at: datetime("at", { fsp: 3 }).notNull(),
    body: json("body").notNull(),
    /** Hash of id, version, actor and body as sent: tells a repeat from another event under the same id. */
    sent: char("sent", { length: 64 }).notNull(),
  },
  (t) => [uniqueIndex("events_job_seq").on(t.job, t.seq)],
);
