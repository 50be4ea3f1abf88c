import { type Procedure, STAGES, type StageId, type WorkStage, type WorkStep } from "./work-steps";

/** Acts that are one for all boards: what is off, open or apart is so for both. */
const SHARED: ReadonlySet<string> = new Set([
  "power off",
  "prove dead",
  "power, loads off",
  "power",
  "open",
  "close",
  "pull",
  "plug",
  "measure dead",
]);
/** Steps without an act that are made once, whatever comes out. */
const ONCE: ReadonlySet<string> = new Set([
  "wait",
  "overview",
  "static",
  "bonding",
  "insulation",
  "code",
  "functions",
  "leakage",
  "look",
]);

/**
 * One procedure for several boards of a machine: power, covers and plugs once, each board by itself. The first is the one
 * the repair is about; a cover that only another needs is opened after and closed before.
 */
export function together(plans: readonly Procedure[]): Procedure {
  const [first, ...others] = plans as [Procedure, ...Procedure[]];
  const taken = new Set(first.stages.flatMap((s) => s.steps.map((x) => x.id)));
  const stages = new Map<StageId, readonly WorkStep[]>(first.stages.map((s) => [s.id, s.steps]));
  const names = new Map(first.stages.map((s) => [s.id, s.name]));
  for (const plan of others) {
    const own = (id: string) => `${id} ${plan.assembly}`;
    const all = plan.stages.flatMap((s) => s.steps);
    const renamed = new Set(all.filter((s) => taken.has(s.id) && !isShared(s)).map((s) => s.id));
    for (const stage of plan.stages) {
      const added = stage.steps
        .filter((s) => !taken.has(s.id) || renamed.has(s.id))
        .map((s) => ({
          ...s,
          ...(renamed.has(s.id) ? { id: own(s.id), details: [plan.name, ...s.details] } : {}),
          ...(s.undoes !== undefined && renamed.has(s.undoes) ? { undoes: own(s.undoes) } : {}),
        }));
      const before = loadsOff(stages.get(stage.id) ?? [], stage.steps);
      stages.set(stage.id, stage.id === "close" ? [...added, ...before] : [...before, ...added]);
      if (!names.has(stage.id) || added.some((s) => s.act?.does === "plug")) names.set(stage.id, stage.name);
    }
    for (const s of all) taken.add(renamed.has(s.id) ? own(s.id) : s.id);
  }
  return {
    ...first,
    minutes: plans.reduce((sum, p) => sum + p.minutes, 0),
    stages: (Object.keys(STAGES) as StageId[]).flatMap((id): WorkStage[] => {
      const steps = stages.get(id) ?? [];
      return steps.length > 0 ? [{ id, name: names.get(id)!, steps }] : [];
    }),
    canTransfer: false,
    lacks: [...new Set(plans.flatMap((p) => p.lacks))],
  };
}

/** The first power is with the loads off as soon as one of the boards has loads that can stay off. */
function loadsOff(steps: readonly WorkStep[], others: readonly WorkStep[]): readonly WorkStep[] {
  const off = others.find((s) => s.act?.does === "power, loads off");
  return off ? steps.map((s) => (s.id === off.id && s.act?.does === "power" ? off : s)) : steps;
}

function isShared({ id, act }: WorkStep): boolean {
  return act ? SHARED.has(act.does) : ONCE.has(id);
}
