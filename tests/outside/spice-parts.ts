/**
 * Parts that nothing powers, as a circuit simulator has them: junctions, windings and capacitors by device models, no
 * model of Unzo's. Values of the devices are from memory of data sheets of the usual sorts; what a meter shows of them
 * is what ngspice finds.
 *
 * In a netlist `$name` is a terminal of the part or an inner node of its own. Element names get a number behind them.
 */
export interface DeadPart {
  readonly name: string;
  /** The part as a machine file has it: its kind and its fields. */
  readonly part: string;
  readonly terminals: readonly string[];
  /** The failure that the netlist has, or null for a sound one. */
  readonly mode: string | null;
  readonly red: string;
  readonly black: string;
  readonly netlist: readonly string[];
}

/** Device models, from memory. */
export const MODELS = [
  ".model dsi D(is=2.5n rs=0.05 n=1.75 bv=600 ibv=1u)",
  ".model dsig D(is=4n rs=0.6 n=1.9 bv=100 ibv=1u)",
  ".model dclamp D(is=1n rs=20 n=1.5 bv=16 ibv=100u)",
  ".model dsch D(is=5u rs=0.03 n=1.05 bv=60 ibv=50u)",
  ".model dled D(is=1e-18 rs=4 n=2 bv=5 ibv=1u)",
  ".model nfet NMOS(level=1 vto=3 kp=20 rd=0.01 rs=0.01)",
  ".model qn NPN(is=1e-14 bf=200 br=4)",
  ".model qp PNP(is=1e-14 bf=120 br=4)",
];

/** A low-voltage direct-current load with electronics: reverse diode, regulator, Hall chip, electrolytic with its leak. */
export const BRUSHLESS = [
  "D1 $plus $in dsi",
  "R1 $in $chip 400",
  "D2 $chip $c1 dsig",
  "D3 $c1 $minus dsig",
  "RL $in $minus 4meg",
];
/** A bridge of four field-effect transistors, gates held off, bulk capacitor with its leak, logic behind a diode. */
export const BRIDGE = [
  "Mah $plus $ga $out-a $out-a nfet",
  "Dah $out-a $plus dsi",
  "Rga $ga $out-a 10k",
  "Mbl $out-b $gb $return $return nfet",
  "Dbl $return $out-b dsi",
  "Rgb $gb $return 10k",
  "Dal $return $out-a dsi",
  "Dbh $out-b $plus dsi",
  "Rbulk $plus $return 2meg",
  "Dlog $plus $log dsig",
  "Rlog $log $chip 2k",
  "Dchip $chip $return dsig",
  "Rin $input $return 100k",
  "Qrep $report $qb $return qn",
  "Rqb $qb $return 47k",
];
/** Line side of a switched supply: X capacitor with its discharge resistor, bridge, bulk capacitor with its bleeder. */
export const LINE_SIDE = [
  "Rx $line $neutral 680k",
  "D1 $line $bulk-plus dsi",
  "D2 $neutral $bulk-plus dsi",
  "D3 $bulk-minus $line dsi",
  "D4 $bulk-minus $neutral dsi",
  "Rbleed $bulk-plus $bulk-minus 680k",
];
/** Its secondary: winding, rectifier, output capacitor with its leak, divider of the feedback. */
export const SECONDARY = [
  "Rw $return $sec 0.05",
  "Do $sec $out dsch",
  "Rdiv $out $return 12k",
  "Rleak $out $return 3meg",
];

/** A series regulator with its drop-back diode and divider. */
export const REGULATOR = [
  "Q1 $in $b $out qn",
  "Rb $in $b 10k",
  "Dz $return $b dsig",
  "Dp $out $in dsi",
  "Rd $out $return 6k",
];
/** A bridge on a smoothing capacitor with its leak. */
export const RECTIFIER = [
  "D1 $in-a $out dsi",
  "D2 $in-b $out dsi",
  "D3 $return $in-a dsi",
  "D4 $return $in-b dsi",
  "Rl $out $return 1meg",
];
/** A sensor chip between its rail and its return. */
export const SENSOR_RAIL = ["D1 $plus $x dsig", "R1 $x $return 1k", "D2 $return $plus dsig"];
/** Its open-collector output. */
export const SENSOR_OUT = ["Q1 $out $b $return qn", "Rb $b $return 30k", "D3 $return $out dsig"];
/** A payment module behind its reverse diode. */
export const MODULE = ["D1 $plus $x dsi", "R1 $x $y 100", "D2 $y $return dsig", "Rl $x $return 700k"];
/** Main and auxiliary winding of a capacitor motor, with their insulation. */
const WINDINGS = ["R1 $main $common 30", "R2 $start $common 34", "Ri $common $case 60meg"];
/** A field-effect transistor that is off, with its body diode and pull-down. */
export const FET = ["M1 $drain $gate $source $source nfet", "D1 $source $drain dsi", "R1 $gate $source 100k"];
/** The same, shorted. */
const FET_SHORTED = ["R2 $drain $source 0.05", "D1 $source $drain dsi", "R1 $gate $source 100k"];
/** A triac that is off, with its gate resistance and its leak. */
export const TRIAC = ["R1 $gate $mt1 150", "R2 $mt2 $mt1 100meg"];

const motorDrive = "kind: motor drive, volts: 24, inputVolts: 3, limitAmps: 8";
const DRIVE_TERMINALS = ["plus", "return", "input", "out-a", "out-b", "report"];
const supply = "kind: switched supply, volts: 12, startVolts: 85, limitAmps: 2, yFarads: 2.2e-9";
const SUPPLY_TERMINALS = ["line", "neutral", "bulk-plus", "bulk-minus", "out", "return"];

type Row = readonly [string, string | null, string, string, readonly string[]];
const rows = (part: string, terminals: readonly string[], list: readonly Row[]): DeadPart[] =>
  list.map(([name, mode, red, black, netlist]) => ({ name, part, terminals, mode, red, black, netlist }));

export const DEAD_PARTS: readonly DeadPart[] = [
  ...rows(motorDrive, DRIVE_TERMINALS, [
    ["half-bridge off, out A to return", null, "out-a", "return", BRIDGE],
    ["half-bridge off, return to out A", null, "return", "out-a", BRIDGE],
    ["half-bridge off, plus to out A", null, "plus", "out-a", BRIDGE],
    ["half-bridge off, out A to plus", null, "out-a", "plus", BRIDGE],
    ["half-bridge off, out A to out B", null, "out-a", "out-b", BRIDGE],
    ["half-bridge off, out B to return", null, "out-b", "return", BRIDGE],
    ["half-bridge, rail to return", null, "plus", "return", BRIDGE],
    ["half-bridge, return to rail", null, "return", "plus", BRIDGE],
    ["half-bridge, input to return", null, "input", "return", BRIDGE],
    ["half-bridge, report to return", null, "report", "return", BRIDGE],
    ["half-bridge, upper transistor shorted", "shorted", "plus", "out-a", [...BRIDGE, "Rs $plus $out-a 0.05"]],
    [
      "half-bridge, upper transistor shorted, the other way",
      "shorted",
      "out-a",
      "plus",
      [...BRIDGE, "Rs $plus $out-a 0.05"],
    ],
  ]),
  ...rows(
    "kind: triac, amps: 16",
    ["gate", "mt1", "mt2"],
    [
      ["triac off, MT2 to MT1", null, "mt2", "mt1", TRIAC],
      ["triac off, gate to MT1", null, "gate", "mt1", TRIAC],
      ["triac shorted, MT2 to MT1", "shorted", "mt2", "mt1", ["R1 $gate $mt1 150", "R2 $mt2 $mt1 0.2"]],
    ],
  ),
  ...rows(
    "kind: transistor switch, gateVolts: 3, ohms: 0.05",
    ["gate", "drain", "source"],
    [
      ["transistor off, drain to source", null, "drain", "source", FET],
      ["transistor off, source to drain", null, "source", "drain", FET],
      ["transistor shorted, drain to source", "shorted", "drain", "source", FET_SHORTED],
      ["transistor shorted, source to drain", "shorted", "source", "drain", FET_SHORTED],
    ],
  ),
  ...rows(
    "kind: diode, amps: 3",
    ["anode", "cathode"],
    [
      ["diode forward", null, "anode", "cathode", ["D1 $anode $cathode dsi"]],
      ["diode backward", null, "cathode", "anode", ["D1 $anode $cathode dsi"]],
      ["diode shorted", "shorted", "cathode", "anode", ["R1 $anode $cathode 0.05"]],
      ["diode open, forward", "open", "anode", "cathode", ["R1 $anode $cathode 1e12"]],
    ],
  ),
  ...rows(
    "kind: led, volts: 12, amps: 0.02",
    ["plus", "minus"],
    [
      ["LED and resistor forward", null, "plus", "minus", ["R1 $plus $x 500", "D1 $x $minus dled"]],
      ["LED and resistor backward", null, "minus", "plus", ["R1 $plus $x 500", "D1 $x $minus dled"]],
    ],
  ),
  ...rows(
    "kind: dc fan, volts: 12, amps: 0.2",
    ["plus", "minus"],
    [
      ["brushless fan", null, "plus", "minus", BRUSHLESS],
      ["brushless fan, leads swapped", null, "minus", "plus", BRUSHLESS],
      [
        "brushless fan without its reverse diode, swapped",
        null,
        "minus",
        "plus",
        ["R1 $plus $chip 300", "D2 $minus $plus dsi", "D3 $chip $minus dsig"],
      ],
      ["brushless fan, lead broken", "open", "plus", "minus", ["R1 $plus $minus 1e12"]],
      ["brushless fan seized", "seized", "plus", "minus", BRUSHLESS],
    ],
  ),
  ...rows(
    "kind: buzzer, volts: 12, amps: 0.02",
    ["plus", "minus"],
    [
      [
        "buzzer with its driver",
        null,
        "plus",
        "minus",
        ["R1 $plus $x 1k", "Q1 $x $b $minus qn", "Rb $b $minus 47k", "Dp $x $minus dsig"],
      ],
      [
        "buzzer with its driver, swapped",
        null,
        "minus",
        "plus",
        ["R1 $plus $x 1k", "Q1 $x $b $minus qn", "Rb $b $minus 47k", "Dp $minus $x dsig"],
      ],
    ],
  ),
  ...rows(supply, SUPPLY_TERMINALS, [
    ["supply, line to neutral", null, "line", "neutral", [...LINE_SIDE, ...SECONDARY]],
    ["supply, neutral to line", null, "neutral", "line", [...LINE_SIDE, ...SECONDARY]],
    ["supply without an X capacitor, line to neutral", null, "line", "neutral", [...LINE_SIDE.slice(1), ...SECONDARY]],
    ["supply, out to return", null, "out", "return", [...LINE_SIDE, ...SECONDARY]],
    ["supply, return to out", null, "return", "out", [...LINE_SIDE, ...SECONDARY]],
    [
      "supply shorted on its line side",
      "input-short",
      "line",
      "neutral",
      [...LINE_SIDE, ...SECONDARY, "Rs $line $neutral 1"],
    ],
    [
      "supply, output rectifier shorted",
      "rectifier-short",
      "out",
      "return",
      [...LINE_SIDE, ...SECONDARY, "Rs $sec $out 0.1"],
    ],
    ["supply, output to line", null, "out", "line", [...LINE_SIDE, ...SECONDARY]],
  ]),
  ...rows(
    "kind: regulator, volts: 5, dropoutVolts: 2",
    ["in", "out", "return"],
    [
      ["regulator, in to return", null, "in", "return", REGULATOR],
      ["regulator, out to return", null, "out", "return", REGULATOR],
      ["regulator, in to out", null, "in", "out", REGULATOR],
      ["regulator, out to in", null, "out", "in", REGULATOR],
      ["regulator that passes, in to out", "passes", "in", "out", ["Rs $in $out 0.5", "Rd $out $return 6k"]],
    ],
  ),
  ...rows(
    "kind: linear supply, volts: 12",
    ["in-a", "in-b", "out", "return"],
    [
      ["bridge, in A to in B", null, "in-a", "in-b", RECTIFIER],
      ["bridge, in A to out", null, "in-a", "out", RECTIFIER],
      ["bridge, out to return", null, "out", "return", RECTIFIER],
      ["bridge, return to out", null, "return", "out", RECTIFIER],
      ["bridge or capacitor shorted", "shorted", "out", "return", ["Rs $out $return 0.3"]],
    ],
  ),
  ...rows(
    "kind: valve, current: dc, volts: 24, amps: 0.5, ohms: 48",
    ["a", "b"],
    [
      ["valve coil with its diode, backward", null, "a", "b", ["R1 $a $x 48", "L1 $x $b 0.2", "D1 $b $a dsi"]],
      ["valve coil with its diode, forward", null, "b", "a", ["R1 $a $x 48", "L1 $x $b 0.2", "D1 $b $a dsi"]],
      ["valve coil open, its diode forward", "open", "b", "a", ["D1 $b $a dsi"]],
      ["valve coil open, its diode backward", "open", "a", "b", ["D1 $b $a dsi"]],
    ],
  ),
  ...rows(
    "kind: pump, current: dc, volts: 12, amps: 0.75, ohms: 1.5",
    ["a", "b"],
    [
      ["brushed pump at rest", null, "a", "b", ["R1 $a $x 1.5", "L1 $x $b 1m"]],
      ["brushed pump, winding open", "open", "a", "b", ["R1 $a $b 1e12"]],
    ],
  ),
  ...rows(
    "kind: motor, current: ac, volts: 230, amps: 1.2, ohms: 22",
    ["a", "b", "case"],
    [["winding of a motor", null, "a", "b", ["R1 $a $x 22", "L1 $x $b 0.3", "Ri $a $case 40meg"]]],
  ),
  ...rows(
    "kind: capacitor motor, volts: 230, amps: 1.4, mainOhms: 30, startOhms: 34",
    ["common", "main", "start", "case"],
    [
      ["main winding", null, "main", "common", WINDINGS],
      ["both windings in series", null, "main", "start", WINDINGS],
      [
        "main winding open, read through the other",
        "main-open",
        "main",
        "common",
        ["R2 $start $common 34", "Ri $common $case 60meg", "Rm $main $common 1e12"],
      ],
    ],
  ),
  ...rows(
    "kind: engine set, volts: 230, crankAmps: 60, startVolts: 12",
    ["crank", "fuel", "return", "line", "neutral"],
    [["winding of a generator that stands", null, "line", "neutral", ["R1 $line $x 1.1", "L1 $x $neutral 0.01"]]],
  ),
  ...rows(
    "kind: hall sensor, place: door, volts: 5",
    ["plus", "out", "return"],
    [
      ["sensor chip, rail to return", null, "plus", "return", SENSOR_RAIL],
      ["sensor chip, return to rail", null, "return", "plus", SENSOR_RAIL],
      ["sensor chip, out to return", null, "out", "return", SENSOR_OUT],
      ["sensor chip, return to out", null, "return", "out", SENSOR_OUT],
    ],
  ),
  ...rows(
    "kind: payment input, volts: 12, amps: 0.1",
    ["plus", "return", "pulse"],
    [
      ["payment module, rail to return", null, "plus", "return", MODULE],
      ["payment module, return to rail", null, "return", "plus", MODULE],
      ["payment module, pulse to return", null, "pulse", "return", ["Q1 $pulse $b $return qn", "Rb $b $return 10k"]],
    ],
  ),
  ...rows(
    "kind: heater, volts: 230, watts: 1800",
    ["a", "b", "case"],
    [
      ["heater", null, "a", "b", ["R1 $a $b 29.4", "Ri $b $case 25meg"]],
      ["heater to its sheath, on an ohmmeter", null, "a", "case", ["R1 $a $b 29.4", "Ri $b $case 25meg"]],
      ["heater that leaks to its sheath", "to-case", "a", "case", ["R1 $a $b 29.4", "Ri $b $case 9k"]],
    ],
  ),
  ...rows(
    "kind: capacitor, farads: 1e-4",
    ["a", "b"],
    [
      ["electrolytic, charged by the meter", null, "a", "b", ["R1 $a $b 8meg", "C1 $a $b 100u"]],
      ["electrolytic shorted", "shorted", "a", "b", ["R1 $a $b 0.8"]],
    ],
  ),
  ...rows("kind: fuse, amps: 10", ["a", "b"], [["fuse of 10 A", null, "a", "b", ["R1 $a $b 0.006"]]]),
];
