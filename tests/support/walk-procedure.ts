import type { Machine } from "../../src/core/model";
import type { Act, Procedure } from "../../src/core/repair/work-steps";

/** What may not be touched as things stand, worked out from the file's own words. */
interface Unit {
  isOn: boolean;
  isProvenDead: boolean;
  readonly coversOn: Set<string>;
  readonly plugsOff: Set<string>;
  readonly out: Set<string>;
  /** Wires of a plug that stays, taken off at the board. */
  readonly wiresOff: Set<string>;
}

/** Covers that lie over a cover, and those of these. */
function over(machine: Machine, cover: string): string[] {
  const { under } = machine.file.panels.find((p) => p.id === cover)!;
  return under.flatMap((u) => [u, ...over(machine, u)]);
}

/**
 * Walks a procedure as a pair of hands would, on covers, plugs, boards and power as the file has them, and says what
 * could not be done where it stands. It knows nothing of how the plan was made.
 */
export function walk(machine: Machine, procedure: Procedure): string[] {
  const unit: Unit = {
    isOn: true,
    isProvenDead: false,
    coversOn: new Set(machine.file.panels.map((p) => p.id)),
    plugsOff: new Set(),
    out: new Set(),
    wiresOff: new Set(),
  };
  const wrong: string[] = [];
  const isOver = procedure.stages.some((s) => s.steps.some((x) => x.isOnNew));
  const done = new Set<string>();
  for (const stage of procedure.stages)
    for (const step of stage.steps) {
      const fault = (words: string) => wrong.push(`${stage.id}, ${step.id}: ${words}`);
      if (done.has(step.id)) fault("is there twice");
      if (step.undoes !== undefined && !done.has(step.undoes)) fault("undoes what was not done");
      done.add(step.id);
      if (step.act) act(machine, unit, step.act, fault, isOver);
    }
  if (unit.plugsOff.size > 0) wrong.push(`left off: ${[...unit.plugsOff].join(", ")}`);
  if (unit.wiresOff.size > 0) wrong.push(`wires left off: ${[...unit.wiresOff].join(", ")}`);
  if (unit.out.size > 0) wrong.push(`left out: ${[...unit.out].join(", ")}`);
  const open = machine.file.panels.filter((p) => !unit.coversOn.has(p.id));
  if (open.length > 0) wrong.push(`left open: ${open.map((p) => p.name).join(", ")}`);
  if (!unit.isOn) wrong.push("never powered again");
  return wrong;
}

/** The contacts that end on a board: one of their halves lies on a net of its parts. */
function contactsOnBoard(machine: Machine, assembly: string): { readonly id: string; readonly plug: string }[] {
  if (!machine.assemblyById.get(assembly)!.board) return [];
  const own = new Set(machine.parts.filter((p) => p.assembly === assembly).flatMap((p) => [...p.nodeOf.values()]));
  const contacts = machine.parts.filter(
    (p) => p.kind.kind === "contact" && [...p.nodeOf.values()].some((n) => own.has(n)),
  );
  return contacts.map((p) => ({ id: p.id, plug: (p.fields as { connector: string }).connector }));
}

function act(machine: Machine, unit: Unit, a: Act, fault: (words: string) => void, isOver: boolean): void {
  const dead = () => {
    if (unit.isOn) fault("with the power on");
    if (!unit.isProvenDead) fault("before it was proven dead");
  };
  switch (a.does) {
    case "power off":
      unit.isOn = false;
      unit.isProvenDead = false;
      return;
    case "prove dead":
      if (unit.isOn) fault("proves a unit that is on");
      unit.isProvenDead = true;
      return;
    case "open":
      dead();
      if (!unit.coversOn.has(a.cover)) fault("a cover that is off already");
      for (const o of over(machine, a.cover)) if (unit.coversOn.has(o)) fault(`under ${o}`);
      unit.coversOn.delete(a.cover);
      return;
    case "close":
      if (unit.isOn) fault("closes with the power on");
      for (const p of machine.file.panels)
        if (over(machine, p.id).includes(a.cover) && !unit.coversOn.has(p.id)) fault(`before ${p.id} below it`);
      unit.coversOn.add(a.cover);
      return;
    case "pull":
    case "plug": {
      dead();
      const connector = machine.file.connectors.find((c) => c.id === a.plug)!;
      // One of its halves can be held by the hand that pulls.
      const halves = [connector.near.panel, connector.far.panel];
      if (halves.every((h) => h !== undefined && unit.coversOn.has(h))) fault("behind a cover that is on");
      if (a.does === "pull" && unit.plugsOff.has(a.plug)) fault("is off already");
      if (a.does === "plug" && !unit.plugsOff.has(a.plug)) fault("is on already");
      if (a.does === "pull") unit.plugsOff.add(a.plug);
      else unit.plugsOff.delete(a.plug);
      return;
    }
    case "measure dead":
      dead();
      if (!unit.plugsOff.has(a.plug)) fault("reads a load through the board: its plug is on");
      return;
    case "out": {
      dead();
      // A board that only lies loose beside the new one keeps its plugs until they go over.
      const on = isOver
        ? []
        : contactsOnBoard(machine, a.assembly).filter(
            (c) => !unit.plugsOff.has(c.plug) && !unit.wiresOff.has(`${c.id} ${a.assembly}`),
          );
      if (on.length > 0) fault(`comes out with ${on.map((c) => c.id).join(", ")} on`);
      unit.out.add(a.assembly);
      return;
    }
    case "wire off":
    case "wire on":
      dead();
      if (a.does === "wire on" && !unit.wiresOff.has(`${a.contact} ${a.assembly}`)) fault("a wire that is on already");
      if (a.does === "wire off") unit.wiresOff.add(`${a.contact} ${a.assembly}`);
      else unit.wiresOff.delete(`${a.contact} ${a.assembly}`);
      return;
    case "bench":
      if (!unit.out.has(a.assembly)) fault("works on a board that is not out");
      return;
    case "in":
      dead();
      if (!unit.out.has(a.assembly)) fault("puts in what is not out");
      unit.out.delete(a.assembly);
      return;
    case "power":
    case "power, loads off":
      if (unit.out.size > 0) fault("powered with a part out");
      if (unit.wiresOff.size > 0) fault("powered with a wire off");
      if (a.does === "power" && unit.plugsOff.size > 0) fault(`powered with ${[...unit.plugsOff].join(", ")} off`);
      if (a.does === "power, loads off" && unit.plugsOff.size === 0) fault("no load is off");
      unit.isOn = true;
      unit.isProvenDead = false;
      return;
  }
}
