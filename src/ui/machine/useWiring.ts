"use client";

import type { ElkExtendedEdge, ElkNode } from "elkjs/lib/elk-api";
import { useEffect, useState } from "react";
import { type Energy, isLowVoltage, type Machine } from "../../core/model";
import { LOST } from "../shell/useDesk";
import { keepWiring, keptWiring } from "./kept-wirings";
import type { Wiring, WiringLine } from "./wiring";

/** Width of a letter of a label. */
const LETTER = 6.4;
/** Longest name drawn in a box before it is cut. */
const WORDS = 26;

/** Lays a graph out in a worker of its own (ELK, layered), which ends with it. */
async function laidOut(graph: ElkNode): Promise<ElkNode> {
  const { default: ELK } = await import("elkjs/lib/elk-api.js");
  const worker = new Worker(new URL("elkjs/lib/elk-worker.min.js", import.meta.url));
  try {
    return await new ELK({ workerFactory: () => worker }).layout(graph);
  } finally {
    worker.terminate();
  }
}

/**
 * A machine's parts and nets laid out. Null while it works; a sentence where it cannot be. `hash` names the file where
 * it is kept: its layout then is too, and is there at once the next time.
 */
export function useWiring(
  machine: Machine | null,
  hash: string | null,
): { readonly wiring: Wiring | null; readonly problem: string } {
  const [done, setDone] = useState<{ machine: Machine; wiring: Wiring } | null>(null);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    if (!machine) return;
    let current = true;
    const draw = async () => {
      const known = hash === null ? null : keptWiring(hash);
      const wiring = known ?? wiringOf(await laidOut(graphOf(machine)), machine);
      if (hash !== null && !known) keepWiring(hash, wiring);
      if (!current) return;
      setDone({ machine, wiring });
      setProblem("");
    };
    draw().catch(() => {
      if (current) setProblem(LOST);
    });
    return () => {
      current = false;
    };
  }, [machine, hash]);
  return { wiring: done?.wiring ?? null, problem };
}

/**
 * Parts and plugs as nodes; every net as a star from the first thing on it, every wire as a line of its own with its
 * label. Single contacts belong to their plug; where only wires meet there is a joint.
 */
function graphOf(machine: Machine): ElkNode {
  const owner = new Map<string, string>();
  const nodes = new Map<string, { words: string }>();
  const wires = new Map(machine.file.wires.map((w) => [w.id, w]));
  const drawn = machine.parts.filter((p) => !wires.has(p.id));
  for (const part of drawn) {
    const connector = part.kind.electrical.connector?.(part.fields) ?? null;
    const id = connector ? `plug ${connector}` : part.id;
    owner.set(part.id, id);
    const words = connector ? machine.file.connectors.find((c) => c.id === connector)!.name : part.name;
    nodes.set(id, { words: words.length > WORDS ? `${words.slice(0, WORDS - 1)}…` : words });
  }
  const edges: ElkExtendedEdge[] = [];
  const ends = new Map<number, Set<string>>();
  for (const part of drawn)
    for (const node of part.nodeOf.values()) ends.set(node, (ends.get(node) ?? new Set()).add(owner.get(part.id)!));
  for (const [node, who] of ends) {
    const [first, ...rest] = [...who];
    rest.forEach((other, i) => edges.push({ id: `${node} ${i}`, sources: [first!], targets: [other] }));
  }
  const endOf = (node: number): string => {
    const [first] = ends.get(node) ?? [];
    if (first !== undefined) return first;
    const joint = `joint ${node}`;
    nodes.set(joint, { words: "" });
    return joint;
  };
  for (const part of machine.parts.filter((p) => wires.has(p.id))) {
    const [from, to] = [...part.nodeOf.values()];
    const colour = wires.get(part.id)?.colour;
    const text = colour ? `${part.id} ${colour}` : part.id;
    edges.push({
      id: `${from} ${part.id}`,
      sources: [endOf(from!)],
      targets: [endOf(to!)],
      labels: [{ text, width: text.length * LETTER, height: 14 }],
    });
  }
  return {
    id: "root",
    layoutOptions: {
      "elk.algorithm": "layered",
      "elk.direction": "RIGHT",
      "elk.edgeRouting": "ORTHOGONAL",
      "elk.layered.spacing.nodeNodeBetweenLayers": "48",
      "elk.spacing.nodeNode": "18",
      "elk.spacing.edgeNode": "12",
    },
    children: [...nodes].map(([id, { words }]) => ({
      id,
      width: words === "" ? 8 : 26 + words.length * 8.2,
      height: words === "" ? 8 : 34,
      labels: [{ text: words }],
    })),
    edges,
  };
}

function wiringOf(laid: ElkNode, machine: Machine): Wiring {
  return {
    width: laid.width ?? 0,
    height: laid.height ?? 0,
    boxes: (laid.children ?? []).map((n) => ({
      id: n.id,
      words: n.labels?.[0]?.text ?? n.id,
      isPlug: n.id.startsWith("plug "),
      x: n.x ?? 0,
      y: n.y ?? 0,
      width: n.width ?? 0,
      height: n.height ?? 0,
    })),
    lines: (laid.edges ?? []).flatMap((edge) =>
      (edge.sections ?? []).map((s, i): WiringLine => {
        const { energy } = machine.domains[Number(edge.id.split(" ")[0])]!;
        return {
          id: `${edge.id} ${i}`,
          energy: voltageClass(energy),
          label: i === 0 ? labelOf(edge) : null,
          points: [s.startPoint, ...(s.bendPoints ?? []), s.endPoint].map((p) => [p.x, p.y] as const),
        };
      }),
    ),
  };
}

function labelOf(edge: ElkExtendedEdge): WiringLine["label"] {
  const label = edge.labels?.[0];
  return label ? { words: label.text ?? "", x: label.x ?? 0, y: label.y ?? 0 } : null;
}

function voltageClass(energy: Energy): "mains" | "other" | "low" {
  if (energy === "mains" || energy === "unknown") return "mains";
  if (isLowVoltage(energy)) return "low";
  return "other";
}
