/** Stands where a page will be as soon as what it shows has been read. */
export function Loading({ words }: { words: string }) {
  return (
    <main className="plain-page" role="status" aria-busy="true">
      <p className="loading-words">{words}…</p>
      <div className="loading-bar" aria-hidden />
    </main>
  );
}
