/** Why something could not be answered, where its answer would stand. */
export function Problem({ words }: { words: string }) {
  return words === "" ? null : (
    <p className="problem mb-1" role="alert">
      {words}
    </p>
  );
}
