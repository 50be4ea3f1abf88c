/**
 * Asks for something that tells how far it is, and hears it only until the answer is there: a worker's progress comes
 * through a port of its own, and its last word may arrive after the answer, when nobody is waiting any more.
 *
 * @param ask - what is asked; is given the function that tells the share done, 0 to 1.
 * @param hear - told the share while the answer is awaited, null when it is there or was refused.
 */
export async function whileAwaited<T>(
  ask: (tell: (share: number) => void) => Promise<T>,
  hear: (share: number | null) => void,
): Promise<T> {
  let isAwaited = true;
  hear(0);
  try {
    return await ask((share) => {
      if (isAwaited) hear(share);
    });
  } finally {
    isAwaited = false;
    hear(null);
  }
}
