/** The smallest machine worth isolating: a cord, a fuse, a heater. For checks against exhaustive sums. */
export const KETTLE = `
format: 1
id: kettle
revision: "1"
maker: Nobody
model: Test
name: Kettle
family: powered equipment
supply: { volts: 120, hertz: 60, percent: 6 }
pieces:
  - { id: house, name: House, repair: Call an electrician, minutes: 1, price: 0 }
  - { id: cord, name: Cord, repair: Replace, minutes: 5, price: 5 }
  - { id: fuse, name: Fuse, repair: Replace, minutes: 5, price: 1 }
  - { id: heater, name: Heater, repair: Replace, minutes: 20, price: 20 }
parts:
  - { id: outlet, kind: outlet, name: Outlet, piece: house, at: { line: plug-L, neutral: plug-N, earth: plug-E } }
  - { id: cord, kind: cord, name: Cord, piece: cord, at: { line-pin: plug-L, neutral-pin: plug-N, earth-pin: plug-E, line: L, neutral: N, earth: body } }
  - { id: F1, kind: fuse, name: Fuse, piece: fuse, amps: 15, at: { a: L, b: heat } }
  - { id: heater, kind: heater, name: Heater, piece: heater, volts: 120, watts: 1500, at: { a: heat, b: N, case: body } }
points:
  - { id: plug-line, name: Plug line, net: plug-L }
  - { id: plug-neutral, name: Plug neutral, net: plug-N }
  - { id: plug-earth, name: Plug earth, net: plug-E }
  - { id: in-L, name: Line in, net: L }
  - { id: in-N, name: Neutral in, net: N }
  - { id: out-L, name: Heater line, net: heat }
  - { id: body, name: Body, net: body }
references:
  - { name: neutral, points: [in-N, plug-neutral] }
  - { name: chassis, points: [body, plug-earth] }
setups:
  - { id: "on", name: Plugged in, power: "on", how: Plug in. }
  - { id: "off", name: Unplugged, power: "off", how: Pull the plug. }
paths:
  - { id: main, name: Plug to heater, stages: [ { at: [in-L, in-N] }, { box: Heater, parts: [heater] } ] }
complaints:
  - { id: cold, words: Stays cold, setup: "on", path: main }
`;
