/**
 * Numbers that look random and are the same for the same names: a value for (seed, name) without any state,
 * so the order in which parts are visited never matters. Hash: FNV-1a, finished as in MurmurHash3's fmix32.
 */
export function uniformFor(seed: number, name: string): number {
  let h = (0x811c9dc5 ^ seed) >>> 0;
  for (let i = 0; i < name.length; i++) h = Math.imul(h ^ name.charCodeAt(i), 0x01000193) >>> 0;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b) >>> 0;
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35) >>> 0;
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}
