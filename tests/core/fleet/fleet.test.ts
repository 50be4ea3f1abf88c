import { expect, it } from "vitest";
import { FLEET } from "../../support/fleet";
import { searchFleet } from "../../support/search-fleet";

it("has at least fifteen machines", () => expect(FLEET.length).toBeGreaterThanOrEqual(15));

searchFleet(FLEET.filter((_, i) => i % 2 === 0));
