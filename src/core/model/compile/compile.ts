import { compileElimination } from "../../circuit";
import { domainsOf, usualVoltages } from "../domain";
import type { ClampPoint, Machine } from "../machine";
import { modeSetups } from "../mode-setups";
import type { MachineFile } from "../schema";
import { listEntries, Nets } from "./entries";
import { checkNames } from "./names";
import { connectParts, type Connected } from "./parts";
import { MachineFileError, type FileProblem, type Report } from "./problem";
import { rigsIn } from "./rigs";
import { say } from "#words/core/model/compile";

/**
 * Makes a machine from its file, in phases: list (parts, plugs and wires become one list, pins and test points
 * another), rig (jumpers and bench feeds of the setups), connect (parts to nets), clamp, check (every name used
 * exists), lay out (domains, elimination order). Throws `MachineFileError` naming every contradiction found.
 */
export function compileMachine(file: MachineFile): Machine {
  const problems: FileProblem[] = [];
  const problem: Report = (path, sentence) => problems.push({ path, sentence });
  const net = new Nets();
  const setupById = new Map(file.setups.map((s) => [s.id, s]));
  const assemblyById = new Map(file.pieces.map((p) => [p.id, p]));

  const { entries, points } = listEntries(file, net, problem);
  const rigs = rigsIn(file, points, problem);
  const connected = connectParts(file, [...entries, ...rigs.entries], rigs, net, problem);
  const { parts, partById, ends, memorySize } = connected;
  const clamps = clampsIn(file, connected, problem);
  checkEnds(file, connected, new Set([...points.values()].map((p) => p.net)), problem);
  checkNames(file, { points, clamps, partById, setupById, assemblyById }, problem);
  if (problems.length > 0) throw new MachineFileError(problems);

  const nets = [...net.nodeOf.keys()];
  const domains = domainsOf(parts, nets.length);
  // What remembers moves while a machine settles, and nothing else does.
  const moving = parts.flatMap((p) =>
    p.kind.electrical.follow ? Array.from({ length: p.elementCount }, (_, i) => p.firstElement + i) : [],
  );
  const topology = { nodeCount: nets.length, ends: Int32Array.from(ends), moving };
  for (const setup of modeSetups(file, parts)) if (!setupById.has(setup.id)) setupById.set(setup.id, setup);
  return {
    file,
    parts,
    partById,
    assemblyById,
    setupById,
    nets,
    nodeOf: net.nodeOf,
    ends: topology.ends,
    program: compileElimination(topology),
    memorySize,
    points,
    clamps,
    domains,
    usual: usualVoltages(parts, domains),
    sources: parts.filter((p) => p.kind.electrical.source?.(p.fields)),
    rigsOf: rigs.bySetup,
  };
}

/** The places where a clamp goes round. */
function clampsIn(file: MachineFile, { partById }: Connected, problem: Report): Map<string, ClampPoint> {
  const clamps = new Map<string, ClampPoint>();
  file.clamps.forEach((clamp, i) => {
    const part = partById.get(clamp.part);
    if (!part) return problem(["clamps", i, "part"], say.thereIsNoPartCalled(clamp.part));
    if (clamp.element >= part.elementCount)
      return problem(["clamps", i, "element"], say.hasElementsCountedFrom0(clamp.part, part.elementCount));
    clamps.set(clamp.id, {
      id: clamp.id,
      name: clamp.name,
      element: part.firstElement + clamp.element,
      part: part.id,
      ...(clamp.panel ? { panel: clamp.panel } : {}),
      ...(clamp.colour ? { colour: clamp.colour } : {}),
    });
  });
  return clamps;
}

/** A test point lies where a part ends, and no net ends in the open: a name may be mistyped. */
function checkEnds(file: MachineFile, { used }: Connected, measured: ReadonlySet<string>, problem: Report): void {
  file.points.forEach((point, i) => {
    if (!used.has(point.net)) problem(["points", i, "net"], say.noPartIsConnectedTo(point.net));
  });
  for (const [net, count] of used) if (count < 2 && !measured.has(net)) problem(["parts"], say.netHasOneEndOnly(net));
}
