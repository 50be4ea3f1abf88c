import { describe, expect, it } from "vitest";
import { whileAwaited } from "../../../src/workers/while-awaited";

describe("how far an answer is", () => {
  it("is heard until the answer is there, not after it", async () => {
    const heard: (number | null)[] = [];
    let late: (share: number) => void = () => undefined;
    const answer = await whileAwaited(
      (tell) => {
        late = tell;
        tell(0.5);
        return Promise.resolve("proven");
      },
      (share) => heard.push(share),
    );
    late(1);
    expect(answer).toBe("proven");
    expect(heard).toEqual([0, 0.5, null]);
  });

  it("ends with a refusal too", async () => {
    const heard: (number | null)[] = [];
    const asked = whileAwaited(
      () => Promise.reject(new Error("no such part")),
      (share) => heard.push(share),
    );
    await expect(asked).rejects.toThrow("no such part");
    expect(heard).toEqual([0, null]);
  });
});
