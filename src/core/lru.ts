/** A bounded store: when it is full, what was longest unused goes. */
export class Lru<K, V> {
  private readonly kept = new Map<K, V>();

  constructor(private readonly most: number) {}

  get size(): number {
    return this.kept.size;
  }

  get(key: K): V | undefined {
    const value = this.kept.get(key);
    if (value === undefined) return undefined;
    this.kept.delete(key);
    this.kept.set(key, value);
    return value;
  }

  set(key: K, value: V): void {
    this.kept.delete(key);
    this.kept.set(key, value);
    while (this.kept.size > this.most) this.kept.delete(this.kept.keys().next().value!);
  }

  delete(key: K): void {
    this.kept.delete(key);
  }
}
