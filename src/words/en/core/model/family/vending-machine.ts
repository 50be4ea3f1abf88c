/** What core/model/family/vending-machine says to people, in English. */
export const say = {
  name: "Vending machine",
  column: (n: number) => `Column motor ${n}`,
  fan: "Evaporator fan",
  cabinetSensor: "Cabinet sensor",
  cooling: { name: "Cooling", how: "Plug in warm, door shut, wait out the restart delay." },
  ready: { name: "Ready to sell", how: "Cold inside, door shut." },
  vend: {
    name: (n: number) => `Vending from column ${n}`,
    how: (n: number) => `Run column ${n} from the service mode, its product out, door shut.`,
  },
  doorOpen: { name: "Vending, door open", how: "Run column 1 from the service mode, door open: it must stand still." },
  askJam: "Is a product jammed in the column?",
  jamThen: "Power off, clear it; try it.",
  caution: "Settings and audit are written down before anything is unplugged. Motors start by themselves.",
  columns: { ask: "Which columns do you draw?", choices: { "1": "One", "2": "Two", "3": "Three", "4": "Four" } },
  askCooled: "Is it cooled?",
  askLight: "Does the board switch the light?",
};
