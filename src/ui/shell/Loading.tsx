/** Stands where a page will be as soon as what it shows has been read; the page itself brings its `main`. */
export function Loading({ words }: { words: string }) {
  return (
    <div className="plain-page" role="status" aria-busy="true">
      <p className="loading-words">{words}…</p>
      <div className="loading-bar" aria-hidden />
    </div>
  );
}
