/** What core/repair/proof-needs says to people, in English. */
export const say = { safetyTester: "Tester for the safety test after repair" };
