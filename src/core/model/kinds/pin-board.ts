import { definePart, OPEN, VAGUE_OHMS, JUNCTION_OHMS, type Stamp, type View } from "../kind";
import { measuredVolts } from "../pins/board-table";
import { type PinFields, pinFields } from "../pins/pin-fields";
import { say } from "#words/core/model/kinds/pin-board";

/** Of its volts: what wakes it, and below what it dies; from memory. */
const WAKES_AT = 0.7;
const DIES_AT = 0.55;
/** What a sleeping board is to its feed, ohms; a closed contact; from memory. */
const ASLEEP_OHMS = 1e5;
const CONTACT_OHMS = 0.02;
/** Seconds: to wake, between pulses, between the resets of one that resets over and over. */
const WAKES_IN = 0.4;
const PULSE = 0.5;
const RESETS_AFTER = 1;

const DARK = "dark";
/** Something that its sheet has for no state, or for another one. */
const OTHER = "another";

const DEAD = 0;
/** Within a state: what comes later is not there yet; all is on; what is pulsed is off for a moment. */
const [EARLY, ALL, PAUSE] = [0, 1, 2];
const codeOf = (index: number, part: number) => 1 + 3 * index + part;
const indexOf = (code: number) => Math.floor((code - 1) / 3);
const partOf = (code: number) => (code - 1) % 3;

const outputsOf = (f: PinFields) => Object.entries(f.outputs);
const inputsOf = (f: PinFields) => Object.entries(f.inputs);
const isOnIn = (f: PinFields, name: string, code: number): boolean => {
  const o = f.outputs[name]!;
  if (code === DEAD || !o.on.includes(f.states[indexOf(code)]!.id)) return false;
  return !(partOf(code) === EARLY && o.after > 0) && !(partOf(code) === PAUSE && o.shape === "pulsed");
};
const latest = (f: PinFields, s: string) =>
  Math.max(0, ...outputsOf(f).map(([, o]) => (o.on.includes(s) ? o.after : 0)));
const pulses = (f: PinFields, s: string) => outputsOf(f).some(([, o]) => o.shape === "pulsed" && o.on.includes(s));

/** Pins of which the sheet says something in some state. */
function namedPins(f: PinFields): ReadonlySet<string> {
  return new Set([
    ...f.feed.between,
    ...outputsOf(f).flatMap(([, o]) => [o.to, o.from]),
    ...inputsOf(f).flatMap(([, i]) => i.between),
    ...(f.link?.between ?? []),
  ]);
}
const unnamed = (f: PinFields) => f.pins.filter((p) => !namedPins(f).has(p));

/** Pins of which the sheet says nothing in the state it is in. */
function unspokenIn(f: PinFields, code: number): readonly string[] {
  if (code === DEAD) return unnamed(f);
  const s = f.states[indexOf(code)]!.id;
  const spoken = new Set<string>([
    ...f.feed.between,
    ...inputsOf(f).flatMap(([, i]) => i.between),
    ...(f.link?.between ?? []),
    ...outputsOf(f).flatMap(([, o]) => (o.on.includes(s) || o.off.includes(s) ? [o.to, o.from] : [])),
  ]);
  return f.pins.filter((p) => !spoken.has(p));
}

const isWhollySpoken = (f: PinFields) =>
  unnamed(f).length === 0 && f.states.every((_, i) => unspokenIn(f, codeOf(i, ALL)).length === 0);

/** Names that are used and not there, as sentences. */
function problemsOf(f: PinFields): readonly string[] {
  const pins = new Set(f.pins);
  const states = new Set(f.states.map((s) => s.id));
  const used: readonly (readonly [string, readonly string[]])[] = [
    [say.theFeed, f.feed.between],
    ...outputsOf(f).map(([name, o]) => [say.output(name), [o.to, o.from]] as const),
    ...inputsOf(f).map(([name, i]) => [say.input(name), i.between] as const),
    ...f.ohms.map((o) => [say.ohms, o.between] as const),
    ...(f.link ? [[say.link, f.link.between] as const] : []),
    ...f.states.flatMap((s) => (s.fed ? [[say.state(s.id), s.fed.between] as const] : [])),
  ];
  const inputs = (name: string | undefined) => name !== undefined && f.inputs[name] === undefined;
  return [
    ...used.flatMap(([what, own]) => own.filter((p) => !pins.has(p)).map((p) => say.noSuchPin(what, p))),
    ...outputsOf(f).flatMap(([name, o]) =>
      [...o.on, ...o.off].filter((s) => !states.has(s)).map((s) => say.noSuchState(name, s)),
    ),
    ...outputsOf(f).flatMap(([name, o]) => o.on.filter((s) => o.off.includes(s)).map((s) => say.onAndOff(name, s))),
    ...f.states.flatMap((s) => (inputs(s.closed) || inputs(s.open) ? [say.noSuchInput(s.id)] : [])),
  ];
}

/** Whether what tells a state is there. */
function isIn(f: PinFields, s: PinFields["states"][number], mode: string, asked: string, view: View): boolean {
  if (s.mode !== undefined && s.mode !== asked) return false;
  const isClosed = (name: string) => {
    const { between, volts } = f.inputs[name]!;
    return mode !== `${name}-deaf` && Math.abs(view.dc(...between)) < 0.5 * volts;
  };
  if (s.closed !== undefined && !isClosed(s.closed)) return false;
  if (s.open !== undefined && isClosed(s.open)) return false;
  if (!s.fed) return true;
  const volts = Math.max(view.ac(...s.fed.between), Math.abs(view.dc(...s.fed.between)));
  return volts > (s.fed.above ?? -1) && volts < (s.fed.below ?? Infinity);
}

/**
 * One half of each wave of alternating volts: its mean is so much of their rms, and what is left of them beside that;
 * by integrating a rectified sine, sqrt(2)/pi and sqrt(1/2 - 2/pi^2).
 */
const HALF_MEAN = Math.SQRT2 / Math.PI;
const HALF_REST = Math.sqrt(0.5 - HALF_MEAN ** 2);

/** Whether an output has alternating volts of which half can be missing: its own, or those of the line it joins to. */
const alternates = (f: PinFields, { gives, from }: PinFields["outputs"][string]): boolean =>
  gives ? gives.current === "ac" : f.feed.current === "ac" && from === f.feed.between[0];

/** A contact that lets one half of the line through. */
function stampHalfContact(f: PinFields, stamp: Stamp, element: number, ohms: number): void {
  stamp.conduct(element, 1 / ohms);
  stamp.acEmf(element, (HALF_REST - 1) * f.feed.volts);
  stamp.emf(element, HALF_MEAN * f.feed.volts);
}

/** What it can show: dark, what its states show, and something that is of none of them. */
const shownBy = (f: PinFields) => [...new Set(f.states.flatMap((s) => (s.shows === undefined ? [] : [s.shows])))];

/** Elements: its feed, its inputs, its outputs, its link, its ohms, then what nobody knows of its other pins. */
const places = (f: PinFields) => {
  const [inputs, outputs] = [inputsOf(f).length, outputsOf(f).length];
  const link = 1 + inputs + outputs;
  const ohms = link + (f.link ? 1 : 0);
  return { inputs: 1, outputs: 1 + inputs, link, ohms, unnamed: ohms + f.ohms.length };
};

/**
 * A board as its sheet describes it: for each state what each pin gives or is joined to, how the state is known, what
 * feeds it. Nothing inside is known. Pins and states of which the sheet says nothing are unknown, and not 0 V.
 */
export const pinBoard = definePart({
  kind: "board by its pins",
  fields: pinFields,
  contradictions: problemsOf,
  electrical: {
    terminals: (f) => f.pins,
    loose: [],
    galvanic: (f) => {
      if (!f.isolated) return [f.pins];
      const live = new Set([...f.feed.between, ...outputsOf(f).flatMap(([, o]) => (o.gives ? [] : [o.to, o.from]))]);
      return [[...live], f.pins.filter((p) => !live.has(p))].filter((g) => g.length > 0);
    },
    energises: (f) =>
      f.isolated ? outputsOf(f).flatMap(([, o]) => (o.gives ? [[o.from, "isolated low voltage"] as const] : [])) : [],
    carries: (f) => {
      const own = (current: "ac" | "dc") =>
        outputsOf(f).flatMap(([, o]) => (o.gives?.current === current ? [o.to] : []));
      return {
        direct: [...own("dc"), ...inputsOf(f).map(([, i]) => i.between[0]), ...(f.link ? [f.link.between[0]] : [])],
        alternating: own("ac"),
      };
    },
    elements: (f) => [
      f.feed.between,
      ...inputsOf(f).map(([, i]) => i.between),
      ...outputsOf(f).map(([, o]) => [o.to, o.from] as const),
      ...(f.link ? [f.link.between] : []),
      ...f.ohms.map((o) => o.between),
      ...unnamed(f).map((p) => [p, f.feed.between[1]] as const),
    ],
    parameters: (f) => [
      { name: "watts", nominal: f.feed.watts, tolerance: 0.3 },
      ...inputsOf(f).map(([name, i]) => ({ name: `${name} ohms`, nominal: i.ohms, tolerance: 0.05 })),
      ...outputsOf(f).map(([name, o]) => {
        if (!o.gives) return { name: `${name} ohms`, nominal: CONTACT_OHMS, tolerance: 0.5 };
        const { volts, tolerance } = measuredVolts(f, name) ?? o.gives;
        return { name: `${name} volts`, nominal: volts, tolerance };
      }),
      ...f.ohms.map((o, i) => ({ name: `ohms ${i + 1}`, nominal: o.ohms, tolerance: VAGUE_OHMS, vague: true })),
    ],
    isLedByMode: (f) => f.states.some((s) => s.mode !== undefined),
    unspoken: unspokenIn,
    start: () => DEAD,
    stamp({ fields: f, mode, values }, stamp, code) {
      const at = places(f);
      const isAwake = code !== DEAD;
      stamp.conduct(0, isAwake ? values[0]! / f.feed.volts ** 2 : 1 / ASLEEP_OHMS);
      inputsOf(f).forEach(([, i], k) => {
        stamp.conduct(at.inputs + k, 1 / values[1 + k]!);
        stamp.emf(at.inputs + k, isAwake ? i.volts : 0);
      });
      outputsOf(f).forEach(([name, o], k) => {
        const [element, own] = [at.outputs + k, values[at.outputs + k]!];
        const isStuck = mode === `${name}-stuck` && (isAwake || !o.gives);
        const isOn = isStuck || (mode !== `${name}-off` && isOnIn(f, name, code));
        const isHalf = isOn && alternates(f, o) && (o.shape === "half wave" || mode === `${name}-half`);
        if (!o.gives && isHalf) return stampHalfContact(f, stamp, element, own);
        if (!o.gives) return stamp.conduct(element, isOn ? 1 / own : OPEN);
        const volts = own * (mode === "rails-sag" ? 0.55 : 1);
        stamp.conduct(element, isOn ? 1 / o.gives.ohms : 1 / 2.2e4);
        if (isHalf) {
          stamp.emf(element, HALF_MEAN * volts);
          stamp.acEmf(element, HALF_REST * volts);
          return;
        }
        stamp.emf(element, isOn && o.gives.current === "dc" ? volts : 0);
        stamp.acEmf(element, isOn && o.gives.current === "ac" ? volts : 0);
      });
      if (f.link) {
        stamp.conduct(at.link, 1e-3);
        stamp.emf(at.link, isAwake && mode !== "link-silent" ? f.link.volts : 0);
      }
      for (let e = at.ohms; e < at.unnamed + unnamed(f).length; e++) stamp.conduct(e, OPEN);
    },
    // What the sheet says of its ohms; between other pins an ohmmeter may find anything.
    dead({ fields: f, mode, values }, stamp) {
      const at = places(f);
      const anything = (element: number) => stamp.between(element, OPEN, 1 / JUNCTION_OHMS);
      for (let e = 0; e < at.outputs; e++) anything(e);
      outputsOf(f).forEach(([name, o], k) => {
        const element = at.outputs + k;
        if (o.gives) anything(element);
        else stamp.conduct(element, mode === `${name}-stuck` ? 1 / values[element]! : OPEN);
      });
      if (f.link) anything(at.link);
      f.ohms.forEach((_, k) => stamp.conduct(at.ohms + k, 1 / values[at.link + k]!));
      for (let e = at.unnamed; e < at.unnamed + unnamed(f).length; e++) anything(e);
    },
    next({ fields: f, mode, conditions }, view, code) {
      const [a, b] = f.feed.between;
      const volts = f.feed.current === "ac" ? view.ac(a, b) : Math.abs(view.dc(a, b));
      const isFed = mode !== "dead" && volts > (code === DEAD ? WAKES_AT : DIES_AT) * f.feed.volts;
      if (!isFed) return code === DEAD ? null : { state: DEAD, delay: 0.05 };
      if (mode === "resets" && code !== DEAD) return { state: DEAD, delay: RESETS_AFTER };
      const index = f.states.findIndex((s) => isIn(f, s, mode ?? "", conditions.mode, view));
      if (index < 0) return code === DEAD ? null : { state: DEAD, delay: 0.05 };
      const { id: own } = f.states[index]!;
      const late = latest(f, own);
      if (code === DEAD || indexOf(code) !== index)
        return { state: codeOf(index, late > 0 ? EARLY! : ALL!), delay: WAKES_IN };
      if (partOf(code) === EARLY) return { state: codeOf(index, ALL!), delay: late };
      if (!pulses(f, own)) return null;
      return { state: codeOf(index, partOf(code) === ALL ? PAUSE! : ALL!), delay: PULSE };
    },
  },
  failures: {
    modes: (f) => [
      { id: "dead", words: say.dead, odds: 2, source: "from memory" },
      { id: "resets", words: say.resets, odds: 0.7, source: "from memory" },
      ...(outputsOf(f).some(([, o]) => o.gives?.current === "dc")
        ? [{ id: "rails-sag", words: say.railsSag, odds: 1, source: "from memory" as const }]
        : []),
      ...outputsOf(f)
        // Of one that is off in every state that the sheet speaks of nobody knows what it would give.
        .filter(([, o]) => o.on.length > 0)
        .flatMap(([name, o]) => [
          { id: `${name}-off`, words: say.staysOff(name), odds: 1, source: "from memory" as const },
          { id: `${name}-stuck`, words: say.staysOn(name), odds: o.gives ? 0.4 : 0.9, source: "from memory" as const },
          ...(alternates(f, o) && o.shape !== "half wave"
            ? [{ id: `${name}-half`, words: say.halfWave(name), odds: 0.2, source: "from memory" as const }]
            : []),
        ]),
      ...inputsOf(f).map(([name]) => ({
        id: `${name}-deaf`,
        words: say.deaf(name),
        odds: 0.5,
        source: "from memory" as const,
      })),
      ...(shownBy(f).length > 0
        ? [{ id: "wrong-code", words: say.wrongCode, odds: 0.3, source: "from memory" as const }]
        : []),
      ...(f.link ? [{ id: "link-silent", words: say.linkSilent, odds: 0.6, source: "from memory" as const }] : []),
      // What nobody wrote down can fail too: the sheet alone clears no board.
      ...(isWhollySpoken(f)
        ? []
        : [{ id: "unspoken", words: say.somethingUnspoken, odds: 0.8, source: "from memory" as const }]),
    ],
    signs: () => [{ id: "scorched", words: say.scorchMark, given: { dead: 0.2, "rails-sag": 0.1 }, otherwise: 0.02 }],
    unitSigns: { damp: 0.3, storm: 0.3, "comes-and-goes": 0.2 },
  },
  observed: {
    noticed: say.lookAtItsDisplay,
    observable: (f) => ({ what: say.itsDisplay, labels: shownBy(f).length === 0 ? [] : [DARK, ...shownBy(f), OTHER] }),
    look({ fields: f, mode }, _view, code) {
      if (code === DEAD) return DARK;
      // What it shows is not of the state that its pins say it is in.
      return mode === "wrong-code" ? OTHER : (f.states[indexOf(code)]!.shows ?? DARK);
    },
  },
  safety: {
    traits: [],
    cautions: [say.takenAsLive, say.touchMetalFirst],
  },
  service: {
    alone: say.feedThenStateThenPins,
  },
});
