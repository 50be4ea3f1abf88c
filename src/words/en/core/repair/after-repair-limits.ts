/** What core/repair/after-repair-limits says to people, in English. */
export const say = {
  en506782020TestAfter: "EN 50678:2020, test after repair",
  aCordHasALength: "a cord has a length of nothing or more",
  itRunsOnItsOwn:
    "It runs on its own battery or engine: EN 50678 is for equipment on the mains, not for vehicles or bare battery units.",
  protectiveConductor: "Protective conductor",
  fromThePlugsEarthPin: "From the plug's earth pin to every bare metal part; move the cord while you measure.",
  to5MOfCord: (en: string) => `${en}: 0.3 Ω to 5 m of cord, 0.1 Ω more for each further 7.5 m, at most 1 Ω`,
  insulation: "Insulation",
  deadLineAndNeutralJoined:
    "Dead. Line and neutral joined, against earth and bare metal; every switch made; 500 V, 250 V where surge protection is fitted.",
  mClassI03: (en: string) => `${en}: 1 MΩ class I (0.3 with heaters), 2 MΩ class II, 0.25 MΩ class III`,
  protectiveConductorCurrent: "Protective conductor current",
  runningEveryHeaterOnBoth: "Running, every heater on; both ways round in the outlet, the larger one counts.",
  maAbove35Kw: (en: string) => `${en}: 3.5 mA; above 3.5 kW of heating 1 mA a kilowatt, at most 10`,
  touchCurrent: "Touch current",
  runningFromBareMetalThat: "Running; from bare metal that is not bonded to earth.",
};
