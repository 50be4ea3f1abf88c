/**
 * The one page that an unpaired device sees. A word that came with a scanned code (behind the #, never sent) is
 * filled in.
 */
export function pairingPage(problem: string): string {
  const safe = problem.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Pair with Unzo</title>
<style>
body{font:1.15rem/1.45 system-ui,sans-serif;color:#14242b;background:#e6ebe8;margin:0;padding:8vh 1rem}
main{max-width:28rem;margin:0 auto;background:#fbfcfa;border:1px solid #b9c4c2;border-radius:6px;padding:1.2rem}
h1{font-size:1.4rem;margin:0 0 .5rem}label{display:block;font-weight:700;margin:.8rem 0 .3rem}
input,button{font:inherit;width:100%;box-sizing:border-box;padding:.7rem;border-radius:5px;border:2px solid #14242b}
input{font-family:ui-monospace,monospace}button{background:#14242b;color:#fff;margin-top:.8rem;font-weight:700}
p[role=alert]{color:#9c1445;font-weight:700;min-height:1.5em}:focus-visible{outline:3px solid #17577f;outline-offset:2px}
</style></head><body><main><h1>Pair this device with Unzo</h1>
<p>The word stands where Unzo was started. It works once.</p>
<form method="post" action="/pair"><label for="word">Pairing word</label>
<input id="word" name="word" autocomplete="off" autocapitalize="off" spellcheck="false" maxlength="60" required>
<p role="alert">${safe}</p><button>Pair</button></form></main>
<script>function fill(){var w=decodeURIComponent(location.hash.slice(1));if(w){
document.getElementById("word").value=w;history.replaceState(null,"",location.pathname)}}
fill();addEventListener("hashchange",fill)</script>
</body></html>`;
}
