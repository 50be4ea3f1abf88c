/** What core/model/family/usual-plugs says to people, in English. */
export const say = {
  loadPlug: "Load plug J2",
  sensorPlug: "Sensor plug J3",
  lowPlug: "Low-voltage plug J4",
  sensorReturn: "return of the sensors",
  plugOff: (plug: string) => `Power off, ${plug} off`,
  pullThePlug: (plug: string) => `Power off and proven dead, then pull ${plug}.`,
  cleanReseat: "Clean or renew the contacts, reseat",
  boardSide: "board side",
  wireSide: "wire side",
  plugBox: (plugs: string) => `Plug ${plugs}`,
};
