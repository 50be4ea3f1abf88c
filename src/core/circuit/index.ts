/** Linear circuits, direct and alternating; knows numbers only. What others may use of it; nothing else is reached. */

export { AcSolver } from "./ac";
export { DcSolver } from "./dc";
export { compileElimination, type EliminationProgram, GROUND, LEAK } from "./elimination";
