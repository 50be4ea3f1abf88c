import { FLEET } from "../../support/fleet";
import { searchFleet } from "../../support/search-fleet";

searchFleet(FLEET.filter((_, i) => i % 2 === 1));
