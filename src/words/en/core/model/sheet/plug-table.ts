/** What core/model/sheet/plug-table says to people, in English. */
export const say = {
  plugPinSignal: (line: string) => `"${line}": plug, pin, colour, what it is for: CN2 3 red drain pump`,
  whatIsItFor: (plug: string, pin: string) => `${plug}-${pin}: what is it for?`,
  whichOf: (signal: string, one: string, other: string) =>
    `"${signal}": which, ${one} or ${other}? Name it as the file does.`,
  isAnother: (pin: string) => `${pin} is another wire's in the file: put the lines of both pins in together.`,
  isPin: (name: string, signal: string) => `${name}: ${signal}`,
  nothingYet: (name: string, signal: string) => `${name}: ${signal}; nothing of the file is joined to it yet`,
  plug: (plug: string) => `Plug ${plug}`,
  boardSide: "board side",
  wireSide: "wire side",
  cleanReseat: "Clean or renew the contacts, reseat",
  plugOff: (plug: string) => `Power off, plug ${plug} off`,
  pullIt: (plug: string) => `Power off and proven dead, then pull plug ${plug}.`,
};
