import { isClamp } from "../../instrument";
import type { ClampPoint, Part, Point } from "../machine";
import type { MachineFile, AssemblyEntry, SetupEntry } from "../schema";
import type { Report } from "./problem";
import { checkSetup } from "./setup-rules";
import { say } from "#words/core/model/compile";

/** What the file names, by name. */
interface Names {
  readonly points: ReadonlyMap<string, Point>;
  readonly clamps: ReadonlyMap<string, ClampPoint>;
  readonly partById: ReadonlyMap<string, Part>;
  readonly setupById: ReadonlyMap<string, SetupEntry>;
  readonly assemblyById: ReadonlyMap<string, AssemblyEntry>;
}

type Path = (string | number)[];

/** Every name used in setups, references, paths, complaints, proofs and chain must exist. */
export function checkNames(file: MachineFile, names: Names, problem: Report): void {
  const check = new NameCheck(file, names, problem);
  check.covers();
  check.plates();
  check.setups();
  check.tests();
  check.complaints();
  check.firsts();
  check.menu();
  check.causes();
  check.paths();
  check.assumed();
}

/** Checks a file's names, an area of the file a method. */
class NameCheck {
  private readonly panels: ReadonlySet<string>;

  constructor(
    private readonly file: MachineFile,
    private readonly names: Names,
    private readonly problem: Report,
  ) {
    this.panels = new Set(file.panels.map((p) => p.id));
  }

  private need(known: { has(name: string): boolean }, what: string, name: string | undefined, path: Path): void {
    if (name !== undefined && !known.has(name)) this.problem(path, say.thereIsNoCalled(what, name));
  }

  /** What lies behind a cover names one that exists. */
  covers(): void {
    const { connectors, points, clamps, addOns, panels, pieces } = this.file;
    connectors.forEach((c, i) => {
      this.need(this.panels, "cover", c.near.panel, ["connectors", i, "near", "panel"]);
      this.need(this.panels, "cover", c.far.panel, ["connectors", i, "far", "panel"]);
    });
    panels.forEach((p, i) =>
      p.under.forEach((over, k) => this.need(this.panels, "cover", over, ["panels", i, "under", k])),
    );
    pieces.forEach((p, i) =>
      p.joints.forEach((j, k) => this.need(this.panels, "cover", j.over, ["pieces", i, "joints", k, "over"])),
    );
    pieces.forEach((p, i) => this.need(this.names.assemblyById, "piece", p.on, ["pieces", i, "on"]));
    points.forEach((p, i) => {
      this.need(this.panels, "cover", p.panel, ["points", i, "panel"]);
      this.need(this.names.assemblyById, "piece", p.inside, ["points", i, "inside"]);
    });
    clamps.forEach((c, i) => this.need(this.panels, "cover", c.panel, ["clamps", i, "panel"]));
    addOns.forEach((a, i) => this.need(this.panels, "cover", a.panel, ["addOns", i, "panel"]));
  }

  plates(): void {
    this.file.plates.forEach((plate, i) => {
      for (const assembly of Object.keys(plate.numbers))
        this.need(this.names.assemblyById, "piece", assembly, ["plates", i, "numbers", assembly]);
    });
  }

  setups(): void {
    const doors = new Set(this.file.doors.map((d) => d.id));
    const connectors = new Set(this.file.connectors.map((c) => c.id));
    this.file.setups.forEach((setup, i) => {
      setup.openDoors.forEach((door, d) => this.need(doors, "door", door, ["setups", i, "openDoors", d]));
      setup.apart.forEach((plug, c) => this.need(connectors, "connector", plug, ["setups", i, "apart", c]));
      for (const field of ["off", "lifted", "good", "lamps", "made"] as const)
        setup[field].forEach((part, k) => this.need(this.names.partById, "part", part, ["setups", i, field, k]));
      checkSetup(setup, i, this.names, this.problem);
    });
  }

  /** References, proofs and the chain of tests. */
  tests(): void {
    const { references, pieces: assemblies, chain, functions } = this.file;
    references.forEach((reference, i) =>
      reference.points.forEach((p, j) => this.need(this.names.points, "point", p, ["references", i, "points", j])),
    );
    assemblies.forEach((assembly, i) =>
      assembly.proofs.forEach((proof, j) =>
        proof.any.forEach((t, k) => this.test(t, ["pieces", i, "proofs", j, "any", k])),
      ),
    );
    chain.forEach((t, i) => this.test(t, ["chain", i]));
    functions.forEach((f, i) => {
      if ("shown" in f) this.test(f.shown, ["functions", i, "shown"]);
    });
  }

  private test(test: MachineFile["chain"][number], path: Path): void {
    const { setupById, partById, clamps, points } = this.names;
    this.need(setupById, "setup", test.setup, [...path, "setup"]);
    if (test.function === "look") this.need(partById, "part", test.red, [...path, "red"]);
    else if (isClamp(test.function)) this.need(clamps, "clamp", test.red, [...path, "red"]);
    else {
      this.need(points, "point", test.red, [...path, "red"]);
      if (test.black === undefined) this.problem(path, say.nameWhereTheBlackLead);
      this.need(points, "point", test.black, [...path, "black"]);
    }
  }

  /** What is assumed is there to be seen. */
  assumed(): void {
    const { connectors, panels, assumed = [] } = this.file;
    const known = new Set([...this.names.partById.keys(), ...[...connectors, ...panels].map((x) => x.id)]);
    assumed.forEach((id, i) => this.need(known, "part", id, ["assumed", i]));
  }

  complaints(): void {
    const paths = new Set(this.file.paths.map((p) => p.id));
    const { sleep } = this.file;
    this.need(this.names.setupById, "setup", sleep?.setup, ["sleep", "setup"]);
    this.need(this.names.clamps, "clamp", sleep?.clamp, ["sleep", "clamp"]);
    this.file.complaints.forEach((complaint, i) => {
      this.need(this.names.setupById, "setup", complaint.setup, ["complaints", i, "setup"]);
      this.need(paths, "path", complaint.path, ["complaints", i, "path"]);
      for (const [part, label] of Object.entries(complaint.sees)) {
        const known = this.names.partById.get(part);
        this.need(this.names.partById, "part", part, ["complaints", i, "sees"]);
        if (known && !known.labels?.includes(label))
          this.problem(["complaints", i, "sees", part], say.cannotBeSeen(part, label));
      }
      complaint.from.forEach((cause, k) => {
        const [part = "", mode] = cause.split(":");
        this.need(this.names.partById, "part", part, ["complaints", i, "from", k]);
        const own = this.names.partById.get(part);
        if (own && mode !== undefined && !own.modes.some((m) => m.id === mode))
          this.problem(["complaints", i, "from", k], say.aDoesNotFailAs(own.kind.kind, mode));
      });
    });
  }

  /** What is asked before anything is measured. */
  firsts(): void {
    const complaints = new Set(this.file.complaints.map((c) => c.id));
    const asked = new Set<string>();
    this.file.firsts.forEach((first, i) => {
      if (asked.has(first.id)) this.problem(["firsts", i, "id"], say.aSecondQuestionIsCalled(first.id));
      asked.add(first.id);
      first.complaints.forEach((c, k) => this.need(complaints, "complaint", c, ["firsts", i, "complaints", k]));
      first.parts.forEach((p, k) => this.need(this.names.partById, "part", p, ["firsts", i, "parts", k]));
    });
  }

  menu(): void {
    const { menu, settings, parts } = this.file;
    if (!menu) return;
    this.need(this.names.assemblyById, "piece", menu.piece, ["menu", "piece"]);
    const known = new Set(settings.map((s) => s.id));
    menu.items.forEach((item, i) => this.need(known, "setting", item, ["menu", "items", i]));
    const gestures = new Set(
      (parts as { gestures?: { id: string }[] }[]).flatMap((p) => (p.gestures ?? []).map((g) => g.id)),
    );
    this.need(gestures, "gesture", menu.gesture, ["menu", "gesture"]);
  }

  /** Faults that bring about others, with shares that leave room for the fault alone. */
  causes(): void {
    const led = new Map<string, number>();
    this.file.causes.forEach((cause, i) => {
      this.fault(cause, ["causes", i]);
      this.fault(cause.then, ["causes", i, "then"]);
      if (cause.part === cause.then.part) this.problem(["causes", i, "then", "part"], say.aFaultBringsAboutA);
      const key = `${cause.part} ${cause.mode}`;
      led.set(key, (led.get(key) ?? 0) + cause.share);
      if (led.get(key)! > MOST_LED) this.problem(["causes", i, "share"], say.theSharesOfWhatComes(MOST_LED));
    });
  }

  private fault(fault: { readonly part: string; readonly mode: string }, path: Path): void {
    const known = this.names.partById.get(fault.part);
    this.need(this.names.partById, "part", fault.part, [...path, "part"]);
    if (known && !known.modes.some((m) => m.id === fault.mode))
      this.problem([...path, "mode"], say.partCannotBeMode(fault.part, fault.mode));
  }

  paths(): void {
    const { points, partById } = this.names;
    this.file.paths.forEach((path, i) =>
      path.stages.forEach((stage, j) => {
        const at = ["paths", i, "stages", j];
        if ("at" in stage) return stage.at.forEach((p, k) => this.need(points, "point", p, [...at, "at", k]));
        for (const p of [...stage.parts, ...stage.rooms.flatMap((r) => r.parts)])
          this.need(partById, "part", p, [...at, "parts"]);
      }),
    );
  }
}

/** A fault stays alone at least once in twenty. */
const MOST_LED = 0.95;
