/** Stands where a page will be as soon as what it shows has been read; then the page's own `main` takes its place. */
export function Loading({ words }: { words: string }) {
  return (
    <main className="plain-page" aria-busy="true">
      <div role="status">
        <h1 className="loading-words">{words}…</h1>
      </div>
      <div className="loading-bar" aria-hidden />
    </main>
  );
}
