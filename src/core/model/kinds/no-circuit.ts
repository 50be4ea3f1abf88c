/** The electrical facet of what has no wire: it moves, cools or carries, and the circuit does not know it. */
export const NO_CIRCUIT = {
  terminals: () => [],
  galvanic: () => [],
  elements: () => [],
  parameters: () => [],
  stamp: () => undefined,
};
